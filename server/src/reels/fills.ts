import type { Fill, FillLayer } from '@yard-spool/contract';
import type { FillRow } from '../db/models/runs';
import type { Reading } from '../context';
import { ProblemError } from '../problem-error';

/** One fill with its layers, arbor first. */
export async function readFill(from: Reading, id: number): Promise<Fill> {
  const row = await from.tables.fills.findByPk(id);
  if (!row) throw new ProblemError('not-found', 'There is no such fill.');
  return toFill(from, row);
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
  return Promise.all(rows.map((row) => toFill(from, row)));
}

async function toFill(from: Reading, row: FillRow): Promise<Fill> {
  const { tables } = from;
  const [run, person] = await Promise.all([
    tables.runs.findByPk(row.runId),
    tables.people.findByPk(row.byId),
  ]);
  const job = run && (await tables.jobs.findByPk(run.jobId));
  if (!job) throw new Error(`Fill ${String(row.id)} has no run.`);
  return {
    id: row.id,
    runId: row.runId,
    bagNumber: job.bagId,
    closedAt: row.closedAt.toISOString(),
    by: person?.name ?? '',
    gapRead: row.gapRead === null ? null : Number(row.gapRead),
    gapByCount: row.gapByCount,
    spool: row.spool,
    under: run.madeUnder,
    layers: await layersOf(from, row.id),
    counter: row.counter,
  };
}

async function layersOf({ tables }: Reading, fillId: number): Promise<FillLayer[]> {
  const rows = await tables.fillLayers.findAll({ where: { fillId }, order: ['position'] });
  return Promise.all(
    rows.map(
      async ({
        layer,
        role,
        line,
        lineName,
        tint,
        pieceId,
        lengthMm,
        likelyLowMm,
        likelyHighMm,
        restsOn,
        handleTurns,
        innerRadius,
        outerRadius,
      }) => {
        const piece = pieceId === null ? null : await tables.pieces.findByPk(pieceId);
        const from = { pieceCode: piece?.code ?? null, pieceKind: piece?.kind ?? null };
        return {
          id: layer,
          role,
          line,
          lineName,
          tint,
          ...from,
          lengthMm,
          likelyMm: [likelyLowMm ?? lengthMm, likelyHighMm ?? lengthMm],
          restsOn: restsOn ?? [],
          handleTurns,
          innerRadius,
          outerRadius,
        };
      },
    ),
  );
}
