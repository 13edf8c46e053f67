import type { Reorder, ReorderLine } from '@yard-spool/contract';
import { LEAST_JOINED_MM, orderNeed, type OrderNeed, type PackSize } from '@yard-spool/core';
import type { Reading } from '../context/context';
import { heldAnswer } from '../context/held-answer';
import { HERE, inSql } from '../db/job-states';
import { JOB_OF_CUT } from '../db/joins';
import { listProducts } from '../rack/products';
import { listStock } from '../rack/rack';
import { inWorker } from '../work/in-worker';
import { FIND_PACKS } from './find-packs';
import { listOrders } from './line-orders';
import { cutsFound } from './read-cuts';
import { leftOver } from './left-over';
import { withoutLine } from './shortages';

const WEEKS = 4;
/** Weeks whose use says how even it is. */
const SEASON_WEEKS = 12;
/** Until the next order and its delivery. From memory, no source. */
const AHEAD_WEEKS = 4;
const DAY = 86_400_000;
const WEEK = 7 * DAY;
/** Whose line was due longer ago is no longer waited for. */
const YEAR = 365 * DAY;
/** Spools that were bought last, whose sizes and prices are those of today. */
const LAST_BOUGHT = 500;

/** Use, what is left once every waiting reel is cut, what that lasts, and what to order of it; what is needed most first. */
export async function readReorder(from: Reading): Promise<Reorder> {
  const now = from.clock().getTime();
  const [products, pieces, bought, weekly, coming, due, cuts, orders] = await Promise.all([
    listProducts(from),
    listStock(from),
    sizesBought(from),
    usedWeekly(from, now),
    stillToCome(from),
    dueSoon(from, now + AHEAD_WEEKS * WEEK),
    fromThePlan(from),
    listOrders(from),
  ]);
  // A customer's own line is nothing to reorder.
  const stock = pieces.filter(({ broughtWith }) => broughtWith === null);
  const lines = products.map((product) => {
    const mine = stock.filter((piece) => piece.product.id === product.id);
    const leftMm = sum(mine.map(({ lengthMm }) => lengthMm));
    const weeks = weekly.get(product.id) ?? NO_WEEKS;
    const usedMm = sum(weeks.slice(0, WEEKS));
    const promisedMm = sum(mine.map(({ promisedMm: of }) => of)) + (coming.get(product.id) ?? 0);
    const freeMm =
      cuts.free.get(product.code) ??
      sum(mine.map(({ lengthMm, promisedMm: of }) => Math.max(0, lengthMm - of)).filter(isOfUse));
    const lacks = cuts.lacks.get(product.code) ?? [];
    const lacksMm = sum(lacks);
    const dueMm = due.get(product.id) ?? 0;
    const onOrderMm = sum(
      orders.filter((one) => one.product.id === product.id).map(({ lengthMm, count }) => lengthMm * count),
    );
    const need = orderNeed(
      { freeMm: freeMm + onOrderMm, lacksMm, dueMm, weekly: weeks.map((mm) => Math.max(0, mm)) },
      AHEAD_WEEKS,
    );
    return {
      product,
      usedMm,
      leftMm,
      promisedMm,
      daysLeft: usedMm > 0 ? Math.floor((leftMm / usedMm) * WEEKS * 7) : null,
      sizes: bought.filter(({ productId }) => productId === product.id),
      freeMm,
      lacksMm,
      longestLackMm: Math.max(0, ...(cuts.uncovered.get(product.code) ?? [])),
      onOrderMm,
      dueMm,
      need,
    };
  });
  const asked = lines.filter(
    ({ leftMm, usedMm, promisedMm, dueMm }) => leftMm > 0 || usedMm > 0 || promisedMm > 0 || dueMm > 0,
  );
  return { weeks: WEEKS, ahead: AHEAD_WEEKS, lines: (await withPacks(asked)).sort(mostNeeded) };
}

interface Needed extends Omit<ReorderLine, 'sizes' | 'packs' | keyof OrderNeed> {
  readonly sizes: readonly Bought[];
  readonly need: OrderNeed;
}

/** The cheapest packs for each line that needs some, of the sizes it was bought in. */
async function withPacks(lines: readonly Needed[]): Promise<ReorderLine[]> {
  const found = await inWorker(
    FIND_PACKS,
    lines.map(({ sizes, need, longestLackMm }) => ({
      sizes: sizes.map(({ receivedMm, priceMinor }): PackSize => ({
        lengthMm: receivedMm,
        minor: priceMinor,
      })),
      neededMm: need.needMm,
      longestMm: longestLackMm,
    })),
  );
  return lines.map(({ need, sizes, ...line }, i) => ({
    ...line,
    ...need,
    sizes: pricesBySize(sizes),
    packs: [...(found[i]?.packs ?? [])],
  }));
}

const mostNeeded = (a: ReorderLine, b: ReorderLine): number =>
  b.lacksMm - a.lacksMm || a.lasts - b.lasts || (a.daysLeft ?? Infinity) - (b.daysLeft ?? Infinity);

const isOfUse = (mm: number): boolean => mm >= LEAST_JOINED_MM;

