import {
  gripAdvice,
  guidesAdvice,
  handsAdvice,
  joinAdvice,
  memoryAdvice,
  tensionAdvice,
  type CautionPlace,
  type Line,
  type ReelType,
  type RunFacts,
  type RunStep,
  type StepKind,
  type SupplyWayAtBench,
} from '@yard-spool/core';

/** What a step is called, what to do, what to look at, and where the cautions that belong there are found. */
export interface StepWords {
  readonly name: string;
  readonly todo: string;
  /** What to look at; empty where the step says it all. */
  readonly look: string;
  readonly cautions: readonly CautionPlace[];
}

const MOUNT: Readonly<Record<ReelType, readonly [todo: string, look: string]>> = {
  'fixed-spool': [
    'Reel on a rod butt, line through at least the first guide. Bail open before tying on.',
    'Spool at the far end of its stroke, so that the knot sits at the base.',
  ],
  baitcaster: [
    'Reel on a rod butt, line guide centred, line through it and round the spool.',
    'A spool with holes: through a port, then one turn of the handle.',
  ],
  spincast: [
    'Cover off, line through the nose cone before the knot. Wrap the tag round the handle.',
    'The tag must not vanish inside; the cover goes on to wind and comes off to look.',
  ],
  trolling: [
    'Reel on a rod butt, line through the guide and round the spool.',
    'The supply stays uncut until the counter agrees with the tape.',
  ],
  'big-game': [
    'Reel clamped down, line through the guide and round the spool.',
    'Nothing under the line that it could cut into.',
  ],
};

/** Where line of the layer comes from, as the winding step says it. */
const WAY: Readonly<Record<SupplyWayAtBench, string>> = {
  'over-end': 'Supply standing over its end.',
  rolling: 'Supply rolling on its spindle or on its edge.',
  rig: 'Supply on the rig, turned with the rotor.',
  winder: 'On the bench winder, which turns the reel’s own spool.',
  'drag-reel': 'Off the other reel, its drag holding the line back.',
  'walked-out': 'Off the field, walked out to length.',
  reverse: 'Off the reel’s other spool, face to face and turning the same way.',
};

type Ready = Partial<Record<SupplyWayAtBench, (role: string) => string>>;

/** How line is made ready that does not come straight off a supply. */
const READY: Ready = {
  'walked-out': (role) => `Walk the ${role} out to its length, clear of anything it could catch on.`,
  'drag-reel': (role) => `Wind the ${role} on to the holding reel first, then set its drag to hold it back.`,
  reverse: (role) =>
    `Set the spool with the old ${role} face to face with this one, both turning the same way: the unused inner end comes out on top.`,
};
const READY_LOOK: Partial<Record<SupplyWayAtBench, string>> = {
  'walked-out': 'Nobody walks across it.',
  'drag-reel': 'The drag gives evenly.',
  reverse: 'Worth it only where what is fished is less than half of what is on.',
};

interface LinesAt {
  readonly layer: Line | null;
  readonly below: Line | null;
  readonly role: string;
}

/** The words of a step of one reel, under the rules it is filled by. */
export function stepWords(
  { kind, layer }: RunStep,
  facts: RunFacts,
  way: SupplyWayAtBench | null = null,
): StepWords {
  return WORDS[kind](facts, linesAt(facts, layer), way);
}

function linesAt({ request, mainFirst }: RunFacts, id: string | undefined): LinesAt {
  const lines = request.layers.flatMap((layer) => (layer.kind === 'line' ? [layer] : []));
  const order = mainFirst && lines.length === 2 ? [...lines].reverse() : lines;
  const at = order.findIndex((layer) => layer.id === id);
  const role = order[at]?.role.replace('-', ' ') ?? 'line';
  return {
    layer: order[at]?.line ?? order.at(-1)?.line ?? null,
    below: order[at - 1]?.line ?? null,
    role: role.charAt(0).toUpperCase() + role.slice(1),
  };
}

type Tell = (facts: RunFacts, lines: LinesAt, way: SupplyWayAtBench | null) => StepWords;

const say =
  (name: string, todo: string, look = '', ...cautions: CautionPlace[]): Tell =>
  () => ({ name, todo, look, cautions });

