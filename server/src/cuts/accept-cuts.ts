import type { Cut, CutsPlan, Person } from '@yard-spool/contract';
import { message, type JobCut, type PlanInput, type Words } from '@yard-spool/core';
import { lockPieces, promiseCuts } from '../bags/cuts';
import type { ServerContext, Unit } from '../context/context';
import { unit } from '../context/unit';
import type { CutRow, JobRow } from '../db/models/bags';
import { noteChange } from '../history/bag-history';
import { plansOf } from '../planning/plan-of';
import { lockWaiting } from '../planning/waiting-reels';
import { ProblemError } from '../problem-error';
import { figuresOf } from './figures';
import { keyFor, revisionOf } from './found-cuts';
import { gatherCuts, keyOf, layersIn, type Ask, type CutLayer, type GatheredCuts } from './gather-cuts';
import { leftOver } from './left-over';
import { pieceByLayer } from './moved-cuts';
import { cutsNow, readCuts } from './read-cuts';

/** Cuts all waiting reels as a plan has it that somebody looked at. */
export async function acceptCuts(
  context: ServerContext,
  person: Person,
  revision: string,
): Promise<CutsPlan> {
  const found = await cutsNow(context);
  if (revisionOf(found) !== revision) throw changed();
  const { key, cuts } = found;
  await unit(context, person, async (u) => {
    const { jobs, ...waiting } = await lockWaiting(u);
    const gathered = await gatherCuts(u, waiting);
    // What was looked at is what is there, under its locks.
    if (keyFor(gathered) !== key) throw changed();
    const moves = movesOf(gathered, cuts);
    if (moves.length === 0)
      throw new ProblemError('already-closed', 'Every reel is cut like this already. Nothing was changed.');
    await moveAll(u, jobs, moves);
    await u.tables.cutPlans.create({
      at: u.clock(),
      byId: u.actor.id,
      moved: moves.length,
      beforeFigures: figuresOf(gathered, gathered.booked),
      afterFigures: figuresOf(gathered, cuts),
    });
  });
  return readCuts(context);
}

const changed = (): ProblemError =>
  new ProblemError(
    'stale-version',
    'A bag or a piece changed while you were looking at it. Look at the plan as it is now, and accept that.',
  );

/** A layer that is cut otherwise than it is booked: from another piece, less of it, or from none yet. */
interface CutMove {
  readonly layer: CutLayer;
  readonly piece: string | null;
  readonly pieceId: number | null;
  /** Of a main that gives something up. */
  readonly givenMm: number | null;
}

/** What a plan changes. Who gets no line by it keeps what is booked for it, as far as that is left over. */
function movesOf(gathered: GatheredCuts, cuts: readonly JobCut[]): CutMove[] {
  const left = leftOver(gathered, cuts);
  const planned = pieceByLayer({ gathered, cuts });
  const idOf = (code: string | null): number | null => gathered.pieces.get(code ?? '')?.id ?? null;
  const cutOf = new Map(cuts.map((cut) => [cut.job, cut]));
  const moveOf = (ask: Ask, layer: CutLayer): CutMove[] => {
    const { now } = layer;
    const piece = planned.get(keyOf(layer)) ?? null;
    const mm = layer === ask.main ? (cutOf.get(ask.job.id)?.main.lengthMm ?? layer.wantedMm) : layer.wantedMm;
    const givenMm = mm < layer.wantedMm ? mm : null;
    if (piece === null && now !== null) {
      const rest = left.get(now) ?? 0;
      left.set(now, rest - layer.wantedMm);
      return rest >= layer.wantedMm ? [] : [{ layer, piece: null, pieceId: null, givenMm: null }];
    }
    return piece === now && givenMm === null ? [] : [{ layer, piece, pieceId: idOf(piece), givenMm }];
  };
  return gathered.asks.flatMap((ask) => layersIn(ask).flatMap((layer) => moveOf(ask, layer)));
}

/** Gives back what all reels that change have, and only then promises again: two may change places. */
async function moveAll(u: Unit, jobs: readonly JobRow[], moves: readonly CutMove[]): Promise<void> {
  const ids = [...new Set(moves.map(({ layer }) => layer.reel.shown.jobId))];
  const rows = await u.tables.cuts.findAll({ where: { jobId: ids }, order: ['id'] });
  await u.tables.cuts.removeAll({ jobId: ids });
  const asked = ids.map((jobId) => ({
    jobId,
    moves: moves.filter(({ layer }) => layer.reel.shown.jobId === jobId),
    cuts: rows.filter((row) => row.jobId === jobId).map((row) => cutFor(row, moves)),
  }));
  await lockPieces(u, asked);
  for (const one of asked) {
    const job = jobs.find(({ id }) => id === one.jobId);
    if (job) await moveJob(u, job, one);
  }
}

function cutFor({ jobId, layer, pieceId, productId, takes }: CutRow, moves: readonly CutMove[]): Cut {
  const move = moves.find((one) => one.layer.reel.shown.jobId === jobId && one.layer.layer.id === layer);
  const from = move ? move.pieceId : pieceId;
  return from === null ? { layer, productId } : { layer, pieceId: from, ...(takes ? { takes } : {}) };
}

async function moveJob(
  u: Unit,
  job: JobRow,
  { moves, cuts }: { readonly moves: readonly CutMove[]; readonly cuts: readonly Cut[] },
): Promise<void> {
  const given = moves.find(({ givenMm }) => givenMm !== null);
  if (given) {
    const planInput = withMain(job.planInput, given);
    const [plan] = await plansOf([{ planInput, path: '' }]);
    if (plan) await u.tables.jobs.change(job, { planInput, plan });
  }
  await promiseCuts(u, job.id, { cuts }, job.plan, { bagId: job.bagId, brought: [] });
  await u.tables.bags.addOne('version', { id: job.bagId });
  for (const move of moves) await noteChange(u, job.bagId, saidOf(move));
  await u.happened.readyChanged(job.bagId);
}

/** A plan's input with less main: what makes up for it fits as it did. */
const withMain = (planInput: PlanInput, { layer, givenMm }: CutMove): PlanInput => ({
  ...planInput,
  request: {
    ...planInput.request,
    layers: planInput.request.layers.map((one) =>
      one.kind === 'line' && one.id === layer.layer.id ? { ...one, length: (givenMm ?? 0) / 1000 } : one,
    ),
  },
});

function saidOf({ layer, piece, givenMm }: CutMove): Words {
  const { tag } = layer.reel.shown;
  const { role } = layer;
  if (givenMm !== null)
    return message('bag.main-given', {
      tag,
      given: { m: givenMm / 1000 },
      wanted: { m: layer.wantedMm / 1000 },
    });
  return piece === null
    ? message('bag.cut-waits', { tag, role })
    : message('bag.cut-from', { tag, role, piece });
}
