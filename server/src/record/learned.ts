import { REEL_OF_FILL } from '../db/joins';
import {
  type ClosedFill,
  kindFillsAsObservations,
  kindKey,
  type Observation,
  type ReelType,
} from '@yard-spool/core';
import type { Reading } from '../context/context';

/** Fills that are looked back at: older ones were of another maker's line, or another hand's tension. */
const LOOK_BACK = 6;

/** Observations taken from a spool's fills at most: with what is typed beside them they have to fit a plan's input. */
const MOST_OF_A_SPOOL = 36;

/** What the closed fills of one spool say of it: depths read and packs used up then, newest fill first. */
export async function learnedOfSpool({ tables }: Reading, spoolId: number): Promise<Observation[]> {
  const fills = await tables.fills.findAll({
    where: { spoolId, takenBackAt: null },
    order: [['id', 'DESC']],
    limit: LOOK_BACK,
  });
  return fills.flatMap(({ depths }) => depths).slice(0, MOST_OF_A_SPOOL);
}

interface KindFill {
  readonly type: ReelType;
  readonly label: string;
  readonly depths: Observation[];
}

/** What the closed fills of each kind of reel say of another of that kind, by type and name. */
export async function learnedByKind({ query }: Reading): Promise<Map<string, Observation[]>> {
  const rows = await query<KindFill>(
    `SELECT STRAIGHT_JOIN reels.type, reels.label, fills.depths FROM fills
     ${REEL_OF_FILL}
     WHERE fills.measured = 1 ORDER BY fills.id DESC LIMIT 2000`,
  );
  const fillsOf = new Map<string, ClosedFill[]>();
  for (const { type, label, depths } of rows) {
    const key = kindKey({ type, label });
    const fills = fillsOf.get(key) ?? [];
    const last = depths.findLast((one) => one.kind === 'depth');
    if (last && fills.length < LOOK_BACK) fills.push({ layers: last.layers, gap: last.depth, by: last.by });
    fillsOf.set(key, fills);
  }
  return new Map([...fillsOf].map(([key, fills]) => [key, kindFillsAsObservations(fills)]));
}
