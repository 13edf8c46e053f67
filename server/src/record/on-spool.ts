import { lengthOn, reverseAdvice, topLine, USUAL_PLAN_RULES, type Wear, type Words } from '@yard-spool/core';
import type { OnSpool } from '@yard-spool/contract';
import type { SpoolRow } from '../db/models/customers';
import type { FillLayerRow, FillRow } from '../db/models/runs';
import type { Reading, Unit } from '../context/context';
import { drawingOfFill } from './drawings';
import { stillOn, type LyingLayer } from './lying';
import { dueBy, monthsBetween, NOT_DUE, whenDue, type ServiceSchool } from './when-due';

/** Layers of a fill as they lie, arbor first. */
export const layersOfFills = (from: Reading, fillIds: readonly number[]): Promise<FillLayerRow[]> =>
  from.tables.fillLayers.findAll({ where: { fillId: [...fillIds] }, order: ['fillId', 'position'] });

/**
 * Works out what lies on spools now and when it is due, from their last fills and what was told of those since. To be
 * called whenever a fill comes, goes or is told of.
 */
export async function noteWhatIsOn(u: Unit, ...spoolIds: readonly number[]): Promise<void> {
  const { tables } = u;
  const spools = await tables.spools.lockAll({ where: { id: [...spoolIds] }, order: ['id'] });
  const fills = await tables.fills.findAll({
    where: { spoolId: [...spoolIds], takenBackAt: null },
    order: ['closedAt', 'id'],
  });
  const last = new Map(fills.map((fill) => [fill.spoolId, fill]));
  const ids = [...last.values()].map(({ id }) => id);
  const layersOf = byFill(await layersOfFills(u, ids));
  const marks = await tables.fillMarks.findAll({ where: { fillId: ids }, order: ['id'] });
  for (const spool of spools) {
    const fill = last.get(spool.id);
    const own = marks.filter(({ fillId }) => fillId === fill?.id);
    const offMm = own.findLast(({ kind }) => kind === 'off')?.offMm ?? 0;
    const left = stillOn(layersOf.get(fill?.id ?? 0) ?? [], offMm);
    const top = left.at(-1);
    // With nothing left on it, a spool is as bare as one that was never filled.
    const lies = fill && top ? { fillId: fill.id, offMm } : { fillId: null, offMm: 0 };
    const dates =
      fill && top ? whenDue(top.line, fill.lineSince ?? fill.closedAt, own, tooShort(left)) : NOT_DUE;
    await tables.spools.change(spool, { ...lies, ...dates });
  }
}

/** Layers of some fills, by the fill’s number. */
export const byFill = (layers: readonly FillLayerRow[]): Map<number, FillLayerRow[]> => {
  const layersOf = new Map<number, FillLayerRow[]>();
  for (const layer of layers) layersOf.set(layer.fillId, [...(layersOf.get(layer.fillId) ?? []), layer]);
  return layersOf;
};

/** Whether line that is gone left too little to fish: less than a cast and a half of what is on top. */
const tooShort = (left: readonly LyingLayer[]): boolean =>
  lengthOn(topLine(left)) < 1.5 * USUAL_PLAN_RULES.longCast;

/** What lies on spools now, by their numbers; those with nothing on them are not in it. */
export async function whatIsOn(
  from: Reading,
  spools: readonly SpoolRow[],
  schoolOf: (spool: SpoolRow) => ServiceSchool,
): Promise<Map<number, OnSpool>> {
  const ids = spools.flatMap(({ fillId }) => fillId ?? []);
  if (ids.length === 0) return new Map();
  const [rows, layers] = await Promise.all([
    from.tables.fills.findAll({
      where: { id: ids },
      attributes: ['id', 'spool', 'closedAt', 'lineSince', 'gapRead', 'gapByCount'],
    }),
    layersOfFills(from, ids),
  ]);
  const kinds = await pieceKinds(from, layers);
  return whatLies(spools, { rows, layers, kinds }, schoolOf, from.clock());
}

