import { causeOf, FAULT_CAUSES, type FaultCause } from './causes';
import { lookOf, type LookKey } from './looks';
import { SYMPTOMS, type Symptom } from './symptoms';

/** What may be there: one cause, two together, or none of those that are known. */
export interface Account {
  readonly causes: readonly FaultCause[];
  readonly share: number;
}

/** A look as it was made. */
export interface LookMade {
  readonly look: LookKey;
  /** One of its answers; anything else tells nothing. */
  readonly answer: string;
}

/** A second cause is there so often, and none of the known ones. Common practice, no source. */
const SECOND = 0.18;
const UNKNOWN = 0.02;
/** A look is wrong so often: misread, misremembered, or said to please. From memory. */
const LOOK_WRONG = 0.1;
/** A symptom is named so often where nothing known explains it. From memory. */
const LEAK = 0.006;
/** An answer a cause leaves out is so rare. */
const RARE = 0.02;

/** Every set of causes that may be there, each made once: what is worked out of it is kept with it. */
const NONE: readonly FaultCause[] = [];
const ALONE = new Map(FAULT_CAUSES.map((key) => [key, [key] as const]));
const TWO = new Map(FAULT_CAUSES.map((a) => [a, new Map(FAULT_CAUSES.map((b) => [b, [a, b] as const]))]));
const only = (key: FaultCause): readonly FaultCause[] => ALONE.get(key) ?? [key];
const both = (a: FaultCause, b: FaultCause): readonly FaultCause[] => TWO.get(a)?.get(b) ?? [a, b];

/** What may be there before anybody looks: each cause by its rate, each two of them by both. */
export function accountsOf(rates: ReadonlyMap<FaultCause, number>): Account[] {
  const each = [...rates];
  const pairs = each.flatMap(([a, rateA], i) =>
    each.slice(i + 1).map(([b, rateB]) => ({ causes: both(a, b), share: rateA * rateB })),
  );
  const paired = pairs.reduce((sum, { share }) => sum + share, 0);
  const second = paired > 0 ? SECOND : 0;
  return [
    { causes: NONE, share: UNKNOWN },
    ...each.map(([key, rate]) => ({ causes: only(key), share: (1 - UNKNOWN - second) * rate })),
    ...pairs.map(({ causes, share }) => ({ causes, share: (second * share) / paired })),
  ];
}

/** Chance that a symptom shows: by any of the causes that are there, or by none of them (noisy or with a leak). */
const chanceItShows = (symptom: Symptom, causes: readonly FaultCause[]): number =>
  1 - causes.reduce((none, key) => none * (1 - (causeOf(key).explains[symptom] ?? 0)), 1 - LEAK);

/** Points the mean of one over a count is taken at (Gauss and Legendre, five points on 0 to 1; Abramowitz and Stegun 25.4.30). */
const POINTS: readonly (readonly [number, number])[] = [
  [0.046910077, 0.118463443],
  [0.230765345, 0.239314335],
  [0.5, 0.284444444],
  [0.769234655, 0.239314335],
  [0.953089923, 0.118463443],
];

/**
 * Chance that these symptoms are what somebody names. Of several that show people name one, any of them alike: a cause that
 * shows in five ways is named by each a fifth as often. With K others showing that is the mean of 1 / (1 + K), which is the
 * integral of the product of (1 - p + p t) over t from 0 to 1. Where more than one is named, all of them show.
 */
function chanceOfSymptoms(symptoms: readonly Symptom[], causes: readonly FaultCause[]): number {
  const show = symptoms.reduce((chance, one) => chance * chanceItShows(one, causes), 1);
  const [symptom] = symptoms;
  if (symptom === undefined || symptoms.length > 1) return show;
  const others = SYMPTOMS.filter((one) => one !== symptom).map((one) => chanceItShows(one, causes));
  const named = POINTS.reduce(
    (sum, [t, weight]) => sum + weight * others.reduce((product, p) => product * (1 - p + p * t), 1),
    0,
  );
  return show * named;
}

/**
 * Chance of each answer to a look: as the causes that bear upon it have it, half and half where two do, as usual where none
 * does. One look in ten says another of its answers.
 */
