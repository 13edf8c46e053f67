import type { Person } from '@yard-spool/contract';
import {
  addMassSample,
  addTub,
  countPiece,
  recycle,
  soakPiece,
  type ServerContext,
} from '@yard-spool/server';

/** What goes into which bin over the demo's weeks: days ago, bin, grams, tubes, note. */
const BINS = [
  [19, 'nylon', 212, 3, 'from the school club’s reels'],
  [12, 'nylon', 148.5, 2, ''],
  [9, 'braid', 64, 1, 'two pike reels'],
  [5, 'fluorocarbon', 41, 1, ''],
  [2, 'nylon', 96.5, 1, 'counter stripping'],
] as const;

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

/**
 * The rack's own days: bins filled, one spool counted and found short, braid weighed for its grams a metre, and two
 * tubs with line in the water this morning.
 */
export async function liveRackDays(
  context: ServerContext,
  person: Person,
  clock: { at: Date },
  today: Date,
  products: ReadonlyMap<string, number>,
): Promise<void> {
  const before = clock.at;
  for (const [days, stream, grams, tubes, why] of BINS) {
    clock.at = new Date(today.getTime() - days * DAY);
    await recycle(context, person, { stream, grams, tubes, why, piece: null });
  }
  clock.at = new Date(today.getTime() - 3 * DAY);
  await countPiece(context, person, 'N-212', { lengthMm: 149_000, why: 'measured against the door marks' });
  const braid = products.get('MB-19');
  if (braid !== undefined) await addMassSample(context, person, braid, { lengthMm: 100_000, grams: 1.92 });
  const left = await addTub(context, person, 'Left tub');
  const right = await addTub(context, person, 'Right tub');
  for (const [tub, code, hours] of [
    [left.id, 'N-211', 0.8],
    [left.id, 'N-220', 2.1],
    [right.id, 'N-240', 5.5],
  ] as const) {
    clock.at = new Date(today.getTime() - hours * HOUR);
    await soakPiece(context, person, tub, code);
  }
  clock.at = before;
}