/** Fills as their rows have them. */
export interface FillRows {
  readonly rows: readonly FillRow[];
  /** Arbor first. */
  readonly layers: readonly FillLayerRow[];
  /** Kinds of the pieces they came off. */
  readonly kinds: ReadonlyMap<number, string>;
}

/** The same, from fills that were read already. */
export function whatLies(
  spools: readonly SpoolRow[],
  { rows, layers, kinds }: FillRows,
  schoolOf: (spool: SpoolRow) => ServiceSchool,
  now: Date,
): Map<number, OnSpool> {
  const fillOf = new Map(rows.map((fill) => [fill.id, fill]));
  const layersOf = byFill(layers);
  return new Map(
    spools.flatMap((spool): [number, OnSpool][] => {
      const fill = fillOf.get(spool.fillId ?? 0);
      if (!fill) return [];
      const own = stillOn(layersOf.get(fill.id) ?? [], spool.offMm);
      const drawing = drawingOfFill(fill.spool, own, kinds);
      const lies = lying(fill, own, spool.offMm);
      return [[spool.id, { ...lies, drawing, ...dueOf(spool, fill, own.at(-1), schoolOf(spool), now) }]];
    }),
  );
}

const lying = (fill: FillRow, layers: readonly LyingLayer[], offMm: number) => ({
  fillId: fill.id,
  filledAt: fill.closedAt.toISOString(),
  offMm,
  lines: layers.map(({ role, lineName, length }) => ({
    role,
    name: lineName,
    lengthMm: Math.round(1000 * length),
  })),
  gap: gapNow(fill, layers, offMm),
});

/** Gap below the lip now: as it was read or counted, and deeper by what is gone. */
function gapNow(
  { gapRead, gapByCount, spool }: FillRow,
  layers: readonly LyingLayer[],
  offMm: number,
): number {
  const then = gapRead === null ? gapByCount : Number(gapRead);
  const top = layers.at(-1);
  return offMm === 0 || !top ? then : then + Math.max(0, spool.lipRadius - top.outerRadius - gapByCount);
}

/** When what lies on a spool is due by a school, and whether it is worth turning end for end then. */
function dueOf(
  spool: SpoolRow,
  { closedAt, lineSince }: FillRow,
  outer: LyingLayer | undefined,
  school: ServiceSchool,
  now: Date,
): Pick<OnSpool, 'trips' | 'reversedAt' | 'dueAt' | 'by' | 'toldAt' | 'reverse'> {
  const { trips, reversedAt, wornAt, toldAt } = spool;
  const due = dueBy(spool, school);
  const isAt = (other: Date | null): boolean => due !== null && other?.getTime() === due.getTime();
  const byTrips = school === 'by-trips' || isAt(wornAt);
  const short = isAt(spool.shortAt);
  return {
    trips,
    reversedAt: reversedAt?.toISOString() ?? null,
    dueAt: due?.toISOString() ?? null,
    by: short ? 'loss' : byTrips ? 'trips' : 'months',
    toldAt: toldAt?.toISOString() ?? null,
    reverse: outer
      ? reverseWords(
          outer,
          { months: monthsBetween(reversedAt ?? lineSince ?? closedAt, now), trips: trips ?? 0 },
          school,
        )
      : '',
  };
}

/** Why it is worth turning end for end now; empty where it is not. */
function reverseWords({ line, length }: LyingLayer, wear: Wear, service: ServiceSchool): Words {
  const fished = USUAL_PLAN_RULES.longCast;
  const { worth, sentence } = reverseAdvice(line, { length, fished }, wear, { service });
  return worth ? sentence : '';
}

/** Kinds of the pieces that layers came off, by piece. */
export async function pieceKinds(
  { tables }: Reading,
  layers: readonly Pick<FillLayerRow, 'pieceId'>[],
): Promise<Map<number, string>> {
  const ids = [...new Set(layers.flatMap(({ pieceId }) => pieceId ?? []))];
  if (ids.length === 0) return new Map();
  const pieces = await tables.pieces.findAll({ where: { id: ids }, attributes: ['id', 'kind'] });
  return new Map(pieces.map(({ id, kind }) => [id, kind]));
}
