import type { After, Operation } from './day';
import { fillTakes, USUAL_TAKES, type DayTimes, type FillAhead, type Takes } from './day-times';

/** A reel of an open bag, as far as its day is concerned. */
export interface DayReel {
  /** Its job. */
  readonly id: string;
  readonly bag: string;
  /** How far it is: to be filled, on a bench, filled and to be checked, or ready for the shelf. */
  readonly state: 'booked' | 'on-the-bench' | 'to-check' | 'ready';
  readonly fill: FillAhead;
  /** Pieces its line comes from, arbor first. */
  readonly pieces: readonly string[];
  /** Line is on it that comes off first. */
  readonly strip: boolean;
  /** Its counter is matched to the tape. */
  readonly walk: boolean;
  /** Its line is wound dry, before it goes into the water for others. */
  readonly dry?: boolean;
  /** Its line is stretched or warmed once it is on. */
  readonly relief: boolean;
  /** Reels that have to agree are filled one after another, at one bench. */
  readonly set?: string;
  /** It was taken out of its set by hand. */
  readonly apart?: boolean;
  /** When its line can be had, where some of it is not here yet. */
  readonly lineFrom?: number;
  /** Where it is being filled, since when, by whom, and which share of its turns is still to be wound. */
  readonly begun?: {
    readonly at: number;
    readonly bench: string;
    readonly person: string;
    readonly left: number;
  };
}

/** A piece that is wound wet. */
export interface DaySoak {
  readonly piece: string;
  /** In the water since then; left out where it is dry yet. */
  readonly since?: number;
  /** Minutes it has to lie in the water, and may lie there at most. */
  readonly least: number;
  readonly most: number;
  /** Minutes within which it is wound, out of the water. */
  readonly wetFor: number;
  /** Out of the water since then, and still wet. */
  readonly out?: number;
}

/** What is asked of one operation by hand: where, by whom, not before, at a time; of a set, that it is taken apart. */
export type Wish = Pick<Operation, 'bench' | 'person' | 'at'> & {
  readonly earliest?: number;
  readonly apart?: boolean;
};

export interface DayFacts {
  readonly now: number;
  readonly reels: readonly DayReel[];
  readonly soaks: readonly DaySoak[];
  readonly times: DayTimes;
  readonly wishes: Readonly<Record<string, Wish>>;
}

/** A like reel after the first takes this share of its time: nothing is looked up or set up; from memory. */
const LIKE_SHARE = 0.85;

/** What has begun takes at least this long yet, minutes: it is checked, and its record closed. */
const LEAST_LEFT = 3;

/** What there is to do for open bags: into and out of the tub, strip, fill, walk, relieve, check, onto the shelf. */
export function operationsOf({ now, reels: all, soaks, times, wishes }: DayFacts): Operation[] {
  const reels = all.map((reel) => (wishes[fillId(reel)]?.apart ? { ...reel, apart: true } : reel));
  const made = [
    ...soaks.flatMap((soak) => soakOf(soak, reels)),
    ...groupsOf(reels).flatMap((group) => fillOf(group, soaks, times, now)),
    ...reels.flatMap(afterFill),
    ...shelvesOf(reels),
  ];
  const ids = new Set(made.map(({ id }) => id));
  return made.map((one) => ({
    ...one,
    after: one.after.filter(({ id }) => ids.has(id)),
    ...withWish(one, wishes[one.id]),
  }));
}

/** The operation that fills a reel: its own, or that of its set. */
export const fillId = ({ id, bag, set, apart, state }: DayReel): string =>
  set !== undefined && !apart && state === 'booked' ? `fill:${bag}:${set}` : `fill:${id}`;

function withWish(one: Operation, wish: Wish | undefined): Partial<Operation> {
  if (!wish || one.at !== undefined) return {};
  const { bench, person, at, earliest = -Infinity } = wish;
  return {
    earliest: Math.max(one.earliest, earliest),
    ...(bench === undefined ? {} : { bench }),
    ...(person === undefined ? {} : { person }),
    ...(at === undefined ? {} : { at }),
  };
}

const plain = { pieces: [], after: [], earliest: -Infinity } as const;
const right = (id: string): After => ({ id, least: 0, most: Infinity });

const soakId = (piece: string): string => `soak:${piece}`;
const outId = (piece: string): string => `out:${piece}`;

function soakOf({ piece, since, least, most, out }: DaySoak, reels: readonly DayReel[]): Operation[] {
  const users = reels.filter(({ state, pieces }) => state === 'booked' && pieces.includes(piece));
  const waiting = users.filter(({ dry }) => !dry);
  const before = users.filter(({ dry }) => dry).map((reel) => right(fillId(reel)));
  if (waiting.length === 0 || out !== undefined) return [];
  const bags = [...new Set(waiting.map(({ bag }) => bag))];
  const shared = { ...plain, reels: [], bags, pieces: [piece] };
  const earliest = since === undefined ? -Infinity : since + least;
  const lift: Operation = { ...shared, id: outId(piece), kind: 'out', ...USUAL_TAKES.out, earliest };
  if (since !== undefined) return [lift];
  const into: Operation = {
    ...shared,
    id: soakId(piece),
    kind: 'soak',
    ...USUAL_TAKES.soak,
    after: before,
  };
  return [into, { ...lift, after: [{ id: into.id, least, most }] }];
}

