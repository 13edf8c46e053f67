import { expect, it } from 'vitest';
import { joinWaiting, type WaitingRows } from './waiting-reels';

/** Rows that tell how often anybody looked at one of their numbers. */
function shopOf(waiting: number) {
  let looked = 0;
  const counting = <Row extends object>(row: Row): Row =>
    new Proxy(row, {
      get: (of, name) => {
        looked += 1;
        return Reflect.get(of, name) as unknown;
      },
    });
  const each = <Row extends object>(make: (i: number) => Row): Row[] =>
    Array.from({ length: waiting }, (_, i) => counting(make(i + 1)));
  const rows = {
    jobs: each((id) => ({ id, bagId: Math.ceil(id / 10), planInput: {}, plan: {}, wants: {} })),
    cuts: each((jobId) => ({ jobId, layer: 'main', pieceId: 1, lengthMm: jobId, tailMm: 2000, takes: null })),
    whose: each((jobId) => ({
      jobId,
      type: 'fixed-spool',
      tag: `R-${String(jobId)}`,
      label: `Reel ${String(jobId)}`,
      customerId: 5 * Math.ceil(jobId / 10),
      customer: `Customer ${String(Math.ceil(jobId / 10))}`,
      promisedAt: new Date(jobId * 1000),
    })),
  };
  return { rows: rows as unknown as WaitingRows, looked: () => looked };
}

it('reels that wait are each joined with their own, at a cost that grows with how many they are and no faster', () => {
  const few = shopOf(50);
  const many = shopOf(500);
  joinWaiting(few.rows);
  const joined = joinWaiting(many.rows);
  expect(many.looked()).toBeLessThan(11 * few.looked());
  expect(joined).toHaveLength(500);
  expect(joined[41]).toMatchObject({
    customerId: 25,
    cuts: [{ layer: 'main', lengthMm: 42, takes: null }],
    shown: { jobId: 42, tag: 'R-42', bagNumber: 5, customer: 'Customer 5' },
  });
});

it('a job without its reel is no reel that waits', () => {
  const { rows } = shopOf(3);
  expect(() => joinWaiting({ ...rows, whose: [] })).toThrow('has no reel or no bag');
});
