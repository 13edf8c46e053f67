import type { Cut, CutsPlan, Person } from '@yard-spool/contract';
import { message, type CutOff, type JobCut, type PlanInput, type Words } from '@yard-spool/core';
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
import {
  bookedOn,
  gatherCuts,
  keyOf,
  layersIn,
  type Ask,
  type CutLayer,
  type GatheredCuts,
} from './gather-cuts';
import { leftOver } from './left-over';
import { offsByLayer } from './moved-cuts';
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

/** A layer that is cut otherwise than it is booked: from other pieces, less of it, or from none yet. */
interface CutMove {
  readonly layer: CutLayer;
  /** Two where it is joined, the one that is wound first before the other. */
  readonly offs: readonly (CutOff & { readonly pieceId: number })[];
  /** Of a main that gives something up. */
  readonly givenMm: number | null;
}

/** What a plan changes. Who gets no line by it keeps what is booked for it, as far as that is left over. */
function movesOf(gathered: GatheredCuts, cuts: readonly JobCut[]): CutMove[] {
  const left = leftOver(gathered, cuts);
  const planned = offsByLayer({ gathered, cuts });
  const cutOf = new Map(cuts.map((cut) => [cut.job, cut]));
  const keeps = (booked: readonly CutOff[]): boolean => {
    const isLeft = booked.every(({ piece, lengthMm }) => (left.get(piece) ?? 0) >= lengthMm);
    for (const { piece, lengthMm } of booked) left.set(piece, (left.get(piece) ?? 0) - lengthMm);
    return isLeft;
  };
  const moveOf = (ask: Ask, layer: CutLayer): CutMove[] => {
    const booked = bookedOn(layer);
    const offs = inOrder(thereIn(gathered, planned.get(keyOf(layer)) ?? []), left);
    const mm = layer === ask.main ? (cutOf.get(ask.job.id)?.main.lengthMm ?? layer.wantedMm) : layer.wantedMm;
    const givenMm = mm < layer.wantedMm ? mm : null;
    if (offs.length === 0 && booked.length > 0)
      return keeps(booked) ? [] : [{ layer, offs: [], givenMm: null }];
    if (isSame(offs, booked) && (givenMm === null || offs.length === 0)) return [];
    const withIds = offs.flatMap((off) => {
      const pieceId = gathered.pieces.get(off.piece)?.id;
      return pieceId === undefined ? [] : [{ ...off, pieceId }];
    });
    return [{ layer, offs: withIds, givenMm }];
  };
  return gathered.asks.flatMap((ask) => layersIn(ask).flatMap((layer) => moveOf(ask, layer)));
}

/** What can be booked of it: of line that is on order nothing is promised, and half of a join is none. */
const thereIn = ({ pieces }: GatheredCuts, offs: readonly CutOff[]): readonly CutOff[] =>
  offs.every(({ piece }) => pieces.has(piece)) ? offs : [];

/** How much of a layer comes off its last piece hangs on the spool: that is the one with more left on it. */
const inOrder = (offs: readonly CutOff[], left: ReadonlyMap<string, number>): CutOff[] =>
  [...offs].sort((a, b) => (left.get(a.piece) ?? 0) - (left.get(b.piece) ?? 0));

/** Whether they are off the same pieces; joined, as much off each. */
const isSame = (offs: readonly CutOff[], booked: readonly CutOff[]): boolean =>
  offs.length === booked.length &&
  offs.every(({ piece, lengthMm }) =>
    booked.some((one) => one.piece === piece && (offs.length === 1 || one.lengthMm === lengthMm)),
  );

/** Gives back what all reels that change have, and only then promises again: two may change places. */
async function moveAll(u: Unit, jobs: readonly JobRow[], moves: readonly CutMove[]): Promise<void> {
  const ids = [...new Set(moves.map(({ layer }) => layer.reel.shown.jobId))];
  const rows = await u.tables.cuts.findAll({ where: { jobId: ids }, order: ['id'] });
  await u.tables.cuts.removeAll({ jobId: ids });
  const asked = ids.map((jobId) => ({
    jobId,
    moves: moves.filter(({ layer }) => layer.reel.shown.jobId === jobId),
    cuts: rows.filter((row) => row.jobId === jobId && row.nth === 0).map((row) => cutFor(row, rows, moves)),
  }));
  await lockPieces(u, asked);
  for (const one of asked) {
    const job = jobs.find(({ id }) => id === one.jobId);
    if (job) await moveJob(u, job, one);
  }
}

function cutFor(
  { jobId, layer, pieceId, productId, takes, lengthMm }: CutRow,
  rows: readonly CutRow[],
  moves: readonly CutMove[],
): Cut {
  const move = moves.find((one) => one.layer.reel.shown.jobId === jobId && one.layer.layer.id === layer);
  const second = rows.find((row) => row.jobId === jobId && row.layer === layer && row.nth > 0);
  const asBooked = [{ pieceId, lengthMm }, ...(second ? [second] : [])];
  const [first, then] = move ? move.offs : asBooked;
  if (first?.pieceId == null) return { layer, productId };
  if (then?.pieceId == null) return { layer, pieceId: first.pieceId, ...(takes ? { takes } : {}) };
  return { layer, pieceId: first.pieceId, joined: { pieceId: then.pieceId, firstMm: first.lengthMm } };
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

function saidOf({ layer, offs: [first, then], givenMm }: CutMove): Words {
  const { tag } = layer.reel.shown;
  const { role } = layer;
  if (givenMm !== null)
    return message('bag.main-given', {
      tag,
      given: { m: givenMm / 1000 },
      wanted: { m: layer.wantedMm / 1000 },
    });
  if (!first) return message('bag.cut-waits', { tag, role });
  return then
    ? message('bag.cut-joined', { tag, role, piece: first.piece, then: then.piece })
    : message('bag.cut-from', { tag, role, piece: first.piece });
}
