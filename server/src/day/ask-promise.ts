import type { EarliestPromise, Piece, PromiseAsked } from '@yard-spool/contract';
import {
  lineOf,
  operationsOf,
  waterState,
  type DayReel,
  type DaySoak,
  type HouseRules,
  type MadePlan,
  type Result,
} from '@yard-spool/core';
import type { Reading } from '../context/context';
import { listPieces } from '../rack/rack';
import { PLANS } from '../planning/make-plans';
import { readHouseRules } from '../shop/read-house-rules';
import { inWorker } from '../work/in-worker';
import { drySoak } from './dry-soak';
import { isoOf, minutesOf } from './open-spans';
import { EARLIEST } from './order-day';
import { needsOf } from './needs-of';
import { dayNow, dayOf } from './read-day';
import { timesOf } from './took';

/** What a bag is called that is not booked in yet; no bag has this number. */
const NEW = 0;
/** Promised so late that it breaks nothing of its own, ms. */
const SOME_DAY = 90 * 24 * 3_600_000;

/** The earliest promise for a bag that is being booked in: one that holds nine times in ten and breaks no other. */
export async function askPromise(from: Reading, { jobs }: PromiseAsked): Promise<EarliestPromise> {
  const ids = jobs.flatMap(({ cuts }) => cuts.flatMap((cut) => ('pieceId' in cut ? [cut.pieceId] : [])));
  if (jobs.some(({ cuts }) => cuts.some((cut) => 'productId' in cut))) return { at: null, dryAt: null };
  const [made, pieces, { rules }, { gathered, ordered }, times] = await Promise.all([
    inWorker(
      PLANS,
      jobs.map(({ planInput }) => planInput),
    ),
    listPieces(from, { id: ids }),
    readHouseRules(from),
    dayNow(from),
    timesOf(from),
  ]);
  const own = soaksOf(pieces, rules);
  const known = new Set(gathered.soaks.map(({ piece }) => piece));
  const reels = jobs.map((job, i) => ({
    id: `new-${String(i)}`,
    ...reelOf(job, made[i], pieces, rules),
  }));
  const promised = async (fresh: readonly DaySoak[]): Promise<number | null> => {
    const soaks = [...gathered.soaks, ...fresh.filter(({ piece }) => !known.has(piece))];
    const bag = { number: NEW, customer: '', promisedAt: new Date(gathered.now.getTime() + SOME_DAY) };
    const facts = { ...gathered, soaks, bags: [...gathered.bags, bag], reels: [...gathered.reels, ...reels] };
    const operations = operationsOf({ ...facts, now: minutesOf(gathered.now), times });
    const { order, benchOf } = ordered;
    return inWorker(EARLIEST, {
      day: dayOf(facts, operations),
      bag: String(NEW),
      before: { order, benchOf },
    });
  };
  const at = await promised(own);
  const dry = own.length > 0 ? await promised([]) : null;
  return {
    at: at === null ? null : isoOf(at),
    dryAt: at !== null && dry !== null && dry < at ? isoOf(dry) : null,
  };
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
  rules: HouseRules,
): Omit<DayReel, 'id'> {
  const codes = cuts.flatMap((cut) =>
    'pieceId' in cut ? pieces.flatMap(({ id, code }) => (id === cut.pieceId ? [code] : [])) : [],
  );
  return {
    bag: String(NEW),
    state: 'booked',
    pieces: [...new Set(codes)],
    ...needsOf({ type, planInput, wants }, made?.ok ? made.value.plan.layers : [], rules),
  };
}
