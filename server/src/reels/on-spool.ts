import { reverseAdvice, USUAL_PLAN_RULES, type Wear } from '@yard-spool/core';
import type { OnSpool } from '@yard-spool/contract';
import type { SpoolRow } from '../db/models/customers';
import type { FillLayerRow, FillRow } from '../db/models/runs';
import type { Reading } from '../context';
import type { Unit } from '../unit';
import { drawingOfFill } from './drawings';
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
  const outer = new Map((await layersOfFills(u, ids)).map((layer) => [layer.fillId, layer]));
  const marks = await tables.fillMarks.findAll({ where: { fillId: ids }, order: ['id'] });
  for (const spool of spools) {
    const fill = last.get(spool.id);
    const line = fill && outer.get(fill.id)?.line;
    const dates = line
      ? whenDue(
          line,
          fill.closedAt,
          marks.filter(({ fillId }) => fillId === fill.id),
        )
      : NOT_DUE;
    await tables.spools.change(spool, { fillId: fill?.id ?? null, ...dates });
  }
}

/** What lies on spools now, by their numbers; those with nothing on them are not in it. */
export async function whatIsOn(
  from: Reading,
  spools: readonly SpoolRow[],
  schoolOf: (spool: SpoolRow) => ServiceSchool,
): Promise<Map<number, OnSpool>> {
  const ids = spools.flatMap(({ fillId }) => fillId ?? []);
  if (ids.length === 0) return new Map();
  const [fills, layers] = await Promise.all([
    from.tables.fills.findAll({
      where: { id: ids },
      attributes: ['id', 'spool', 'closedAt', 'gapRead', 'gapByCount'],
    }),
    layersOfFills(from, ids),
  ]);
  const kinds = await pieceKinds(from, layers);
  const now = from.clock();
  const fillOf = new Map(fills.map((fill) => [fill.id, fill]));
  const layersOf = new Map<number, FillLayerRow[]>();
  for (const layer of layers) layersOf.set(layer.fillId, [...(layersOf.get(layer.fillId) ?? []), layer]);
  return new Map(
    spools.flatMap((spool): [number, OnSpool][] => {
      const fill = fillOf.get(spool.fillId ?? 0);
      if (!fill) return [];
      const own = layersOf.get(fill.id) ?? [];
      const drawing = drawingOfFill(fill.spool, own, kinds);
      return [
        [spool.id, { ...lying(fill, own), drawing, ...dueOf(spool, fill, own.at(-1), schoolOf(spool), now) }],
      ];
    }),
  );
}

const lying = (fill: FillRow, layers: readonly FillLayerRow[]) => ({
  fillId: fill.id,
  filledAt: fill.closedAt.toISOString(),
  lines: layers.map(({ role, lineName, lengthMm }) => ({ role, name: lineName, lengthMm })),
  gap: fill.gapRead === null ? fill.gapByCount : Number(fill.gapRead),
});

/** When what lies on a spool is due by a school, and whether it is worth turning end for end then. */
function dueOf(
  spool: SpoolRow,
  { closedAt }: FillRow,
  outer: FillLayerRow | undefined,
  school: ServiceSchool,
  now: Date,
): Pick<OnSpool, 'trips' | 'reversedAt' | 'dueAt' | 'by' | 'toldAt' | 'reverse'> {
  const { trips, reversedAt, wornAt, toldAt } = spool;
  const due = dueBy(spool, school);
  const byTrips = school === 'by-trips' || (due !== null && wornAt?.getTime() === due.getTime());
  return {
    trips,
    reversedAt: reversedAt?.toISOString() ?? null,
    dueAt: due?.toISOString() ?? null,
    by: byTrips ? 'trips' : 'months',
    toldAt: toldAt?.toISOString() ?? null,
    reverse: outer
      ? reverseWords(outer, { months: monthsBetween(reversedAt ?? closedAt, now), trips: trips ?? 0 }, school)
      : '',
  };
}

/** Why it is worth turning end for end now; empty where it is not. */
function reverseWords({ line, lengthMm }: FillLayerRow, wear: Wear, service: ServiceSchool): string {
  const fished = USUAL_PLAN_RULES.longCast;
  const { worth, sentence } = reverseAdvice(line, { length: lengthMm / 1000, fished }, wear, { service });
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
