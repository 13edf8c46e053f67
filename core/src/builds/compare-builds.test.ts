import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { lineCost } from '../money/line-cost';
import { knownSpool } from '../spool/estimate';
import { BACKING, MAIN, valueOf, WORKED_SPOOL } from '../testing/examples';
import type { Build, BuildChoice, BuildKind } from './build';
import { compareBuilds } from './compare-builds';

const spool = knownSpool(WORKED_SPOOL);
const CHOICE: BuildChoice = {
  main: { line: MAIN, free: 400, pricePerMetre: 0.1 },
  backing: { line: BACKING, free: 600, pricePerMetre: 0.02 },
  mainLength: 120,
  gap: 1.5,
  gear: 5.2,
  spareSpool: true,
};
const FIRST = { order: 'backing-first' } as const;
const builds = (choice: Partial<BuildChoice> = {}, house: Parameters<typeof compareBuilds>[2] = FIRST) =>
  valueOf(compareBuilds(spool, { ...CHOICE, ...choice }, house));
const kinds = (list: readonly Build[]): BuildKind[] => list.map(({ kind }) => kind);
const one = (list: readonly Build[], kind: BuildKind): Build => list.find((build) => build.kind === kind)!;

describe('compareBuilds', () => {
  it('offers every way there is to fill the spool', () => {
    expect(kinds(builds()).sort()).toEqual(['backing', 'main-first', 'main-only', 'shorter-main', 'tape']);
  });

  it('leaves out what needs a backing or a spare spool that is not there', () => {
    const { main, mainLength, gap, gear } = CHOICE;
    const bare = { main, mainLength, gap, gear };
    expect(kinds(valueOf(compareBuilds(spool, bare, FIRST))).sort()).toEqual(['main-only', 'tape']);
    expect(kinds(builds({ spareSpool: false }))).not.toContain('main-first');
  });

  it('gives the worked backing and its cost', () => {
    const backing = one(builds(), 'backing');
    expect(backing.uses.backing).toBeCloseTo(81.77, 2);
    expect(backing.cost.value).toBeCloseTo(120 * 0.1 + 81.77 * 0.02, 3);
    expect(backing.joins).toBe(1);
    expect(backing.left.main).toBeCloseTo(280, 9);
    expect(backing.left.backing).toBeCloseTo(600 - 81.77, 2);
  });

  it('tells what backing saves against filling with main', () => {
    const list = builds();
    const all = one(list, 'main-only');
    const backing = one(list, 'backing');
    expect(all.saves).toBe(0);
    expect(all.joins).toBe(0);
    expect(backing.saves).toBeCloseTo(all.cost.value - backing.cost.value, 9);
    expect(backing.saves).toBeGreaterThan(0);
    expect(backing.reason).toContain('for less than filling with main');
  });

  it('keeps a shorter main longer than a cast and a half', () => {
    expect(one(builds(), 'shorter-main').uses.main).toBeCloseTo(80, 9);
    expect(one(builds({ mainLength: 90 }), 'shorter-main').uses.main).toBeCloseTo(75, 9);
    expect(kinds(builds({ mainLength: 70 }))).not.toContain('shorter-main');
  });

  it('counts both windings of main first, and the same lengths', () => {
    const list = builds();
    const backing = one(list, 'backing');
    const swap = one(list, 'main-first');
    expect(swap.uses.backing).toBeCloseTo(backing.uses.backing, 6);
    expect(swap.handleTurns).toBeGreaterThan(1.8 * backing.handleTurns);
  });

  it('puts what cannot be done last and says how much is missing', () => {
    const list = builds({ main: { ...CHOICE.main, free: 100 } });
    expect(list[0]!.kind).toBe('shorter-main');
    const backing = one(list, 'backing');
    expect(backing.issues).toContainEqual(
      expect.objectContaining({
        code: 'piece-too-short',
        at: 'main',
        sentence: {
          code: 'build.piece-too-short',
          values: { piece: 'main', short: { m: expect.closeTo(20) } },
        },
      }),
    );
  });

  it('puts the house’s order of winding first', () => {
    expect(builds({}, { order: 'main-first' })[0]!.kind).toBe('main-first');
    expect(builds()[0]!.kind).not.toBe('main-first');
  });

  it('says of a main that is too long that it does not fit', () => {
    const list = builds({ mainLength: 400 });
    expect(one(list, 'backing').issues.map(({ code }) => code)).toContain('does-not-fit');
    expect(one(list, 'main-only').issues).toEqual([]);
    expect(list[0]!.kind).toBe('main-only');
  });

  it('refuses a choice that makes no sense', () => {
    const refused = compareBuilds(spool, { ...CHOICE, gear: 0 }, FIRST);
    expect(refused.ok).toBe(false);
    expect(refused.issues[0]?.code).toBe('layer-out-of-range');
  });

  it('keeps line: what a build uses and what it leaves is what was free', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 180, noNaN: true }),
        fc.double({ min: 0, max: 900, noNaN: true }),
        (mainLength, free) => {
          for (const { uses, left, plan, cost } of builds({ mainLength, main: { ...CHOICE.main, free } })) {
            expect(uses.main + left.main).toBeCloseTo(free, 9);
            expect(plan.total).toBeCloseTo(uses.main + uses.backing, 6);
            expect(cost.low).toBeLessThanOrEqual(cost.value);
            expect(cost.high).toBeGreaterThanOrEqual(cost.value);
          }
        },
      ),
      { numRuns: 20 },
    );
  });
});

describe('lineCost', () => {
  it('costs nothing for what has no price', () => {
    const { plan } = one(builds(), 'backing');
    expect(lineCost(plan, {}).value).toBe(0);
    expect(lineCost(plan, { backing: 1 }).value).toBeCloseTo(81.77, 2);
  });
});
