import type { Stock } from '@yard-spool/core';
import { describe, expect, it } from 'vitest';
import { FIND_CUTS } from '../cuts/find-cuts';
import { inWorker } from './in-worker';
import { OnlyLast } from './only-last';

/** Too many lengths, none like another, on too few pieces: nobody proves the best of it in an hour. */
const HARD: Stock = {
  tailMm: 2000,
  pieces: Array.from({ length: 12 }, (_, i) => ({
    id: `piece ${String(i)}`,
    product: 'A',
    freeMm: 700_000 + 997 * i,
    opened: i % 2 === 0,
    openedAt: i % 2 === 0 ? i : null,
    usableMm: 20_000,
  })),
  jobs: Array.from({ length: 60 }, (_, i) => ({
    id: `job ${String(i)}`,
    main: { product: 'A', wantedMm: 80_000 + 3571 * (i % 37), leastMm: 70_000 + 3571 * (i % 37) },
    backing: null,
  })),
};
const EASY: Stock = { ...HARD, jobs: HARD.jobs.slice(0, 1) };
/** Longer than any work may take. */
const FOREVER = 3_600_000;

describe('work beside the event loop', () => {
  it('ends where nobody wants it any more, and leaves its place to others', async () => {
    const unwanted = new AbortController();
    const found = inWorker(FIND_CUTS, { stock: HARD, within: FOREVER }, { signal: unwanted.signal });
    // It has begun: what comes behind it in another worker is made meanwhile.
    await inWorker(FIND_CUTS, { stock: EASY, within: FOREVER });
    unwanted.abort();
    await expect(found).rejects.toMatchObject({ name: 'AbortError' });
    expect((await inWorker(FIND_CUTS, { stock: EASY, within: FOREVER })).cuts).toHaveLength(1);
  });

  it('is not begun where nobody wants it by then', async () => {
    const signal = AbortSignal.abort();
    const found = inWorker(FIND_CUTS, { stock: HARD, within: FOREVER }, { signal });
    await expect(found).rejects.toMatchObject({ name: 'AbortError' });
  });
});

it('of which only the last is wanted ends when it is overtaken', async () => {
  const finder = new OnlyLast();
  const first = finder.begin((signal) => inWorker(FIND_CUTS, { stock: HARD, within: FOREVER }, { signal }));
  const second = finder.begin((signal) => inWorker(FIND_CUTS, { stock: EASY, within: FOREVER }, { signal }));
  await expect(first).rejects.toMatchObject({ name: 'AbortError' });
  expect((await second).cuts).toHaveLength(1);
});
