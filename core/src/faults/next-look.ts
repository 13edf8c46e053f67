import { REEL_TRAITS } from '../lines/reel-type';
import type { FaultReel } from './cause';
import { LOOK_KEYS, lookOf, type LookKey } from './looks';
import { onNylon, runsOn } from './reel-facts';
import type { Symptom } from './symptoms';
import { answerChances, chanceOf, weighedBy, type Account, type LookMade } from './weigh-faults';

/** A look that can still be made, and what it tells. */
export interface LookOpen {
  readonly look: LookKey;
  /** Expected information about what is there, bits. */
  readonly tells: number;
  readonly minutes: number;
}

/** Looks that make sense only on some reels, or for some complaints. */
const FITS: Partial<Record<LookKey, (reel: FaultReel, symptoms: readonly Symptom[]) => boolean>> = {
  where: (_, symptoms) => symptoms.includes('breaks'),
  end: (_, symptoms) => symptoms.includes('breaks'),
  'knot-test': (_, symptoms) => symptoms.includes('breaks'),
  place: (_, symptoms) => symptoms.includes('digs-in'),
  cap: runsOn,
  lot: (_, symptoms) => symptoms.includes('breaks'),
  walk: ({ type }) => REEL_TRAITS[type].counter,
  throws: runsOn,
  lure: ({ type }) => REEL_TRAITS[type].cast,
  join: ({ type, backing }) => REEL_TRAITS[type].cast && backing !== false,
  below: ({ backing }) => backing !== false,
  soaked: onNylon,
};

/** Below this a look tells nothing worth its minutes, bits. */
const NOTHING = 0.004;
/** A question costs so much beside its own minutes: somebody has to be asked, and to answer. Common practice, no source. */
const ASKING = 0.4;

/** Looks nobody made yet that tell something, the one that tells most for each minute first; of equals the one without a tool. */
export function openLooks(
  reel: FaultReel,
  symptoms: readonly Symptom[],
  accounts: readonly Account[],
  made: ReadonlySet<LookKey>,
): LookOpen[] {
  const worth = ({ tells, minutes }: LookOpen): number => tells / (minutes + ASKING);
  return LOOK_KEYS.filter(
    (look) => !made.has(look) && !lookOf(look).onRecord && (FITS[look]?.(reel, symptoms) ?? true),
  )
    .map((look) => ({ look, tells: information(look, accounts), minutes: lookOf(look).minutes }))
    .filter(({ tells }) => tells > NOTHING)
    .sort(
      (a, b) => worth(b) - worth(a) || Number('tool' in lookOf(a.look)) - Number('tool' in lookOf(b.look)),
    );
}

/** How much less is unknown after a look, on average over its answers, bits. */
function information(look: LookKey, accounts: readonly Account[]): number {
  const average = chancesOver(look, accounts);
  return accounts.reduce((sum, { causes, share }) => {
    if (share === 0) return sum;
    const chances = answerChances(look, causes);
    return (
      sum +
      [...chances].reduce(
        (own, [answer, chance]) =>
          chance > 0 ? own + share * chance * Math.log2(chance / (average.get(answer) ?? 1)) : own,
        0,
      )
    );
  }, 0);
}

/** Chance of each answer by all that may be there. */
export function chancesOver(look: LookKey, accounts: readonly Account[]): ReadonlyMap<string, number> {
  const chances = new Map<string, number>();
  for (const { causes, share } of accounts)
    for (const [answer, chance] of answerChances(look, causes))
      chances.set(answer, (chances.get(answer) ?? 0) + share * chance);
  return chances;
}

/** What may be there once a look was made so. */
export const after = (made: LookMade, accounts: readonly Account[]): Account[] =>
  weighedBy(accounts, (causes) => chanceOf(made, causes));