const WORDS: Readonly<Record<StepKind, Tell>> = {
  strip: say(
    'Strip old line',
    'Tape the tag to a tube in a drill, start slow and guide the line; or two wrap sticks, or by hand. Then wipe and grease while it is apart.',
    'The spool while it is bare: cracks, rough lip, loose foot.',
    'strip',
    'spool-off',
  ),
  grip: ({ rules }, { layer }) => ({
    name: 'Give the arbor grip',
    todo: gripAdvice(layer?.material ?? 'braid', 'bare', rules).sentence,
    look: 'A spool with a rubber band or ridges grips by itself.',
    cautions: ['spool-off'],
  }),
  mount: ({ type, rules }) => {
    const [todo, look] = MOUNT[type];
    return {
      name: 'Mount and thread',
      todo: `${todo} ${guidesAdvice(type, rules).sentence}`,
      look: `${look} ${handsAdvice(rules).sentence}`,
      cautions: type === 'big-game' ? ['wind-tight'] : [],
    };
  },
  'tie-on': ({ type }) => ({
    name: 'Tie on, drag tight',
    todo: `Arbor knot, trimmed close and covered.${type === 'fixed-spool' ? ' Bail shut.' : ''} Drag tight, or the spool slips while it fills.`,
    look: 'Pull: nothing slips round the arbor.',
    cautions: ['cut'],
  }),
  'prepare-supply': (_, { role }, way) => ({
    name: 'Ready the line',
    todo: READY[way ?? 'drag-reel']?.(role.toLowerCase()) ?? '',
    look: READY_LOOK[way ?? 'drag-reel'] ?? '',
    cautions: ['wind'],
  }),
  wind: ({ type, rules }, { layer, role }, way) => ({
    name: role,
    todo: `${tensionAdvice(layer?.material ?? 'nylon', type, rules).sentence} Slow for the first turns and for the last.${way ? ` ${WAY[way]}` : ''}`,
    look: '',
    cautions: type === 'big-game' ? ['wind', 'wind-tight'] : ['wind'],
  }),
  depth: (_, { role }) => ({
    name: `Read ${role.toLowerCase()} depth`,
    todo: 'Hold the calliper across the lip and measure down to the line. One reading halves the doubt.',
    look: 'The middle of the spool, not an edge.',
    cautions: [],
  }),
  join: ({ rules }, { layer, below }) => ({
    name: 'Join',
    todo: layer && below ? joinAdvice(below, layer, rules).sentence : 'Tie the two lines together.',
    look: 'The join should sit mid-width: strip and wind until it does.',
    cautions: ['cut'],
  }),
  splice: () => ({
    name: 'Splice',
    todo: 'Needle into the hollow braid, 3.7 m (12 ft) of the other line inside, whip both ends with waxed thread, push the braid down over it.',
    look: 'Needle will not go through: a bad weave. Cut back and start the splice again.',
    cautions: ['cut', 'wind-tight'],
  }),
  swap: say(
    'Swap it over',
    'Wind all of it over to the reel’s own spool: the backing goes on first and the main comes out on top.',
    'Both spools turn the same way; tension as before.',
    'wind',
  ),
  gap: ({ type }) => ({
    name: 'Read the gap',
    todo: 'Measure from the lip down to the line, and type what you read.',
    look:
      type === 'spincast'
        ? 'Cover off to look, on again to try it.'
        : 'On a bevelled rim, the bottom of the bevel.',
    cautions: [],
  }),
  clip: ({ type }) => ({
    name: 'Cut, clip, tape',
    todo:
      type === 'trolling'
        ? 'Leave the supply uncut while the counter is tried; then cut the right line, clip it, tape the supply’s tail.'
        : 'Cut the right line, clip it on the reel, tape the supply’s tail.',
    look: 'Pull the line before you cut: it moves at the reel.',
    cautions: ['cut'],
  }),
  cover: say(
    'Cover on',
    'Line through the nose cone, cover on, one turn of the handle.',
    'It runs free inside.',
  ),
  memory: ({ rules }, { layer }) => ({
    name: 'Take memory out',
    todo: (layer && memoryAdvice(layer.material, rules)?.sentence) ?? 'Nothing to do.',
    look: 'A slack metre hangs straight.',
    cautions: rules.memoryRelief === 'warm-water' ? ['warm-water', 'spool-off'] : [],
  }),
  counter: say(
    'Counter against tape',
    'Line clipped to a post, tip at the post, zero the counter, walk to the 30 m (100 ft) mark and read it.',
    'Reads high: add line. Reads low: take line off.',
  ),
  brake: say(
    'Cast brake',
    'Tighten until a 14 g (half ounce) weight falls at about 0.3 m (1 ft) a second.',
    'The spool stops when the weight lands: no overrun.',
  ),
  thumb: say(
    'Thumb test',
    'Lay the thumb on the line: it should meet line before metal, and hold the spool still.',
    'Feels metal: add line. Cannot hold it: too full.',
  ),
  'drag-reading': ({ rules }) => ({
    name: 'Read the drag',
    todo: `Pull straight off with a spring scale: ${rules.drag === 'third' ? 'a third' : 'a quarter'} of the weakest line’s strength.`,
    look: 'It gives smoothly, without a jerk at the start.',
    cautions: ['hand-back'],
  }),
  leader: say(
    'Leader or bumper',
    'Join it as asked, and write down what it is and how long.',
    'Pull the join hard once.',
    'cut',
  ),
  guides: say(
    'Thread every guide',
    'All of them, none missed; fold the end so that it cannot slip back.',
    'Count them from the tip down.',
  ),
  drag: say('Back the drag off', 'Nobody stores a reel with the drag tight.', '', 'hand-back'),
  tag: say(
    'Tag and close',
    'Hang the tag on the reel. Closing writes what is on it and takes the line off the rack.',
  ),
};
