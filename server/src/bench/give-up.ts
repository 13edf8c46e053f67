import { NewPieceSchema, type Job, type Person } from '@yard-spool/contract';
import {
  type GIVEN_UP_TO,
  isBraid,
  lengthOn,
  pieceStretches,
  type RunFacts,
  type RunState,
  runUnderWay,
  type RunUnderWay,
  STREAMS,
  type WoundLayer,
} from '@yard-spool/core';
import { lyingOn } from '../record/lying';
import { noteWhatIsOn } from '../record/on-spool';
import * as v from 'valibot';
import { readJob } from '../bags/bags';
import { noteChange } from '../history/bag-history';
import type { ServerContext, Unit } from '../context/context';
import type { RunRow } from '../db/models/runs';
import { ProblemError } from '../problem-error';
import { addMoves, lockPiece } from '../rack/move';
import { createPiece } from '../rack/receive';
import { unit } from '../context/unit';
import { putOldLineAway } from './old-line';
import { lockPiecesOf } from './pieces-of-run';
import { lastPlace, writeEvents } from './run-log';
import { leavesBench } from './at-bench';
import { stateOfRun } from './state-of-run';

interface GivenUp {
  readonly why: string;
  readonly line: (typeof GIVEN_UP_TO)[number];
}

/** The least that is worth keeping as salvage, mm. */
const WORTH_KEEPING = 1000;

/**
 * Gives a run up: what was wound goes back on its pieces, to salvage or to recycling, its log is kept, and the reel waits as
 * it was booked, to be planned and begun again. Giving up again changes nothing.
 */
export async function giveUpRun(
  context: ServerContext,
  person: Person,
  runId: number,
  asked: GivenUp,
): Promise<Record<string, never>> {
  await unit(context, person, async (u) => {
    const { tables } = u;
    const run = await tables.runs.lock(runId);
    if (!run) throw new ProblemError('not-found', `There is no run ${String(runId)}.`);
    if (run.state === 'given-up') return;
    const row = await tables.jobs.lock(run.jobId);
    if (run.state === 'closed' || !row)
      throw new ProblemError('already-closed', 'This reel is filled. Open it again to change it.');
    const job = await readJob(u, run.jobId);
    const { facts, state } = await stateOfRun(u, run);
    await lockPiecesOf(u, job, state);
    const wound = runUnderWay(job.planInput, facts, state);
    if (asked.line !== 'back' && wound)
      for (const layer of wound.wound) {
        for (const stretch of pieceStretches(wound, state, layer))
          await takeOff(u, run, job, layer, { ...stretch, line: asked.line });
      }
    await putOldLineAway(u, run, { tag: job.tag, bagId: row.bagId }, state);
    await noteStripped(u, row.spoolId, { facts, state, wound });
    const seq = await lastPlace(u, runId);
    await writeEvents(u, runId, seq, [{ kind: 'given-up', payload: { ...asked } }]);
    await tables.runs.change(run, { state: 'given-up', closedAt: u.clock() });
    await leavesBench(u, runId, run.benchId);
    await tables.jobs.change(row, { state: 'booked' });
    await tables.bags.addOne('version', { id: row.bagId });
    await noteChange(u, row.bagId, `${job.tag} cancelled at the bench: ${asked.why}`.slice(0, 300));
  });
  return {};
}

interface Stripped {
  readonly facts: RunFacts;
  readonly state: RunState;
  readonly wound: RunUnderWay | null;
}

/** Old line that was stripped before the run was given up is gone off its spool for good, but for what was to stay on. */
async function noteStripped(
  u: Unit,
  spoolId: number,
  { facts, state: { done, skipped, notes }, wound }: Stripped,
): Promise<void> {
  const to = notes.strip?.to;
  if (!done.has('strip') || skipped.has('strip') || to === 'kept' || to === 'none') return;
  const spool = await u.tables.spools.lock(spoolId);
  if (spool?.fillId == null) return;
  const on = lengthOn(await lyingOn(u, spool));
  const stays = facts.request.layers
    .filter(({ kind }) => kind === 'retained')
    .reduce((sum, { id }) => sum + (wound?.wound.find((layer) => layer.id === id)?.length ?? 0), 0);
  const offMm = spool.offMm + Math.round(1000 * Math.max(0, on - stays));
  const mark = { fillId: spool.fillId, kind: 'off', offMm, why: 'stripped, and not filled then' } as const;
  await u.tables.fillMarks.create({ ...mark, at: u.clock(), byId: u.actor.id });
  await noteWhatIsOn(u, spoolId);
}

interface Off {
  readonly pieceId: number | null;
  readonly share: number;
  readonly line: 'salvage' | 'bin';
}

/** One stretch of line off its piece for good: on to the rack as salvage, or into its bin. Own line stays the customer's. */
async function takeOff(
  u: Unit,
  run: RunRow,
  { tag, cuts, planInput }: Job,
  { id: layer, length }: WoundLayer,
  { pieceId, share, line }: Off,
): Promise<void> {
  const cut = cuts.find((one) => one.layer === layer);
  const from = pieceId ?? cut?.pieceId ?? null;
  if (from === null || cut?.own) return;
  const piece = await lockPiece(u, { id: from });
  const lengthMm = Math.min(piece.lengthMm, Math.round(1000 * length * share));
  if (lengthMm < WORTH_KEEPING) return;
  const why = `${tag}, ${layer}, given up`;
  await u.tables.pieces.change(piece, { opened: true });
  if (line === 'salvage') {
    await addMoves(u, piece, [{ kind: 'filled', lengthMm: -lengthMm, why }], run.id);
    const code = await freeCode(u, `S-R${String(run.id)}`);
    const salvage = { code, product: { id: piece.productId }, kind: 'salvage', place: 'Salvage', lengthMm };
    await createPiece(u, v.parse(NewPieceSchema, { ...salvage, fromReel: tag }));
    return;
  }
  await addMoves(u, piece, [{ kind: 'recycled', lengthMm: -lengthMm, why }], run.id);
  const asked = planInput.request.layers.find((one) => one.id === layer);
  const material = asked?.kind === 'line' ? asked.line.material : 'nylon';
  const stream = isBraid(material) ? 'braid' : material;
  await u.tables.recyclings.create({
    stream: STREAMS.find((one) => one === stream) ?? 'nylon',
    runId: null,
    pieceId: from,
    lengthMm,
    grams: '0.0',
    estimated: true,
    tubes: 0,
    why,
    at: u.clock(),
    byId: u.actor.id,
  });
}

/** A code nothing on the rack has: a run may leave more than one piece of salvage. */
async function freeCode({ tables }: Unit, code: string): Promise<string> {
  for (let n = 1; ; n += 1) {
    const next = n === 1 ? code : `${code}-${String(n)}`;
    if (!(await tables.pieces.findOne({ where: { code: next } }))) return next;
  }
}
