import type { Fill, FillLayer } from '@yard-spool/contract';
import type { FillLayerRow, FillRow } from '../db/models/runs';
import type { Reading } from '../context/context';
import { peopleNames } from '../people/people';
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
  const { tables } = from;
  const ids = rows.map(({ id }) => id);
  const [runs, spools, names, layers, comebacks, versions] = await Promise.all([
    tables.runs.findAll({ where: { id: rows.map(({ runId }) => runId) } }),
    tables.spools.findAll({ where: { id: rows.map(({ spoolId }) => spoolId) } }),
    peopleNames(from),
    layersOfFills(from, ids),
    comebacksOf(from, ids),
    tables.runEvents.findAll({
      where: { runId: rows.map(({ runId }) => runId), kind: 'corrected' },
      attributes: ['runId'],
    }),
  ]);
  const jobs = await tables.jobs.findAll({
    where: { id: runs.map(({ jobId }) => jobId) },
    attributes: ['id', 'bagId'],
  });
  const pieces = await piecesOf(from, layers);
  return rows.map((row) => {
    const run = runs.find(({ id }) => id === row.runId);
    const job = jobs.find(({ id }) => id === run?.jobId);
    if (!run || !job) throw new Error(`Fill ${String(row.id)} has no run.`);
    return {
      id: row.id,
      runId: row.runId,
      bagNumber: job.bagId,
      spoolName: spools.find(({ id }) => id === row.spoolId)?.name ?? '',
      closedAt: row.closedAt.toISOString(),
      by: names.get(row.byId) ?? '',
      gapRead: row.gapRead === null ? null : Number(row.gapRead),
      gapByCount: row.gapByCount,
      spool: row.spool,
      under: run.madeUnder,
      layers: layers.filter(({ fillId }) => fillId === row.id).map((layer) => toLayer(layer, pieces)),
      laid: row.laid,
      counter: row.counter,
      corrections: versions.filter(({ runId }) => runId === row.runId).length,
      comebacks: comebacks.filter(({ fillId }) => fillId === row.id),
    };
  });
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

const toLayer = (row: FillLayerRow, pieces: ReadonlyMap<number, PieceOf>): FillLayer => ({
  id: row.layer,
  role: row.role,
  line: row.line,
  lineName: row.lineName,
  tint: row.tint,
  ...(pieces.get(row.pieceId ?? 0) ?? OFF_NO_PIECE),
  lengthMm: row.lengthMm,
  handleTurns: row.handleTurns,
  likelyMm: [row.likelyLowMm ?? row.lengthMm, row.likelyHighMm ?? row.lengthMm],
  restsOn: row.restsOn ?? [],
  innerRadius: row.innerRadius,
  outerRadius: row.outerRadius,
});
