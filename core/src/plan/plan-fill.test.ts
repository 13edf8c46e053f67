import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { knownSpool } from '../spool/estimate';
import { inferSpool } from '../spool/infer-spool';
import { BACKING, MAIN, valueOf, WORKED_READINGS, WORKED_REQUEST, WORKED_SPOOL } from '../testing/examples';
import type { FillRequest, LayerRequest } from './fill-request';
import { planFill } from './plan-fill';

const exact = knownSpool(WORKED_SPOOL);
const braid = { key: 'braid', material: 'braid', diameter: 0.19 } as const;
const codes = (request: FillRequest): string[] =>
  planFill(exact, request).ok
    ? valueOf(planFill(exact, request)).issues.map(({ code }) => code)
    : planFill(exact, request).issues.map(({ code }) => code);
const withMain = (length: number, more: Partial<FillRequest> = {}): FillRequest => ({
  ...WORKED_REQUEST,
  ...more,
  layers: [WORKED_REQUEST.layers[0]!, { kind: 'line', id: 'main', role: 'main', line: MAIN, length }],
});

describe('planFill on the exact example', () => {
  const plan = valueOf(planFill(exact, WORKED_REQUEST));
  const [backing, main] = plan.layers;

  it('gives the worked arbor, backing, join and turns to the digits shown', () => {
    expect(WORKED_SPOOL.arborRadius).toBeCloseTo(13.268, 3);
    expect(backing!.length.value).toBeCloseTo(81.77, 2);
    expect(backing!.depthAfter.value).toBeCloseTo(6.069, 3);
    expect(backing!.handleTurns.value).toBeCloseTo(165.7, 1);
    expect(main!.handleTurns.value).toBeCloseTo(191.1, 1);
  });

  it('ends at the gap, with all of the main on', () => {
    expect(plan.gap.value).toBeCloseTo(1.5, 9);
    expect(plan.total).toBeCloseTo(201.77, 2);
    expect(plan.solvedFor).toBe('backing');
  });

  it('brings in the circumference times the gear with each handle turn', () => {
    expect(main!.perTurnEnd).toBeCloseTo((2 * Math.PI * 21.5 * 5.2) / 1000, 9);
    expect(backing!.perTurnStart).toBeLessThan(backing!.perTurnEnd);
  });

  it('comes to a smaller gap once the nylon is wet', () => {
    expect(plan.wetGap!.low).toBeLessThan(plan.wetGap!.high);
    expect(plan.wetGap!.high).toBeLessThan(1.5);
  });
});

describe('planFill with one thing unknown', () => {
  it('solves for the gap where every layer is given', () => {
    const layers: LayerRequest[] = [
      { kind: 'line', id: 'backing', role: 'backing', line: BACKING, length: 81.768 },
      { kind: 'line', id: 'main', role: 'main', line: MAIN, length: 120 },
    ];
    expect(valueOf(planFill(exact, { layers, gear: 5.2 })).gap.value).toBeCloseTo(1.5, 4);
  });

  it('solves for tape wraps: n = (√(R0² + Vb/(πW)) − R0)/t', () => {
    const layers: LayerRequest[] = [
      { kind: 'tape', id: 'tape', thickness: 0.15, wraps: 'fits' },
      { kind: 'line', id: 'main', role: 'main', line: MAIN, length: 120 },
    ];
    const [tape] = valueOf(planFill(exact, { layers, gap: 1.5, gear: 5.2 })).layers;
    expect(tape!.wraps.value).toBeCloseTo((23 - 6.0688 - WORKED_SPOOL.arborRadius) / 0.15, 1);
    expect(tape!.length.value).toBe(0);
  });

  it('starts on old backing left on by its depth, or on a reducer', () => {
    const main: LayerRequest = { kind: 'line', id: 'main', role: 'main', line: MAIN, length: 'fits' };
    const kept: LayerRequest = { kind: 'retained', id: 'old', line: BACKING, left: { depth: 6.0688 } };
    const onOld = valueOf(planFill(exact, { layers: [kept, main], gap: 1.5, gear: 5.2 }));
    expect(onOld.layers[1]!.length.value).toBeCloseTo(120, 1);
    expect(onOld.layers[0]!.length.value).toBeCloseTo(81.77, 1);
    const reducer: LayerRequest = { kind: 'reducer', id: 'reducer', diameter: 2 * (23 - 6.0688) };
    expect(
      valueOf(planFill(exact, { layers: [reducer, main], gap: 1.5, gear: 5.2 })).layers[1]!.length.value,
    ).toBeCloseTo(120, 1);
  });

  it('counts a spliced overlap once in the total and winds both lines together over it', () => {
    const cushion: LayerRequest = { kind: 'line', id: 'cushion', role: 'cushion', line: MAIN, length: 40 };
    const over = (overlap: number): LayerRequest => ({
      kind: 'line',
      id: 'main',
      role: 'main',
      line: braid,
      length: 100,
      overlap,
    });
    const [plain, spliced] = [0, 3.66].map((overlap) =>
      valueOf(planFill(exact, { layers: [cushion, over(overlap)], gear: 1 })),
    );
    expect(plain!.total - spliced!.total).toBeCloseTo(3.66, 9);
    expect(spliced!.gap.value).toBeCloseTo(plain!.gap.value, 9);
    const turns = (plan: typeof plain): number =>
      plan!.layers.reduce((sum, { spoolTurns }) => sum + spoolTurns, 0);
    expect(turns(plain) - turns(spliced)).toBeCloseTo(
      3660 / (2 * Math.PI * (23 - plain!.layers[0]!.depthAfter.value)),
      0,
    );
  });
});

