import type { EarliestPromise, Piece, PromiseAsked } from '@yard-spool/contract';
import {
  lineOf,
  waterState,
  type DayReel,
  type DaySoak,
  type HouseRules,
  type MadePlan,
  type Result,
} from '@yard-spool/core';
import type { Reading } from '../context/context';
import { listStock } from '../rack/rack';
import { PLANS } from '../planning/make-plans';
import { readHouseRules } from '../shop/read-house-rules';
import { inWorker } from '../work/in-worker';
import { drySoak } from './dry-soak';
import { allCount, type GatheredDay } from './gather-day';
import { isoOf } from './open-spans';
import { EARLIEST } from './order-day';
import { needsOf, type Ways } from './needs-of';
import { curesFor, type NewBag } from './promise-cures';
import { dayNow, dayOf } from './read-day';
import { timesOf } from './took';

/** What a bag is called that is not booked in yet; no bag has this number. */
const NEW = 0;
/** Promised so late that it breaks nothing of its own, ms. */
const SOME_DAY = 90 * 24 * 3_600_000;

/**
 * The earliest promise for a bag that is being booked in: one that holds nine times in ten and breaks no other. Where it
 * is to be promised sooner, with what would make it sooner.
 */
export async function askPromise(
  from: Reading,
  { jobs, promisedAt }: PromiseAsked,
): Promise<EarliestPromise> {
  if (jobs.some(({ cuts }) => cuts.some((cut) => 'productId' in cut))) return { at: null, cures: [] };
  const [made, rack, { rules }, { gathered, ordered }, times] = await Promise.all([
    inWorker(
      PLANS,
      jobs.map(({ planInput }) => planInput),
    ),
    listStock(from),
    readHouseRules(from),
    dayNow(from),
    timesOf(from),
  ]);
  const promised = ({ jobs: own, pieces, soaks, dry }: NewBag, day: GatheredDay): Promise<number | null> => {
    const known = new Set(day.soaks.map(({ piece }) => piece));
    const reels = own.map((job, i) => ({
      id: `new-${String(i)}`,
      dry,
      ...reelOf(job, made[i], pieces, { rules, counted: allCount(day.benches) }),
    }));
    const bag = { number: NEW, customer: '', promisedAt: new Date(day.now.getTime() + SOME_DAY) };
    const facts = {
      ...day,
      soaks: [...day.soaks, ...soaks.filter(({ piece }) => !known.has(piece))],
      bags: [...day.bags, bag],
      reels: [...day.reels, ...reels],
    };
    const { order, benchOf } = ordered;
    return inWorker(EARLIEST, { day: dayOf(facts, times), bag: String(NEW), before: { order, benchOf } });
  };
  const ids = jobs.flatMap(({ cuts }) => cuts.flatMap((cut) => ('pieceId' in cut ? [cut.pieceId] : [])));
  const pieces = rack.filter(({ id }) => ids.includes(id));
  const bag: NewBag = { jobs, pieces, soaks: soaksOf(pieces, rules), dry: false };
  const at = await promised(bag, gathered);
  if (at === null || promisedAt === null || isoOf(at) <= promisedAt)
    return { at: at === null ? null : isoOf(at), cures: [] };
  const tried = curesFor(bag, gathered, { rack, rules });
  const sooner = await Promise.all(
    tried.map(async (one) => ({ ...one.cure, at: await promised(one.bag, one.day) })),
  );
  const cures = sooner
    .flatMap(({ at: then, ...cure }) => (then !== null && then < at ? [{ ...cure, at: isoOf(then) }] : []))
    .sort((a, b) => a.at.localeCompare(b.at));
  return { at: isoOf(at), cures };
}

/** Its own pieces that are dry and that the shop soaks. */
const soaksOf = (pieces: readonly Piece[], rules: HouseRules): DaySoak[] =>
  pieces.flatMap((piece) =>
    waterState(piece) === 'dry' ? (drySoak(piece.code, lineOf(piece.product), rules) ?? []) : [],
  );

function reelOf(
  { type, planInput, cuts, wants }: PromiseAsked['jobs'][number],
  made: Result<MadePlan> | undefined,
  pieces: readonly Piece[],
  ways: Ways,
): Omit<DayReel, 'id'> {
  const codes = cuts.flatMap((cut) =>
    'pieceId' in cut ? pieces.flatMap(({ id, code }) => (id === cut.pieceId ? [code] : [])) : [],
  );
  return {
    bag: String(NEW),
    state: 'booked',
    pieces: [...new Set(codes)],
    ...needsOf({ type, planInput, wants }, made?.ok ? made.value.plan.layers : [], ways),
  };
}
