import type { CautionPlace } from '../cautions/cautions';
import type { RemedyKey } from './remedy-keys';

/** Who does a remedy, and what it takes. */
export interface RemedyWork {
  /** The bench, the one who fishes, or somebody else by the maker's instructions. */
  readonly by: 'bench' | 'customer' | 'service';
  /** Time of the bench. */
  readonly minutes: number;
  /** What it leads to in the rest of the application. */
  readonly leads: 'refill' | 'counter' | 'lot' | null;
  readonly cautions: readonly CautionPlace[];
}

const bench = (minutes: number, more: Partial<RemedyWork> = {}): RemedyWork => ({
  by: 'bench',
  minutes,
  leads: null,
  cautions: [],
  ...more,
});

/** Who does it, and how long it takes beside the line that is moved, minutes. Common practice, no source. */
export const WORK: Readonly<Record<RemedyKey, RemedyWork>> = {
  'take-off': bench(2, { cautions: ['wind'] }),
  'top-up': bench(7, { cautions: ['wind', 'cut'] }),
  'walk-out': bench(6, { cautions: ['wind'] }),
  relax: bench(8, { cautions: ['warm-water'] }),
  refill: bench(15, { leads: 'refill', cautions: ['strip', 'wind'] }),
  grip: bench(8, { cautions: ['strip', 'wind'] }),
  service: bench(0, { by: 'service', cautions: ['spool-off', 'hand-back'] }),
  'wind-again': bench(4, { cautions: ['wind'] }),
  'pull-out': bench(4, { cautions: ['wind'] }),
  'other-backing': bench(18, { leads: 'refill', cautions: ['strip', 'wind'] }),
  washer: bench(4, { cautions: ['spool-off'] }),
  'set-brake': bench(3, { cautions: ['strip'] }),
  'longer-main': bench(12, { leads: 'refill', cautions: ['cut', 'wind'] }),
  'rod-maker': bench(0, { by: 'service', cautions: [] }),
  'tie-again': bench(3, { by: 'customer', cautions: ['cut'] }),
  'check-lot': bench(5, { leads: 'lot', cautions: [] }),
  'less-drag': bench(4, { cautions: ['wind', 'hand-back'] }),
  'counter-table': bench(2, { leads: 'counter', cautions: [] }),
  'walk-again': bench(10, { leads: 'counter', cautions: ['wind'] }),
};

/** What to do on a reel of which nothing is on record, or where nothing has to be worked out. */
export const PLAIN_STEPS: Readonly<Record<RemedyKey, readonly string[]>> = {
  'take-off': [
    'Take line off the top a few metres at a time until it lies as deep below the lip as the house fills.',
    'Where they want it flush: leave it, and say why it throws loops.',
  ],
  'top-up': [
    'Measure the depth from the lip, and plan how much goes on until it lies as the house fills.',
    'Where the join would go through the rings, fill it again instead.',
  ],
  'walk-out': [
    'Walk all of the main out to a swivel on a post until it hangs still, and wind it back under tension.',
    'Where there is no room: trail it behind a boat with nothing tied on, and wind it in slowly.',
  ],
  relax: [
    'Lay the spool in warm tap water, then stretch the line a length at a time.',
    'Where it coils again: softer or thinner line, or more backing, so that it lies on wider turns.',
  ],
  refill: ['Fill it again with new line.', 'Or turn it end for end, where the inner end was never fished.'],
  grip: ['Strip it, then tape or some nylon on the arbor, and wind it on again.'],
  service: ['The inside of a drag is work for a service bench, by the maker’s instructions: say so.'],
  'wind-again': [
    'Pull the loose line off and wind it back through a wet cloth, tight.',
    'Push it with a thumb every fifty turns: it must not give.',
  ],
  'pull-out': ['Pull line out by hand past where it binds, until it runs free, and wind it back tight.'],
  'other-backing': [
    'Strip it to the backing and take that off too.',
    'Fill it again over thinner or braided backing.',
  ],
  washer: [
    'Read the depth at front and rear: front high wants a washer more below the spool, rear high one less.',
    'Wind fifty turns and look again. On some seats the shape cannot be cured: say so.',
  ],
  'set-brake': [
    'Hang what they cast, and set the spool tension so that it falls slowly and the spool stops when it lands.',
    'Then the brake for the cast, from strong to weak.',
  ],
  'longer-main': [
    'Leave a cast and a half of main at least next time.',
    'Until then: a thinner join, wet and pulled down hard; lacquer only where its maker allows it.',
  ],
  'rod-maker': [
    'A ring is for whoever builds rods; a nick in the lip is smoothed only by who may work on the reel.',
    'Then new line for as far as it is frayed.',
  ],
  'tie-again': [
    'Wet the knot, pull it down slowly, pull it hard once, and cut the tag end.',
    'Another knot where it slips again.',
  ],
  'check-lot': [
    'Pull a metre from the piece and from the reel with a spring balance.',
    'Take the piece off the rack until it is settled, and tell the customers of its other reels.',
  ],
  'less-drag': [
    'Set the drag by a spring balance to a third or a quarter of what the weakest part stands.',
    'Where they need more drag, they need stronger line.',
  ],
  'counter-table': [
    'Its table is worked out from the level it has now: no walk is needed.',
    'One walk to a single mark says whether it agrees.',
  ],
  'walk-again': [
    'Zero it with the lure at the rod tip, and walk it once more with the same pull at each mark.',
    'Show them how it is zeroed.',
  ],
};

/** What to do where it does not work. */
export const FAILS: Readonly<Record<RemedyKey, string>> = {
  'take-off':
    'If it goes on throwing loops: look for twist with a slack metre, then for loose line with a thumb.',
  'top-up': 'If it is short again soon: somebody loses line and does not say so. Ask for it at each visit.',
  'walk-out': 'If it twists again: a swivel, and no winding while the drag gives line.',
  relax: 'If it coils again: it is too stiff for this arbor. Softer or thinner line.',
  refill: 'If it does so again: look at the rings and at the lip.',
  grip: 'If it slips all the same: it is the drag.',
  service: 'If it comes back from service the same: look whether the line slips on its arbor.',
  'wind-again': 'If it digs in again: look at the backing below, and at the drag it is fished with.',
  'pull-out': 'If it digs in again without a snag: wind it all again, tighter.',
  'other-backing': 'If it digs in again: wind the main tighter.',
  washer: 'If it got worse: this seat works the other way round. Note it on the reel.',
  'set-brake':
    'If it still runs on: look whether it is too full, then at the bearings by the maker’s instructions.',
  'longer-main': 'If it still catches: draw cotton through the rings.',
  'rod-maker': 'If new line frays too: another ring, or the line guide of the reel.',
  'tie-again': 'If a good knot breaks too: pull a metre of the line on its own.',
  'check-lot': 'If a metre of it is as strong as rated: look at the rings and at the drag.',
  'less-drag': 'If it breaks at that drag too: pull a metre of the line on its own.',
  'counter-table': 'If it disagrees: walk it to two marks.',
  'walk-again': 'If the marks disagree again: it slips, and is for the maker’s service.',
};
