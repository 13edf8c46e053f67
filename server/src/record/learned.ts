import { REEL_OF_FILL } from '../db/joins';
import {
  type ClosedFill,
  kindFillsAsObservations,
  kindKey,
  type Observation,
  type ReelType,
} from '@yard-spool/core';
import type { FillRow } from '../db/models/runs';
import type { Reading } from '../context/context';
import { heldAnswer } from '../context/held-answer';
import { newestOf } from '../context/newest-of';

/** Fills that are looked back at: older ones were of another maker's line, or another hand's tension. */
const LOOK_BACK = 6;

/** Observations taken from a spool's fills at most: with what is typed beside them they have to fit a plan's input. */
const MOST_OF_A_SPOOL = 36;

/** What the closed fills of spools say of each: depths read and packs used up then, newest fill first, by the spool’s number. */
export async function learnedOfSpools(
  { tables }: Reading,
  spoolIds: readonly number[],
): Promise<ReadonlyMap<number, readonly Observation[]>> {
  const fills = await tables.fills.findAll({
    where: { spoolId: [...spoolIds], takenBackAt: null },
    attributes: ['spoolId', 'depths'],
    ...newestOf('spool_id'),
  });
  return learnedFrom(fills, spoolIds);
}

/** The same, from fills that were read already, newest first. */
export function learnedFrom(
  fills: readonly Pick<FillRow, 'spoolId' | 'depths'>[],
  spoolIds: readonly number[],
): ReadonlyMap<number, readonly Observation[]> {
  return new Map(
    spoolIds.map((id) => {
      const last = fills.filter(({ spoolId }) => spoolId === id).slice(0, LOOK_BACK);
      return [id, last.flatMap(({ depths }) => depths).slice(0, MOST_OF_A_SPOOL)];
    }),
  );
}

interface KindFill {
  readonly type: ReelType;
  readonly label: string;
  readonly depths: Observation[];
}

type LearnedByKind = ReadonlyMap<string, Observation[]>;

const KINDS = heldAnswer(readKinds);

/** What fills say of their kinds is read again when it is next asked for. */
export const forgetKinds = KINDS.forget;

/**
 * What the closed fills of each kind of reel say of another of that kind, by type and name. Every booking asks for it, so
 * it is read once and again after a fill.
 */
export const learnedByKind = KINDS.ask;

async function readKinds({ query }: Reading): Promise<LearnedByKind> {
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