/** By line: what the plan of cuts leaves on pieces of use, and each length that it finds no piece for. */
async function fromThePlan(from: Reading): Promise<{
  readonly free: ReadonlyMap<string, number>;
  readonly lacks: ReadonlyMap<string, readonly number[]>;
  /** Of these, what nothing on order has. */
  readonly uncovered: ReadonlyMap<string, readonly number[]>;
}> {
  const found = await cutsFound(from);
  const { gathered, cuts } = found;
  const left = leftOver(gathered, cuts);
  const free = new Map<string, number>();
  for (const [code, { product }] of gathered.pieces) {
    const mm = left.get(code) ?? 0;
    free.set(product.code, (free.get(product.code) ?? 0) + (isOfUse(mm) ? mm : 0));
  }
  const lacks = new Map<string, number[]>();
  const uncovered = new Map<string, number[]>();
  for (const { layer, pack } of withoutLine(found)) {
    const mm = layer.wantedMm + gathered.stock.tailMm;
    for (const into of pack ? [lacks] : [lacks, uncovered])
      into.set(layer.product, [...(into.get(layer.product) ?? []), mm]);
  }
  return { free, lacks, uncovered };
}

const NO_WEEKS: readonly number[] = Array.from({ length: SEASON_WEEKS }, () => 0);

/** What takes line off for good, and what gives it back because that was a slip. */
const USED = "'filled', 'tail', 'recycled', 'written-off', 'taken-back'";

/** mm of each line used in each of the last weeks, this one first: wound off, cut off or thrown away. Counts and weighings only put the books right. */
async function usedWeekly({ query }: Reading, now: number): Promise<ReadonlyMap<number, number[]>> {
  const rows = await query<{ productId: number; week: number; mm: string | number }>(
    `SELECT pieces.product_id AS productId, FLOOR(TIMESTAMPDIFF(HOUR, moves.at, :now) / 168) AS week,
       -SUM(moves.length_mm) AS mm
     FROM moves JOIN pieces ON pieces.id = moves.piece_id
     WHERE pieces.brought_with IS NULL AND moves.at >= :since AND moves.at <= :now
       AND moves.kind IN (${USED})
     GROUP BY pieces.product_id, week`,
    { now: new Date(now), since: new Date(now - SEASON_WEEKS * WEEK) },
  );
  const weeks = new Map<number, number[]>();
  for (const { productId, week, mm } of rows) {
    const of = weeks.get(productId) ?? [...NO_WEEKS];
    const at = Math.min(SEASON_WEEKS - 1, week);
    of[at] = (of[at] ?? 0) + Number(mm);
    weeks.set(productId, of);
  }
  return weeks;
}

/** mm on reels whose line becomes due by then, or did within the last year, and that are not in the shop. */
async function dueSoon({ query }: Reading, until: number): Promise<ReadonlyMap<number, number>> {
  const rows = await query<{ productId: number; mm: string | number }>(
    `SELECT fill_layers.product_id AS productId, SUM(fill_layers.length_mm) AS mm FROM spools
     JOIN fill_layers ON fill_layers.fill_id = spools.fill_id
     WHERE spools.due_at > :since AND spools.due_at <= :until AND fill_layers.product_id IS NOT NULL AND fill_layers.role <> 'backing'
       AND spools.id NOT IN (SELECT spool_id FROM jobs WHERE state IN (${inSql(HERE)}))
     GROUP BY fill_layers.product_id`,
    { since: new Date(until - YEAR), until: new Date(until) },
  );
  return new Map(rows.map(({ productId, mm }) => [productId, Number(mm)]));
}

const sum = (figures: readonly number[]): number => figures.reduce((total, figure) => total + figure, 0);

/** mm that booked reels wait for and no piece holds yet. */
async function stillToCome({ query }: Reading): Promise<Map<number, number>> {
  const rows = await query<{ productId: number; mm: string | number }>(
    `SELECT cuts.product_id AS productId, SUM(cuts.length_mm) AS mm FROM cuts
     ${JOB_OF_CUT} WHERE jobs.state = 'booked' AND cuts.piece_id IS NULL
     GROUP BY cuts.product_id`,
  );
  return new Map(rows.map(({ productId, mm }) => [productId, Number(mm)]));
}

/** A size of a line as it was bought, with what it cost. */
interface Bought {
  readonly productId: number;
  readonly receivedMm: number;
  readonly priceMinor: number;
}

/** Each size of each line that was bought of late, with the price paid last; salvage is not bought. */
const sizesBought = heldAnswer(readSizesBought, ['pieces']).ask;

async function readSizesBought({ query }: Reading): Promise<Bought[]> {
  const late = await query<Bought>(
    `SELECT product_id AS productId, received_mm AS receivedMm, price_minor AS priceMinor FROM pieces
     WHERE price_minor IS NOT NULL AND kind <> 'salvage' ORDER BY id DESC LIMIT ${String(LAST_BOUGHT)}`,
  );
  const last = new Map<string, Bought>();
  for (const one of late.reverse()) last.set(`${String(one.productId)} ${String(one.receivedMm)}`, one);
  return [...last.values()];
}

/** The price of each size by the metre, cheapest first. */
const pricesBySize = (bought: readonly Bought[]): ReorderLine['sizes'] =>
  bought
    .map(({ receivedMm, priceMinor }) => ({
      lengthMm: receivedMm,
      minorPerMetre: priceMinor / (receivedMm / 1000),
    }))
    .sort((a, b) => a.minorPerMetre - b.minorPerMetre);
