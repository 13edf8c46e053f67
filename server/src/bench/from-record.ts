import type { Unit } from '../context/context';
import {
  innermost,
  lengthOn,
  outermost,
  topLine,
  type RunFacts,
  type RunState,
  type WoundLayer,
} from '@yard-spool/core';
import type { SpoolRow } from '../db/models/customers';
import { lyingOn, type LyingLayer } from '../record/lying';
import { noteWhatIsOn } from '../record/on-spool';

/** What lay on a reel's spools before a run: old line that stays on, or is turned, is what it was. */
export interface Before {
  /** On the spool that was filled, arbor first. */
  readonly own: readonly LyingLayer[];
  /** The spool that gave its line to be turned end for end: the same, or the reel's other one. */
  readonly giver: { readonly spool: SpoolRow; readonly lies: readonly LyingLayer[] } | null;
  /** Since when line that stays on lies there, and the trips it has had; null where nothing is on record, or it does not. */
  readonly use: (Pick<SpoolRow, 'trips' | 'wornAt'> & { readonly since: Date }) | null;
}

/** What lies on the spools of a reel, before its new fill is written. */
export async function lyingBefore(
  u: Unit,
  spoolId: number,
  facts: RunFacts,
  state: Pick<RunState, 'supplies'>,
): Promise<Before> {
  const own = await u.tables.spools.lock(spoolId);
  const lies = await lyingOn(u, own);
  const turned = facts.request.layers.find(({ id }) => state.supplies[id]?.way === 'reverse');
  const use = facts.counterOnly ? await useOf(u, own) : null;
  if (!own || turned?.kind !== 'line') return { own: lies, giver: null, use };
  const others = await u.tables.spools.lockAll({ where: { reelId: own.reelId }, order: ['id'] });
  const spools = [...others.filter(({ id }) => id !== own.id), own];
  const gives: NonNullable<Before['giver']>[] = [];
  for (const spool of spools) {
    const on = spool.id === own.id ? lies : await lyingOn(u, spool);
    if (on.length > 0) gives.push({ spool, lies: on });
  }
  // The one with that very line on top, else the other spool: that is what it was turned off.
  const same = gives.find(({ lies: on }) => on.at(-1)?.line.key === turned.line.key);
  return { own: lies, giver: same ?? gives[0] ?? null, use };
}

/** How long line lies on a spool by now, and how often it was fished. */
async function useOf({ tables }: Unit, spool: SpoolRow | null): Promise<Before['use']> {
  const fill = spool?.fillId == null ? null : await tables.fills.findByPk(spool.fillId);
  if (!spool || !fill) return null;
  const { trips, wornAt, reversedAt } = spool;
  return { since: reversedAt ?? fill.lineSince ?? fill.closedAt, trips, wornAt };
}

/** A matched counter makes no line newer: the trips it has had go on to its new fill. */
export async function noteUse(u: Unit, fillId: number, { use }: Before): Promise<void> {
  if (use?.trips == null) return;
  const mark = { fillId, kind: 'trips', trips: use.trips } as const;
  await u.tables.fillMarks.create({ ...mark, at: use.wornAt ?? u.clock(), byId: u.actor.id });
}

/** A stretch of old line as it is written again: whose it was, and how much of it. */
export type OldStretch = LyingLayer;

/** Stretches laid end to end between two radii, each with the share of the room that its length is. */
function between(stretches: readonly LyingLayer[], lay: WoundLayer): OldStretch[] {
  const recorded = lengthOn(stretches);
  let from = lay.innerRadius;
  let done = 0;
  return stretches.map((stretch) => {
    const share = recorded > 0 ? stretch.length / recorded : 0;
    done += share;
    const outer = Math.sqrt(lay.innerRadius ** 2 + done * (lay.outerRadius ** 2 - lay.innerRadius ** 2));
    const put = {
      ...stretch,
      length: share * lay.length,
      innerRadius: from,
      outerRadius: Math.min(outer, lay.outerRadius),
    };
    from = outer;
    return put;
  });
}

/**
 * Old line that stayed on, as the record has it: the innermost metres of what lay there, each line with its piece and lot.
 * Nothing where nothing is on record.
 *
 * @param below metres of old line that stay below this layer
 */
export const keptStretches = ({ own }: Before, lay: WoundLayer, below: number): OldStretch[] => {
  const upTo = innermost(own, below + lay.length);
  const skipped = lengthOn(innermost(own, below));
  return between(outermostOf(upTo, lengthOn(upTo) - skipped), lay);
};

const outermostOf = (layers: readonly LyingLayer[], metres: number): LyingLayer[] =>
  outermost(layers, metres).reverse();

/** Line that was turned end for end: what was outermost lies innermost now. Nothing where nothing is on record. */
export function turnedStretches({ giver }: Before, lay: WoundLayer): OldStretch[] {
  if (!giver) return [];
  return between(outermost(topLine(giver.lies), lay.length), lay);
}

/** The line on top as it stayed on, without what came off it. Nothing where nothing is on record. */
export function stayedStretches({ own }: Before, lay: WoundLayer): OldStretch[] {
  return between(innermost(topLine(own), lay.length), lay);
}

/** What another spool gave is not on it any more. */
export async function noteGiven(u: Unit, spoolId: number, { giver }: Before, metres: number): Promise<void> {
  if (!giver || giver.spool.id === spoolId || giver.spool.fillId === null || metres <= 0) return;
  const { fillId, offMm } = giver.spool;
  const gone = offMm + Math.min(Math.round(1000 * metres), Math.round(1000 * lengthOn(topLine(giver.lies))));
  await u.tables.fillMarks.create({
    fillId,
    kind: 'off',
    offMm: gone,
    why: 'turned end for end on to the other spool',
    at: u.clock(),
    byId: u.actor.id,
  });
  await noteWhatIsOn(u, giver.spool.id);
}
