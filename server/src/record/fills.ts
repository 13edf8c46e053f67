import type { Fill, FillLayer } from '@yard-spool/contract';
import type { FillLayerRow, FillRow } from '../db/models/runs';
import type { Reading } from '../context/context';
import { parsed } from '../db/parsed';
import { peopleNames } from '../people/people';
import { DRIES_IN } from '../rack/water';
import { ProblemError } from '../problem-error';
import { comebacksOf } from './comebacks';
import { layersOfFills } from './on-spool';

/** Some fills with their layers, arbor first, by their numbers. */
export async function fillsOf(from: Reading, ids: readonly number[]): Promise<Fill[]> {
  if (ids.length === 0) return [];
  return toFills(from, await from.tables.fills.findAll({ where: { id: [...ids] }, order: ['id'] }));
}

/** One fill with its layers, arbor first. */
export async function readFill(from: Reading, id: number): Promise<Fill> {
  const [fill] = await fillsOf(from, [id]);
  if (!fill) throw new ProblemError('not-found', 'There is no such fill.');
  return fill;
}

/** All fills of a spool, newest first. */
export async function fillsOfSpools(from: Reading, spoolIds: readonly number[]): Promise<Fill[]> {
  const rows = await from.tables.fills.findAll({
    where: { spoolId: [...spoolIds], takenBackAt: null },
    order: [
      ['closedAt', 'DESC'],
      ['id', 'DESC'],
    ],
  });
  return toFills(from, rows);
}

/** Fills as they are told, with one question to each table however many there are. */
async function toFills(from: Reading, rows: readonly FillRow[]): Promise<Fill[]> {
  if (rows.length === 0) return [];
  const ids = rows.map(({ id }) => id);
  const [runs, names, layers, comebacks] = await Promise.all([
    runsOfFills(from, ids),
    peopleNames(from),
    layersOfFills(from, ids),
    comebacksOf(from, ids),
  ]);
  const [pieces, wet] = await Promise.all([piecesOf(from, layers), woundWet(from, ids)]);
  return rows.map((row) => {
    const run = runs.get(row.id);
    if (!run) throw new Error(`Fill ${String(row.id)} has no run.`);
    return {
      id: row.id,
      runId: row.runId,
      bagNumber: run.bagNumber,
      spoolName: run.spoolName,
      closedAt: row.closedAt.toISOString(),
      by: names.get(row.byId) ?? '',
      gapRead: row.gapRead === null ? null : Number(row.gapRead),
      gapByCount: row.gapByCount,
      spool: row.spool,
      under: parsed(run.under),
      layers: layers
        .filter(({ fillId }) => fillId === row.id)
        .map((layer) => toLayer(layer, pieces, wet.has(layer.id))),
      laid: row.laid,
      counter: row.counter,
      corrections: run.corrections,
      comebacks: comebacks.filter(({ fillId }) => fillId === row.id),
    };
  });
}

interface RunOfFill {
  readonly fillId: number;
  readonly bagNumber: number;
  readonly spoolName: string;
  readonly under: Fill['under'];
  readonly corrections: number;
}

/** The run of each fill: its bag, its spool, what it was filled under, and how often it was corrected since. */
async function runsOfFills(
  { query }: Reading,
  ids: readonly number[],
): Promise<ReadonlyMap<number, RunOfFill>> {
  const rows = await query<RunOfFill>(
    `SELECT fills.id AS fillId, jobs.bag_id AS bagNumber, spools.name AS spoolName, runs.made_under AS under,
       (SELECT COUNT(*) FROM run_events WHERE run_events.run_id = runs.id AND run_events.kind = 'corrected')
         AS corrections
     FROM fills JOIN runs ON runs.id = fills.run_id JOIN jobs ON jobs.id = runs.job_id
       JOIN spools ON spools.id = fills.spool_id
     WHERE fills.id IN (:ids)`,
    { ids },
  );
  return new Map(rows.map((row) => [row.fillId, row]));
}

type PieceOf = Pick<FillLayer, 'pieceCode' | 'pieceKind' | 'lot'>;
const OFF_NO_PIECE: PieceOf = { pieceCode: null, pieceKind: null, lot: '' };

async function piecesOf({ tables }: Reading, layers: readonly FillLayerRow[]): Promise<Map<number, PieceOf>> {
  const ids = [...new Set(layers.flatMap(({ pieceId }) => pieceId ?? []))];
  if (ids.length === 0) return new Map();
  const pieces = await tables.pieces.findAll({
    where: { id: ids },
    attributes: ['id', 'code', 'kind', 'lot'],
  });
  return new Map(pieces.map(({ id, code, kind, lot }) => [id, { pieceCode: code, pieceKind: kind, lot }]));
}

/** Layers of fills whose piece was in the water while it was wound, or was still wet from it. */
async function woundWet({ query }: Reading, ids: readonly number[]): Promise<ReadonlySet<number>> {
  const rows = await query<{ id: number }>(
    `SELECT fill_layers.id FROM fill_layers JOIN fills ON fills.id = fill_layers.fill_id
       JOIN runs ON runs.id = fills.run_id
     WHERE fills.id IN (:ids) AND EXISTS (SELECT 1 FROM soaks WHERE soaks.piece_id = fill_layers.piece_id
       AND soaks.in_at <= fills.closed_at
       AND (soaks.out_at IS NULL OR soaks.out_at > runs.opened_at - INTERVAL :dries HOUR))`,
    { ids, dries: DRIES_IN },
  );
  return new Set(rows.map(({ id }) => id));
}

const toLayer = (row: FillLayerRow, pieces: ReadonlyMap<number, PieceOf>, wet: boolean): FillLayer => ({
  id: row.layer,
  role: row.role,
  line: row.line,
  lineName: row.lineName,
  tint: row.tint,
  ...(pieces.get(row.pieceId ?? 0) ?? OFF_NO_PIECE),
  wet,
  lengthMm: row.lengthMm,
  handleTurns: row.handleTurns,
  likelyMm: [row.likelyLowMm ?? row.lengthMm, row.likelyHighMm ?? row.lengthMm],
  restsOn: row.restsOn ?? [],
  innerRadius: row.innerRadius,
  outerRadius: row.outerRadius,
});