/** Reels that are filled in one go: those of a set, each other alone. */
function groupsOf(reels: readonly DayReel[]): readonly (readonly DayReel[])[] {
  const groups = new Map<string, DayReel[]>();
  for (const reel of reels)
    if (reel.state === 'booked' || reel.state === 'on-the-bench')
      groups.set(fillId(reel), [...(groups.get(fillId(reel)) ?? []), reel]);
  return [...groups.values()];
}

function fillOf(
  group: readonly DayReel[],
  soaks: readonly DaySoak[],
  times: DayTimes,
  now: number,
): Operation[] {
  const [first] = group;
  if (!first) return [];
  const begun = first.state === 'on-the-bench' ? first.begun : undefined;
  const reels = group.map(({ id }) => id);
  const pieces = [...new Set(group.flatMap((one) => one.pieces))];
  const bags = [...new Set(group.map(({ bag }) => bag))];
  const earliest = Math.max(-Infinity, ...group.map(({ lineFrom }) => lineFrom ?? -Infinity));
  const stripped = begun ? [] : group.filter(({ strip }) => strip);
  const strip: Operation = {
    ...plain,
    id: `strip:${first.id}`,
    kind: 'strip',
    reels: stripped.map(({ id }) => id),
    bags,
    minutes: USUAL_TAKES.strip.minutes * stripped.length,
    sd: USUAL_TAKES.strip.sd * Math.sqrt(stripped.length),
  };
  const takes = together(group.map(({ fill: ahead }) => fillTakes(ahead, times)));
  const wet = first.dry ? [] : soaks.filter(({ piece }) => pieces.includes(piece));
  const fill: Operation = {
    id: fillId(first),
    kind: 'fill',
    reels,
    bags,
    pieces,
    ...takes,
    after: begun
      ? []
      : [
          ...(stripped.length > 0 ? [right(strip.id)] : []),
          ...wet.map(({ piece, wetFor }) => ({ id: outId(piece), least: 0, most: wetFor })),
        ],
    earliest,
    ...(begun ? { ...underWay(takes, begun, now), bench: begun.bench, person: begun.person } : {}),
  };
  return stripped.length > 0 ? [strip, fill] : [fill];
}

/** What is begun takes what it has taken, and its share of a whole fill from now on. */
function underWay({ minutes, sd }: Takes, { at, left }: NonNullable<DayReel['begun']>, now: number) {
  return {
    at,
    minutes: Math.max(0, now - at) + Math.max(LEAST_LEFT, left * minutes),
    sd: sd * Math.sqrt(left),
  };
}

/** Fills one after another: each after the first is quicker, and what they scatter by partly evens out. */
function together(takes: readonly Takes[]): Takes {
  const minutes = takes.reduce((all, one, i) => all + one.minutes * (i > 0 ? LIKE_SHARE : 1), 0);
  return { minutes, sd: Math.hypot(...takes.map(({ sd }) => sd)) };
}

function afterFill(reel: DayReel): Operation[] {
  const { id, bag, state, walk, relief } = reel;
  if (state === 'ready') return [];
  const shared = { ...plain, reels: [id], bags: [bag] };
  const isFilled = state === 'to-check';
  const behindFill = isFilled ? [] : [right(fillId(reel))];
  const walked: Operation = {
    ...shared,
    id: `walk:${id}`,
    kind: 'walk',
    ...USUAL_TAKES.walk,
    after: behindFill,
  };
  const relieved: Operation = {
    ...shared,
    id: `relief:${id}`,
    kind: 'relief',
    ...USUAL_TAKES.relief,
    after: behindFill,
  };
  const more = isFilled ? [] : [...(walk ? [walked] : []), ...(relief ? [relieved] : [])];
  const check: Operation = {
    ...shared,
    id: `check:${id}`,
    kind: 'check',
    ...USUAL_TAKES.check,
    after: more.length > 0 ? more.map((one) => right(one.id)) : behindFill,
  };
  return [...more, check];
}

function shelvesOf(reels: readonly DayReel[]): Operation[] {
  return [...new Set(reels.map(({ bag }) => bag))].map((bag) => {
    const own = reels.filter((reel) => reel.bag === bag);
    return {
      ...plain,
      id: `shelf:${bag}`,
      kind: 'shelf',
      reels: own.map(({ id }) => id),
      bags: [bag],
      ...USUAL_TAKES.shelf,
      after: own.filter(({ state }) => state !== 'ready').map(({ id }) => right(`check:${id}`)),
    };
  });
}
