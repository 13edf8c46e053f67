import type { Fill, Job, Person } from '@yard-spool/contract';
import {
  foldRun,
  inferSpool,
  runSteps,
  woundSoFar,
  type LayerRequest,
  type WoundLayer,
} from '@yard-spool/core';
import type { Transaction } from 'sequelize';
import { inTransaction } from '../db/transaction';
import type { RunRow } from '../db/models/runs';
import type { House } from '../house';
import { ProblemError } from '../problem-error';
import { drawLine } from '../rack/draw';
import { readJob } from '../bags/bags';
import { noteChange } from '../bags/history';
import { readFill } from '../reels/fills';
import { readLog } from './runs';

/**
 * Closes a run: folds its log into what was wound, writes the fill and the rack's moves and the job's state in one
 * transaction. Closing again gives the fill there is.
 */
export async function closeRun(house: House, person: Person, runId: number): Promise<Fill> {
  const fillId = await inTransaction(house.sequelize, async (transaction) => {
    const run = await house.tables.runs.findByPk(runId, { transaction, lock: transaction.LOCK.UPDATE });
    if (!run) throw new ProblemError('not-found', `There is no run ${String(runId)}.`);
    const there = await house.tables.fills.findOne({ where: { runId }, transaction });
    return there?.id ?? (await write(house, person, run, transaction));
  });
  return readFill(house, fillId);
}

async function write(house: House, person: Person, run: RunRow, transaction: Transaction): Promise<number> {
  const { tables, clock } = house;
  const job = await readJob(house, run.jobId);
  const { observations, request } = job.planInput;
  const log = await readLog(house, run.id);
  const state = foldRun(runSteps(request), log);
  if (state.current)
    throw new ProblemError('not-finished', 'There are steps left to do before this reel can be closed.');
  const estimate = inferSpool(observations);
  if (!estimate.ok) throw new Error('A stored plan can always be made again.');
  const wound = woundSoFar(estimate.value, request, state.turns);
  const at = clock();
  const row = await tables.jobs.findByPk(job.id, { transaction, lock: transaction.LOCK.UPDATE });
  const fill = await tables.fills.create(
    {
      runId: run.id,
      spoolId: row?.spoolId ?? 0,
      closedAt: at,
      byId: person.id,
      gapRead: state.depths.findLast(({ after }) => after === 'gap')?.depth.toFixed(3) ?? null,
      gapByCount: wound.at(-1)?.depthAfter ?? 0,
      spool: estimate.value.spool,
    },
    { transaction },
  );
  await writeLayers(house, person, { fillId: fill.id, run, job, wound }, transaction);
  await tables.runEvents.create(
    {
      id: crypto.randomUUID(),
      runId: run.id,
      seq: state.seq + 1,
      kind: 'closed',
      at,
      byId: person.id,
      payload: {},
    },
    { transaction },
  );
  await run.update({ state: 'closed', closedAt: at }, { transaction });
  await row?.update({ state: 'to-check' }, { transaction });
  if (row) await noteChange(house, person, row.bagId, `${job.tag} was filled`, transaction);
  return fill.id;
}

interface Wound {
  readonly fillId: number;
  readonly run: RunRow;
  readonly job: Job;
  readonly wound: readonly WoundLayer[];
}

/** Writes each layer of line as it was wound and draws it off its piece. */
async function writeLayers(
  house: House,
  person: Person,
  { fillId, run, job, wound }: Wound,
  transaction: Transaction,
): Promise<void> {
  for (const [i, layer] of job.planInput.request.layers.entries()) {
    const cut = job.cuts.find((one) => one.layer === layer.id);
    const lay = wound[i];
    if (layer.kind !== 'line' || !lay) continue;
    await house.tables.fillLayers.create(layerRow(fillId, i, layer, lay, cut), { transaction });
    const lengthMm = Math.round(lay.length * 1000);
    const why = `${job.tag}, ${layer.role}`;
    if (cut && lengthMm > 0)
      await drawLine(
        house,
        person,
        { pieceId: cut.pieceId, lengthMm, tailMm: run.madeUnder.tailMm, runId: run.id, why },
        transaction,
      );
  }
}

const layerRow = (
  fillId: number,
  position: number,
  { id, role, line }: Extract<LayerRequest, { kind: 'line' }>,
  { length, handleTurns, innerRadius, outerRadius }: WoundLayer,
  cut: { pieceId: number; productName: string; tint: string } | undefined,
) => ({
  fillId,
  position,
  layer: id,
  role,
  line,
  lineName: cut?.productName ?? `${line.material} ${line.diameter.toFixed(2)}`,
  tint: cut?.tint ?? '#b7b7b7',
  pieceId: cut?.pieceId ?? null,
  lengthMm: Math.round(length * 1000),
  handleTurns,
  innerRadius,
  outerRadius,
});
