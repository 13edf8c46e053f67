import { kindKey } from '@yard-spool/core';
import { DEMO_LINES, type LineCode } from '../lines';
import { DEMO_PEOPLE } from '../people';
import { Dice } from './dice';
import { SEASON_KINDS } from './kinds';
import { allReels, allVisits, askedOf, type Dated, type SeasonReel } from './past-fills';
import { simulateFill, type Asked, type PastFill } from './simulate';

const SEED = 20_260;

/** Two seasons as they were simulated, before they are written. */
export interface Seasons {
  /** How much thicker than printed each line truly winds, and how tight line truly lies on each kind. */
  readonly lines: ReadonlyMap<LineCode, number>;
  readonly kinds: ReadonlyMap<string, number>;
  readonly reels: readonly SeasonReel[];
  readonly fills: readonly Dated[];
  readonly today: Date;
  readonly dice: Dice;
}

/** Simulates fills, each by itself, in their order; null for one that could not be planned. */
export type Simulate = (asked: readonly Asked[]) => Promise<readonly (PastFill | null)[]>;

const here: Simulate = (asked) => Promise.resolve(asked.map(simulateFill));

/** Draws a hidden truth of lines, kinds and spools, and simulates what was filled in two seasons before a day. */
export async function makeSeasons(today: Date, simulate: Simulate = here): Promise<Seasons> {
  const dice = new Dice(SEED);
  const lines = new Map<LineCode, number>(
    DEMO_LINES.map(({ code, material }) => [
      code,
      material === 'braid' || material === 'hollow-braid' ? dice.about(1.15, 0.08) : dice.about(1, 0.025),
    ]),
  );
  const kinds = new Map(SEASON_KINDS.map((kind) => [kindKey(kind), dice.about(0.7, 0.05)]));
  const reels = allReels(dice, kinds);
  const [, ...technicians] = DEMO_PEOPLE.map(({ name }) => name);
  const [first = '', ...others] = technicians;
  const visits = allVisits(dice, reels, { today, people: [first, ...others] });
  const filled = await simulate(visits.map((visit) => askedOf(visit, lines)));
  const fills = visits.flatMap((visit, i): Dated[] => {
    const fill = filled[i];
    return fill ? [{ ...fill, ...visit }] : [];
  });
  return { lines, kinds, reels, fills, today, dice };
}
