import fc from 'fast-check';
import { expect, it } from 'vitest';
import { standingOut, upperTail } from './stands-out';

it('has the upper tail of a binomial, as one toss after another comes to', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 40 }),
      fc.nat(40),
      fc.double({ min: 0.001, max: 0.6, noNaN: true }),
      (n, k, p) => {
        let counts = [1];
        for (let i = 0; i < n; i += 1)
          counts = [...counts, 0].map((one, j) => one * (1 - p) + (counts[j - 1] ?? 0) * p);
        const tail = counts.slice(k).reduce((sum, one) => sum + one, 0);
        expect(upperTail(k, n, p)).toBeCloseTo(tail, 10);
      },
    ),
  );
});

it('tells a lot that chance does not explain, and no other', () => {
  const lots = Array.from({ length: 30 }, (_, i) => ({ key: `L${String(i)}`, filled: 20, back: i % 2 }));
  const all = { filled: 640, back: 20 };
  expect(standingOut(lots, all)).toEqual([]);
  const [first, ...more] = standingOut([...lots, { key: 'BAD', filled: 8, back: 4 }], all);
  expect(more).toEqual([]);
  expect(first).toMatchObject({ key: 'BAD', filled: 8, back: 4 });
  expect(first?.elsewhere).toBeCloseTo(16.5 / 633, 10);
  expect(first?.odds).toBeGreaterThan(500);
});

it('says nothing of one that came back, or where all did', () => {
  expect(standingOut([{ key: 'A', filled: 1, back: 1 }], { filled: 400, back: 1 })).toEqual([]);
  expect(standingOut([{ key: 'A', filled: 5, back: 5 }], { filled: 5, back: 5 })).toEqual([]);
});
