import type { Fill, FillLayer } from '@yard-spool/contract';
import type { FillLayerRow, FillRow } from '../db/models/runs';
import type { Reading } from '../context/context';
import { parsed } from '../db/parsed';
import { peopleNames } from '../people/people';
import { DRIES_IN } from '../rack/water';
import { ProblemError } from '../problem-error';
import { comebacksOf } from './comebacks';
import { layersOfFills, type FillRows } from './on-spool';

/** Some fills with their layers, arbor first, by their numbers. */
export async function fillsOf(from: Reading, ids: readonly number[]): Promise<Fill[]> {
  if (ids.length === 0) return [];
  return (await toFills(from, await from.tables.fills.findAll({ where: { id: [...ids] }, order: ['id'] })))
    .fills;
}

/** One fill with its layers, arbor first. */
export async function readFill(from: Reading, id: number): Promise<Fill> {
  const [fill] = await fillsOf(from, [id]);
  if (!fill) throw new ProblemError('not-found', 'There is no such fill.');
  return fill;
}

/** Fills as they are told, and what they were read from: who needs more of them reads it there. */
interface FillsRead extends FillRows {
  readonly fills: Fill[];
}

/** All fills of spools, newest first. */
export async function fillsOfSpools(from: Reading, spoolIds: readonly number[]): Promise<FillsRead> {
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
async function toFills(from: Reading, rows: readonly FillRow[]): Promise<FillsRead> {
  if (rows.length === 0) return { fills: [], rows, layers: [], kinds: new Map() };
  const ids = rows.map(({ id }) => id);
  const [runs, names, layers, pieces, comebacks] = await Promise.all([
    runsOfFills(from, ids),
    peopleNames(from),
    layersOfFills(from, ids),
    piecesOfFills(from, ids),
    comebacksOf(from, ids),
  ]);
  const fills = rows.map((row): Fill => {
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
        .map((layer) => toLayer(layer, pieces.get(layer.id) ?? OFF_NO_PIECE)),
      laid: row.laid,
      counter: row.counter,
      corrections: run.corrections,
      comebacks: comebacks.filter(({ fillId }) => fillId === row.id),
    };
  });
  const kinds = new Map([...pieces.values()].map(({ pieceId, pieceKind }) => [pieceId, pieceKind]));
  return { fills, rows, layers, kinds };
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

type PieceOf = Pick<FillLayer, 'pieceCode' | 'pieceKind' | 'lot' | 'wet'>;
const OFF_NO_PIECE: PieceOf = { pieceCode: null, pieceKind: null, lot: '', wet: false };

interface PieceRow {
  readonly layerId: number;
  readonly pieceId: number;
  readonly pieceCode: string;
  readonly pieceKind: NonNullable<FillLayer['pieceKind']>;
  readonly lot: string;
  readonly wet: boolean;
}

/** What each layer of fills came off, by the layer; wet where that was in the water then, or came out within a day before. */
async function piecesOfFills(
  { query }: Reading,
  ids: readonly number[],
): Promise<ReadonlyMap<number, PieceRow>> {
  const rows = await query<Omit<PieceRow, 'wet'> & { readonly wet: number }>(
    `SELECT fill_layers.id AS layerId, pieces.id AS pieceId, pieces.code AS pieceCode, pieces.kind AS pieceKind,
       pieces.lot, EXISTS (SELECT 1 FROM soaks WHERE soaks.piece_id = pieces.id AND soaks.in_at <= fills.closed_at
         AND (soaks.out_at IS NULL OR soaks.out_at > runs.opened_at - INTERVAL :dries HOUR)) AS wet
     FROM fills JOIN runs ON runs.id = fills.run_id JOIN fill_layers ON fill_layers.fill_id = fills.id
       JOIN pieces ON pieces.id = fill_layers.piece_id
     WHERE fills.id IN (:ids)`,
    { ids, dries: DRIES_IN },
  );
  return new Map(rows.map((row) => [row.layerId, { ...row, wet: row.wet === 1 }]));
}

const toLayer = (row: FillLayerRow, { pieceCode, pieceKind, lot, wet }: PieceOf): FillLayer => ({
  id: row.layer,
  role: row.role,
  line: row.line,
  lineName: row.lineName,
  tint: row.tint,
  pieceCode,
  pieceKind,
  lot,
  wet,
  lengthMm: row.lengthMm,
  handleTurns: row.handleTurns,
  likelyMm: [row.likelyLowMm ?? row.lengthMm, row.likelyHighMm ?? row.lengthMm],
  restsOn: row.restsOn ?? [],
  innerRadius: row.innerRadius,
  outerRadius: row.outerRadius,
});
