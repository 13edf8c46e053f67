import type { RunRules } from '@yard-spool/contract';
import { kindKey, USUAL_HOUSE_RULES } from '@yard-spool/core';
import type { Dice } from './dice';
import { SEASON_KINDS, type SeasonKind } from './kinds';
import { SEASON_CUSTOMERS } from './names';
import type { Asked, PastFill, TrueLines, TrueSpool } from './simulate';

export const DAY_MS = 86_400_000;
/** How far back the first of two seasons begins, and how lately the last fill of them was, days. */
const FIRST = 640;
const LAST = 14;
/** Days of a year on which next to nobody comes: the boats are laid up. */
const WINTER = { from: 320, to: 60 };
/** Of each fill's own chance. */
const SEED = 4100;
/** What every fill of the seasons was made under. */
export const UNDER: RunRules = {
  rules: USUAL_HOUSE_RULES,
  from: {},
  tailMm: 2000,
  spanMm: 1500,
  hand: 'right',
};

/** A reel of the seasons, with what its spool truly is. */
export interface SeasonReel {
  readonly id: number;
  readonly customer: number;
  readonly kind: SeasonKind;
  readonly spool: TrueSpool;
  readonly main: SeasonKind['mains'][number];
}

/** A visit of a reel: which fill of which bag it is, when, and who is at the bench. */
export interface Visit {
  readonly id: number;
  readonly bag: number;
  readonly reel: SeasonReel;
  readonly at: Date;
  readonly by: string;
}

/** A fill with where it stands in the books. */
export interface Dated extends PastFill, Visit {}

export const tagOf = (id: number): string => `R-${String(id).padStart(4, '0')}`;

/** The shop's reels, each with a spool of its own that nobody knows exactly. */
export function allReels(dice: Dice, kinds: ReadonlyMap<string, number>): SeasonReel[] {
  let id = 0;
  return SEASON_KINDS.flatMap((kind) =>
    Array.from({ length: kind.reels }, (_, i): SeasonReel => {
      id += 1;
      // A boat has its counter reels together; others are anybody's.
      const boats = [5, 9, 14];
      const customer =
        kind.type === 'trolling'
          ? (boats[i % boats.length] ?? 5)
          : kind.type === 'big-game'
            ? 34
            : dice.whole(1, SEASON_CUSTOMERS.length);
      return {
        id,
        customer,
        kind,
        main: dice.of(kind.mains),
        spool: {
          lip: dice.about(kind.lip, 0.003),
          arbor: dice.about(kind.arbor, 0.012),
          width: dice.about(kind.width, 0.018),
          packing: dice.about(kinds.get(kindKey(kind)) ?? 0.7, 0.018),
        },
      };
    }),
  );
}

/** Visits of each reel: a first one, and more in later months, none in the winter; one day's of one customer are a bag. */
export function allVisits(
  dice: Dice,
  reels: readonly SeasonReel[],
  { today, people }: { readonly today: Date; readonly people: readonly [string, ...string[]] },
): Visit[] {
  const visits = reels
    .flatMap((reel) => visitsOf(dice).map((daysAgo) => ({ reel, daysAgo })))
    .map(({ reel, daysAgo }) => ({ reel, daysAgo: dayOfCustomer(daysAgo, reel.customer) }))
    .sort((a, b) => b.daysAgo - a.daysAgo || a.reel.customer - b.reel.customer || a.reel.id - b.reel.id);
  const bags = new Map<string, number>();
  const taken = new Set<string>();
  const all: Visit[] = [];
  for (const { reel, daysAgo } of visits) {
    const key = `${String(daysAgo)} ${String(reel.customer)}`;
    if (taken.has(`${key} ${String(reel.id)}`)) continue;
    taken.add(`${key} ${String(reel.id)}`);
    const id = all.length + 1;
    const bag = bags.get(key) ?? bags.size + 1;
    bags.set(key, bag);
    const at = new Date(today.getTime() - daysAgo * DAY_MS);
    at.setHours(9 + (id % 7), (id * 17) % 60, 0, 0);
    all.push({ id, bag, reel, at, by: people[id % people.length] ?? people[0] });
  }
  return all;
}

/** What is to be simulated of a visit. */
export const askedOf = ({ id, reel: { kind, main, spool }, at, by }: Visit, lines: TrueLines): Asked => ({
  kind,
  main,
  spool,
  lines,
  at,
  by,
  under: UNDER,
  run: id,
  seed: SEED + id,
});

function visitsOf(dice: Dice): number[] {
  const times = 1 + Number(dice.next() < 0.65) + Number(dice.next() < 0.3);
  return Array.from({ length: times }, () => {
    let daysAgo = dice.whole(LAST, FIRST);
    while (inWinter(daysAgo)) daysAgo = dice.whole(LAST, FIRST);
    return daysAgo;
  });
}

/** Measured from today, which is taken for autumn's end whatever day it is: the demo's dates are relative. */
const inWinter = (daysAgo: number): boolean => {
  const day = ((-daysAgo % 365) + 365) % 365;
  return day > WINTER.from || day < WINTER.to ? daysAgo % 9 !== 0 : false;
};

/** A customer comes on few days, with several reels at once. */
const dayOfCustomer = (daysAgo: number, customer: number): number =>
  Math.max(LAST, daysAgo - ((daysAgo + customer * 7) % 24));