describe('planFill says what cannot or should not be', () => {
  it('tells by how much a main is too long', () => {
    const [issue] = valueOf(planFill(exact, withMain(300))).issues;
    expect(issue?.code).toBe('does-not-fit');
    const holds = valueOf(
      planFill(exact, {
        ...WORKED_REQUEST,
        layers: [{ kind: 'line', id: 'main', role: 'main', line: MAIN, length: 'fits' }],
      }),
    );
    expect(issue?.values?.excess).toBeCloseTo(300 - holds.total, 3);
  });

  it.each([
    [90.9, true],
    // Told in whole yards it is a hundred of them.
    [91, false],
    [92, false],
  ])('at %s m in all is under a hundred yards: %s', (length, short) => {
    const layers = [{ kind: 'line', id: 'm', role: 'main', line: MAIN, length }] as const;
    const { issues } = valueOf(planFill(exact, { gear: 5, layers }));
    expect(issues.some(({ code }) => code === 'too-little-line')).toBe(short);
  });

  it.each<[string, FillRequest, string]>([
    ['line proud of the lip', withMain(120, { gap: -0.5 }), 'negative-gap'],
    ['a main that is less than a cast and a half', withMain(60), 'join-within-a-cast'],
    [
      'under 100 yd in all',
      { gear: 5, gap: 7, layers: [{ kind: 'line', id: 'm', role: 'main', line: MAIN, length: 'fits' }] },
      'too-little-line',
    ],
    [
      'springy backing under braid',
      {
        gear: 5,
        gap: 1.5,
        layers: [
          { kind: 'line', id: 'b', role: 'backing', line: { ...BACKING, diameter: 0.4 }, length: 'fits' },
          { kind: 'line', id: 'm', role: 'main', line: braid, length: 120 },
        ],
      },
      'springy-backing',
    ],
    [
      'braid on a bare arbor',
      { gear: 5, gap: 1.5, layers: [{ kind: 'line', id: 'm', role: 'main', line: braid, length: 'fits' }] },
      'braid-on-bare-arbor',
    ],
    ['a join too thick for the guide', withMain(120, { guideBore: 0.9 }), 'join-too-thick'],
    [
      'two unknowns',
      { gear: 5, gap: 1, layers: [WORKED_REQUEST.layers[0]!, { ...WORKED_REQUEST.layers[0]!, id: 'again' }] },
      'two-unknowns',
    ],
    ['a gear ratio of zero', withMain(120, { gear: 0 }), 'layer-out-of-range'],
    ['no gap to fill to', { gear: 5, layers: [WORKED_REQUEST.layers[0]!] }, 'no-unknown'],
  ])('%s', (_, request, code) => {
    expect(codes(request)).toContain(code);
  });

  it('says nothing of a plan that is well', () => {
    expect(codes(WORKED_REQUEST)).toEqual([]);
  });
});

describe('planFill always', () => {
  const estimate = valueOf(inferSpool(WORKED_READINGS));
  const lengths = fc.double({ min: 1, max: 180, noNaN: true });

  it('puts on less backing the more main is wanted, and never less than none', () => {
    fc.assert(
      fc.property(lengths, fc.double({ min: 0.1, max: 60, noNaN: true }), (length, more) => {
        const [less, greater] = [length, length + more].map(
          (one) => valueOf(planFill(estimate, withMain(one))).layers[0]!.length,
        );
        expect(greater!.value).toBeLessThanOrEqual(less!.value);
        expect(greater!.value).toBeGreaterThanOrEqual(0);
        expect(greater!.low).toBeGreaterThanOrEqual(0);
      }),
    );
  });

  it('fills just the space up to the gap: layer volumes add up', () => {
    fc.assert(
      fc.property(lengths, fc.double({ min: 0, max: 3, noNaN: true }), (length, gap) => {
        const plan = valueOf(planFill(estimate, withMain(length, { gap })));
        const first = plan.layers[0]!;
        const last = plan.layers.at(-1)!;
        expect(first.outerRadius).toBeCloseTo(last.innerRadius, 9);
        if (!plan.issues.some(({ code }) => code === 'does-not-fit'))
          expect(plan.gap.value).toBeCloseTo(gap, 6);
      }),
    );
  });
});