export function answerChances(look: LookKey, causes: readonly FaultCause[]): AnswerChances {
  const rows = WORKED_OUT.get(causes) ?? new Map<LookKey, AnswerChances>();
  WORKED_OUT.set(causes, rows);
  const known = rows.get(look) ?? workOut(look, causes);
  rows.set(look, known);
  return known;
}

type AnswerChances = ReadonlyMap<string, number>;
/** The table never changes, and the same few thousand rows are asked for again at each answer. */
const WORKED_OUT = new WeakMap<readonly FaultCause[], Map<LookKey, AnswerChances>>();

function workOut(look: LookKey, causes: readonly FaultCause[]): AnswerChances {
  const { answers } = lookOf(look);
  const names = Object.keys(answers);
  const rows = causes.flatMap((key) => {
    const row: Readonly<Record<string, number>> | undefined = causeOf(key).looks[look];
    return row ? [row] : [];
  });
  const plain = names.map((name) =>
    rows.length === 0
      ? (answers[name]?.usual ?? RARE)
      : rows.reduce((sum, row) => sum + (row[name] ?? RARE), 0) / rows.length,
  );
  const total = plain.reduce((sum, chance) => sum + chance, 0);
  const misread = LOOK_WRONG / (names.length - 1);
  return new Map(
    names.map((name, i) => {
      const right = (plain[i] ?? 0) / total;
      return [name, (1 - LOOK_WRONG) * right + misread * (1 - right)];
    }),
  );
}

/** Chance of a look as it was made; one where it told nothing. */
export const chanceOf = ({ look, answer }: LookMade, causes: readonly FaultCause[]): number =>
  answerChances(look, causes).get(answer) ?? 1;

/** How likely each account is, by what was said and looked at. The shares add up to one. */
export function weighFaults(
  rates: ReadonlyMap<FaultCause, number>,
  symptoms: readonly Symptom[],
  looks: readonly LookMade[],
): Account[] {
  return weighedBy(
    accountsOf(rates),
    (causes) =>
      chanceOfSymptoms(symptoms, causes) * looks.reduce((chance, made) => chance * chanceOf(made, causes), 1),
  );
}

/** Accounts by how likely each makes what was seen; the shares add up to one again (Bayes). */
export function weighedBy(
  accounts: readonly Account[],
  chance: (causes: Account['causes']) => number,
): Account[] {
  const weighed = accounts.map(({ causes, share }) => ({ causes, share: share * chance(causes) }));
  const total = weighed.reduce((sum, { share }) => sum + share, 0);
  return weighed.map(({ causes, share }) => ({ causes, share: share / total }));
}

/** A cause, how likely it is to be there, and how likely it is to be what is complained of. */
export interface CauseShare {
  readonly cause: FaultCause;
  /** Alone or with another. */
  readonly share: number;
  /** Chance that it is behind what was said: of two that are there, each by how often it shows so. */
  readonly behind: number;
}

/**
 * How likely each cause is to be there and to be behind what was said, the likeliest behind it first: a reel can be too full
 * as well, and that is not why its line digs in.
 */
export function causeShares(accounts: readonly Account[], symptoms: readonly Symptom[]): CauseShare[] {
  const shares = new Map<FaultCause, { share: number; behind: number }>();
  for (const { causes, share } of accounts) {
    const shows = causes.map((cause) => showsAny(cause, symptoms));
    const all = shows.reduce((sum, chance) => sum + chance, LEAK);
    for (const [i, cause] of causes.entries()) {
      const sum = shares.get(cause) ?? { share: 0, behind: 0 };
      const part = symptoms.length === 0 ? 1 / causes.length : (shows[i] ?? 0) / all;
      shares.set(cause, { share: sum.share + share, behind: sum.behind + share * part });
    }
  }
  return [...shares]
    .map(([cause, sums]) => ({ cause, ...sums }))
    .sort((a, b) => b.behind - a.behind || b.share - a.share);
}

/** How often a cause shows in any of these ways, added up. */
const showsAny = (cause: FaultCause, symptoms: readonly Symptom[]): number =>
  symptoms.reduce((sum, symptom) => sum + (causeOf(cause).explains[symptom] ?? 0), 0);
