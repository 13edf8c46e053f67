import { runFacts, type Fill, type Job, type Person } from '@yard-spool/contract';
import {
  depthsAsObservations,
  finalFill,
  foldRun,
  layAdvice,
  runUnderWay,
  type LayerRequest,
  type RunState,
  type RunUnderWay,
  type WoundLayer,
} from '@yard-spool/core';
import type { Transaction } from 'sequelize';
import { noteChange } from '../bags/history';
import { readJob } from '../bags/bags';
import type { RunRow } from '../db/models/runs';
import { inTransaction } from '../db/transaction';
import type { House } from '../house';
import { ProblemError } from '../problem-error';
import { drawLine } from '../rack/draw';
import { readFill } from '../reels/fills';
import { putOldLineAway } from './old-line';
import { readLog } from './runs';

/**
 * Closes a run: folds its log into what was wound and writes the fill, the rack's moves, where the old line went, what
 * was learned of the reel, and the job's state in one transaction. Closing again gives the fill there is.
 */
export async function closeRun(house: House, person: Person, runId: number): Promise<Fill> {
  const fillId = await inTransaction(house.sequelize, async (transaction) => {
    const run = await house.tables.runs.findByPk(runId, { transaction, lock: transaction.LOCK.UPDATE });
    if (!run) throw new ProblemError('not-found', `There is no run ${String(runId)}.`);
    const there = await house.tables.fills.findOne({ where: { runId, takenBackAt: null }, transaction });
    return there?.id ?? (await write(house, person, run, transaction));
  });
  house.bell.emit(`run:${String(runId)}`);
  return readFill(house, fillId);
}

async function write(house: House, person: Person, run: RunRow, transaction: Transaction): Promise<number> {
  const { tables, clock } = house;
  const job = await readJob(house, run.jobId);
  const facts = runFacts({ job, under: run.madeUnder });
  const state = foldRun(facts, await readLog(house, run.id));
  if (state.current)
    throw new ProblemError('not-finished', 'There are steps left to do before this reel can be closed.');
  const underWay = runUnderWay(job.planInput, facts, state);
  if (!underWay) throw new Error('A stored plan can always be made again.');
  const wound = finalFill(facts, underWay);
  const at = clock();
  const row = await tables.jobs.findByPk(job.id, { transaction, lock: transaction.LOCK.UPDATE });
  if (!row) throw new Error(`Run ${String(run.id)} has no job.`);
  const fill = await tables.fills.create(
    {
      ...{ runId: run.id, spoolId: row.spoolId, closedAt: at, byId: person.id },
      gapRead: state.depths.findLast(({ after }) => after === 'gap')?.depth.toFixed(3) ?? null,
      gapByCount: wound.at(-1)?.depthAfter ?? 0,
      spool: underWay.spool.spool,
      depths: depthsAsObservations(underWay.request, state.depths, state.supplies),
    },
    { transaction },
  );
  await writeLayers(house, person, { fillId: fill.id, run, job, wound, state }, transaction);
  await putOldLineAway(house, person, run, job.tag, state, transaction);
  await rememberSeat(house, job, state, underWay, transaction);
  const event = { id: crypto.randomUUID(), runId: run.id, seq: state.seq + 1, kind: 'closed', at } as const;
  await tables.runEvents.create({ ...event, byId: person.id, payload: {} }, { transaction });
  await run.update({ state: 'closed', closedAt: at }, { transaction });
  await row.update({ state: 'to-check' }, { transaction });
  await noteChange(house, person, row.bagId, `${job.tag} was filled`, transaction);
  return fill.id;
}

interface Wound {
  readonly fillId: number;
  readonly run: RunRow;
  readonly job: Job;
  readonly wound: readonly WoundLayer[];
  readonly state: RunState;
}

/** Writes each layer of line as it lies and draws it off its piece. */
async function writeLayers(
  house: House,
  person: Person,
  { fillId, run, job, wound, state }: Wound,
  transaction: Transaction,
): Promise<void> {
  for (const [i, layer] of job.planInput.request.layers.entries()) {
    // Line turned end for end is the customer's own: it comes off no piece.
    const own = state.supplies[layer.id]?.way === 'reverse';
    const cut = own ? undefined : job.cuts.find((one) => one.layer === layer.id);
    const lay = wound.find(({ id }) => id === layer.id);
    if (!lay) continue;
    if (layer.kind === 'retained')
      await house.tables.fillLayers.create(keptRow(fillId, i, layer, lay), { transaction });
    if (layer.kind !== 'line') continue;
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

/** Old line that stayed on is part of what is on the reel; it came off no piece. */
const keptRow = (
  fillId: number,
  position: number,
  { id, line }: Extract<LayerRequest, { kind: 'retained' }>,
  { length, innerRadius, outerRadius }: WoundLayer,
) => ({
  ...{ fillId, position, layer: id, role: 'kept' as const, line, handleTurns: 0, innerRadius, outerRadius },
  lineName: `Old ${line.material} ${line.diameter.toFixed(2)}`,
  tint: '#b7b7b7',
  pieceId: null,
  lengthMm: Math.round(length * 1000),
});

const layerRow = (
  fillId: number,
  position: number,
  { id, role, line }: Extract<LayerRequest, { kind: 'line' }>,
  { length, handleTurns, innerRadius, outerRadius }: WoundLayer,
  cut: { pieceId: number; productName: string; tint: string } | undefined,
) => ({
  ...{ fillId, position, layer: id, role, line, handleTurns, innerRadius, outerRadius },
  lineName: cut?.productName ?? `${line.material} ${line.diameter.toFixed(2)}`,
  tint: cut?.tint ?? '#b7b7b7',
  pieceId: cut?.pieceId ?? null,
  lengthMm: Math.round(length * 1000),
});

/** Whether a washer moved this reel's lay the other way: two looks at one lay with a washer between them tell. */
async function rememberSeat(
  { tables }: House,
  { tag }: Job,
  { lays }: RunState,
  { request }: RunUnderWay,
  transaction: Transaction,
): Promise<void> {
  const [before, after] = lays.slice(-2);
  const reel = await tables.reels.findOne({ where: { tag }, transaction });
  if (!before || !after || !reel || before.did === 'leave') return;
  const layer = request.layers.find(({ id }) => id === after.layer);
  const diameter = layer?.kind === 'line' ? layer.line.diameter : 0.3;
  const { seatReversed } = layAdvice(
    after,
    diameter,
    { washers: 'at-the-bench' },
    {
      before: { reading: before, action: before.did },
      seatReversed: reel.seatReversed,
    },
  );
  await reel.update({ seatReversed }, { transaction });
}
