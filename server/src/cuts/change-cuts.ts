import type { CutsPlan, Person } from '@yard-spool/contract';
import { message } from '@yard-spool/core';
import type { Reading, ServerContext, Unit } from '../context/context';
import { unit } from '../context/unit';
import type { JobRow } from '../db/models/bags';
import { noteChange } from '../history/bag-history';
import { ProblemError } from '../problem-error';
import { gatherCuts, layersIn, mayGive, type Ask, type CutLayer } from './gather-cuts';
import { readCuts } from './read-cuts';

interface LayerAsked {
  readonly jobId: number;
  readonly layer: string;
}

/** Asks for one piece by hand, or takes that back; the plan goes round it. */
export async function pinCut(
  context: ServerContext,
  person: Person,
  { jobId, layer, piece }: LayerAsked & { readonly piece: string | null },
): Promise<CutsPlan> {
  await unit(context, person, async (u) => {
    const of = await layerAsked(u, { jobId, layer });
    if (piece === null) {
      await u.tables.cutPins.removeAll({ jobId, layer });
      return;
    }
    const asked = { pieceId: await pieceFor(u, of, piece), at: u.clock(), byId: u.actor.id };
    // Two who ask at once: the second is what holds.
    const pin = await u.tables.cutPins.lockOrCreate({ jobId, layer }, { jobId, layer, ...asked });
    await u.tables.cutPins.change(pin, asked);
  });
  return readCuts(context);
}

/** @throws where the layer is not cut from the rack, or does not wait any more */
export async function layerAsked(from: Reading, { jobId, layer }: LayerAsked): Promise<CutLayer> {
  const { asks } = await gatherCuts(from);
  const found = layersIn(...asks).find((one) => one.reel.shown.jobId === jobId && one.layer.id === layer);
  if (found) return found;
  throw new ProblemError('not-found', 'This reel does not wait for line of the rack any more. Look again.');
}

/** @throws where it is no piece of that line, or not good for it */
export async function pieceFor(
  { tables }: Pick<Reading, 'tables'>,
  { product: line, role }: CutLayer,
  code: string,
): Promise<number> {
  const piece = await tables.pieces.findOne({ where: { code, writtenOff: false, broughtWith: null } });
  const product = piece && (await tables.products.findByPk(piece.productId));
  if (!product) throw new ProblemError('not-found', `There is no piece ${code} on the rack.`);
  if (product.code !== line)
    throw new ProblemError('bad-request', `${code} is not the line this reel is planned with.`, [
      { path: 'piece', message: 'Choose a piece of its line.' },
    ]);
  if (piece.kind === 'salvage' && role !== 'backing')
    throw new ProblemError('bad-request', `${code} is stripped line: it is good for backing only.`, [
      { path: 'piece', message: 'Choose a piece that is not stripped line.' },
    ]);
  return piece.id;
}

/** Less than a metre is no main. */
const LEAST_MM = 1000;

/** How short a main its customer accepts, as far as backing makes up for it; null where all of it is wanted. */
export async function leastMain(
  context: ServerContext,
  person: Person,
  { jobId, leastMm }: { readonly jobId: number; readonly leastMm: number | null },
): Promise<CutsPlan> {
  await unit(context, person, async (u) => {
    const { asks } = await gatherCuts(u);
    const ask = asks.find(({ main }) => main?.reel.shown.jobId === jobId);
    const job = await u.tables.jobs.lock(jobId);
    if (!ask?.main || job?.state !== 'booked')
      throw new ProblemError(
        'not-found',
        'This reel does not wait for line of the rack any more. Look again.',
      );
    mayBeLeast(ask, ask.main, leastMm);
    await keepLeast(u, job, ask.main, leastMm);
  });
  return readCuts(context);
}

function mayBeLeast({ backing }: Ask, main: CutLayer, leastMm: number | null): void {
  const wrong = (sentence: string): ProblemError =>
    new ProblemError('bad-request', sentence, [{ path: 'leastMm', message: sentence }]);
  if (!mayGive(main, backing)) throw wrong('Nothing makes up for a shorter main on this reel.');
  if (leastMm !== null && (leastMm < LEAST_MM || leastMm > main.wantedMm))
    throw wrong('The shortest main is at least one metre and no more than what is wanted.');
}

async function keepLeast(u: Unit, job: JobRow, main: CutLayer, leastMm: number | null): Promise<void> {
  await u.tables.jobs.change(job, { wants: { ...job.wants, leastMm } });
  const { tag } = main.reel.shown;
  const what = message('bag.least-main', { tag, least: { m: (leastMm ?? main.wantedMm) / 1000 } });
  await u.tables.bags.addOne('version', { id: job.bagId });
  await noteChange(u, job.bagId, what);
}
