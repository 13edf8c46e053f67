import { runFacts, type Fill, type Job, type Person } from '@yard-spool/contract';
import { finalFill, foldRun, layAdvice, lessonOf, observationsOfFill, type RunState } from '@yard-spool/core';
import type { Transaction } from 'sequelize';
import { noteChange } from '../bags/history';
import { readJob } from '../bags/bags';
import type { RunRow } from '../db/models/runs';
import { inTransaction } from '../db/transaction';
import type { House } from '../house';
import { learnAgain } from '../learning/learning';
import { ProblemError } from '../problem-error';
import { readFill } from '../reels/fills';
import { putOldLineAway } from './old-line';
import { readLog } from './runs';
import { settleRun } from './settle-run';
import { writeLayers } from './write-layers';

/**
 * Closes a run: settles from its log what most likely lies on the reel and writes the fill, the rack's moves, where the
 * old line went, what was learned of the reel, and the job's state in one transaction. Closing again gives the fill there
 * is. Readings that contradict each other have to be answered first.
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
  const { evidence, settled, untaught } = await settleRun(house, job, facts, state, transaction);
  if (settled.question) throw new ProblemError('readings-contradict', settled.question.sentence);
  const lies = finalFill(
    facts,
    settled.spool,
    settled.layers.map((layer) => ({
      ...layer,
      length: layer.length.value,
      handleTurns: layer.handleTurns.value,
    })),
  );
  const at = clock();
  const row = await tables.jobs.findByPk(job.id, { transaction, lock: transaction.LOCK.UPDATE });
  if (!row) throw new Error(`Run ${String(run.id)} has no job.`);
  const fill = await tables.fills.create(
    {
      ...{ runId: run.id, spoolId: row.spoolId, closedAt: at, byId: person.id },
      gapRead: state.depths.findLast(({ after }) => after === 'gap')?.depth.toFixed(3) ?? null,
      gapByCount: lies.at(-1)?.depthAfter ?? 0,
      spool: settled.spool.spool,
      depths: observationsOfFill(evidence, settled),
      lesson: untaught && lessonOf(untaught, evidence.request.layers),
    },
    { transaction },
  );
  await writeLayers(house, person, { fillId: fill.id, run, job, lies, settled, state }, transaction);
  await putOldLineAway(house, person, run, job.tag, state, transaction);
  await rememberSeat(house, job, state, transaction);
  await learnAgain(house, transaction);
  const event = { id: crypto.randomUUID(), runId: run.id, seq: state.seq + 1, kind: 'closed', at } as const;
  await tables.runEvents.create({ ...event, byId: person.id, payload: {} }, { transaction });
  await run.update({ state: 'closed', closedAt: at }, { transaction });
  await row.update({ state: 'to-check' }, { transaction });
  await noteChange(house, person, row.bagId, `${job.tag} was filled`, transaction);
  return fill.id;
}

/** Whether a washer moved this reel's lay the other way: two looks at one lay with a washer between them tell. */
async function rememberSeat(
  { tables }: House,
  { tag, planInput }: Job,
  { lays }: RunState,
  transaction: Transaction,
): Promise<void> {
  const [before, after] = lays.slice(-2);
  const reel = await tables.reels.findOne({ where: { tag }, transaction });
  if (!before || !after || !reel || before.did === 'leave') return;
  const layer = planInput.request.layers.find(({ id }) => id === after.layer);
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
