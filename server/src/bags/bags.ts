import { waterState, type Bag, type Job, type PlannedCut } from '@yard-spool/contract';
import type { CutRow, JobRow } from '../db/models/bags';
import type { PieceRow } from '../db/models/rack';
import type { Reading } from '../context/context';
import { ProblemError } from '../problem-error';
import { broughtWith } from './brought-line';
import { toCustomer } from '../customers/customers';
import { historyOf } from '../history/bag-history';
import { waterByPiece } from '../rack/water';

/** One bag with its jobs and their plans. */
export async function readBag(from: Reading, number: number): Promise<Bag> {
  const { tables } = from;
  const bag = await tables.bags.findByPk(number);
  if (!bag) throw new ProblemError('not-found', `There is no bag ${String(number)}.`);
  const [customer, person, jobs] = await Promise.all([
    tables.customers.findByPk(bag.customerId),
    tables.people.findByPk(bag.bookedById),
    tables.jobs.findAll({ where: { bagId: number }, order: ['position'] }),
  ]);
  if (!customer) throw new Error(`Bag ${String(number)} has no customer.`);
  return {
    number,
    version: bag.version,
    customer: toCustomer(customer),
    promisedAt: bag.promisedAt.toISOString(),
    notes: bag.notes,
    bookedAt: bag.bookedAt.toISOString(),
    bookedBy: person?.name ?? '',
    jobs: await Promise.all(jobs.map((job) => toJob(from, job))),
    brought: await broughtWith(from, number),
    history: await historyOf(from, number),
  };
}

/** One job by its own number. */
export async function readJob(from: Reading, id: number): Promise<Job> {
  const row = await from.tables.jobs.findByPk(id);
  if (!row) throw new ProblemError('not-found', 'This reel is not booked in any more.');
  return toJob(from, row);
}

async function toJob(from: Reading, row: JobRow): Promise<Job> {
  const { tables } = from;
  const spool = await tables.spools.findByPk(row.spoolId);
  const reel = spool && (await tables.reels.findByPk(spool.reelId));
  const run = await tables.runs.findOne({
    where: { jobId: row.id, state: ['open', 'closed'] },
  });
  if (!reel) throw new Error(`Job ${String(row.id)} has no reel.`);
  const { id, position, state, planInput, plan, wants } = row;
  const { tag, type, label, looks } = reel;
  return {
    id,
    position,
    state,
    tag,
    type,
    label,
    looks,
    spool: spool.name,
    wants,
    planInput,
    plan,
    cuts: await cutsOf(from, id),
    runId: run?.id ?? null,
  };
}

export async function cutsOf(from: Reading, jobId: number): Promise<PlannedCut[]> {
  const cuts = await from.tables.cuts.findAll({ where: { jobId }, order: ['id'] });
  const waters = await waterByPiece(from);
  return Promise.all(cuts.map((cut) => toCut(from, cut, waters)));
}

async function toCut(
  { tables }: Reading,
  { layer, pieceId, productId, lengthMm, tailMm, takes, jobId }: CutRow,
  waters: Awaited<ReturnType<typeof waterByPiece>>,
): Promise<PlannedCut> {
  const piece = pieceId === null ? null : await tables.pieces.findByPk(pieceId);
  const product = await tables.products.findByPk(productId);
  if (!product) throw new Error(`Cut of job ${String(jobId)} has no line.`);
  const water = pieceId === null ? undefined : waters.get(pieceId);
  const shared = { layer, pieceId, productId, lengthMm, tailMm, takes: takes ?? null };
  const { code: productCode, name, tint } = product;
  return {
    ...shared,
    productCode,
    tint,
    ...(piece ? ofPiece(piece, name) : { pieceCode: null, pieceKind: null, own: false, productName: name }),
    water: waterState(water),
    soakId: water?.soaking?.id ?? null,
  };
}

/** Own line goes by what its customer calls it. */
const ofPiece = ({ code, kind, broughtWith, lot }: PieceRow, name: string) => {
  const own = (broughtWith ?? null) !== null;
  return { pieceCode: code, pieceKind: kind, own, productName: own && lot !== '' ? lot : name };
};
