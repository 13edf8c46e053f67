import { describe, expect, it } from 'vitest';
import { knownSpool } from '../spool/estimate';
import { inferSpool } from '../spool/infer-spool';
import {
  BACKING,
  MAIN,
  valueOf,
  WORKED_READINGS,
  WORKED_REQUEST,
  WORKED_SPOOL,
  said,
} from '../testing/examples';
import { coverageOf, STAGES, WORLDS } from '../testing/worlds';
import type { FillRequest, LayerRequest } from './fill-request';
import { planFill } from './plan-fill';

const [backing, main] = WORKED_REQUEST.layers as [LayerRequest, LayerRequest];
const estimate = valueOf(inferSpool(WORKED_READINGS.slice(0, 4)));
const withMain = (length: number): FillRequest => ({
  ...WORKED_REQUEST,
  layers: [backing, { ...main, length } as LayerRequest],
});

describe('a solved plan', () => {
  it('shows the gap its planned turns would come to, with its range', () => {
    const { gap, layers } = valueOf(planFill(estimate, WORKED_REQUEST));
    expect(gap.value).toBeCloseTo(1.5, 9);
    expect(gap.high - gap.low).toBeGreaterThan(0.8);
    expect(layers.at(-1)!.depthAfter).toEqual(gap);
    expect(valueOf(planFill(knownSpool(WORKED_SPOOL), WORKED_REQUEST)).gap.sd).toBeLessThan(0.4);
  });

  it('keeps a range where its figure is cut off at zero', () => {
    const last = valueOf(planFill(estimate, WORKED_REQUEST)).layers[0]!.length.value;
    const lengths = Array.from({ length: 60 }, (_, i) => 120 + last * 0.9 + i);
    const highs = lengths.map((length) => valueOf(planFill(estimate, withMain(length))).layers[0]!.length);
    for (const [i, { high, value }] of highs.entries()) {
      expect(value).toBeGreaterThanOrEqual(0);
      // Never a step: a metre more of main takes about a metre off the top of the range.
      if (i > 0) expect(Math.abs(high - highs[i - 1]!.high)).toBeLessThan(2);
    }
    const over = highs.find(({ value }) => value === 0)!;
    expect(over.high).toBeGreaterThan(5);
  });
});

describe('what cannot be below the line', () => {
  const plan = (...layers: readonly LayerRequest[]) =>
    valueOf(planFill(knownSpool(WORKED_SPOOL), { ...WORKED_REQUEST, layers })).issues;

  it.each<[string, readonly LayerRequest[], string]>([
    [
      'an overlap longer than its layer',
      [{ ...backing, length: 80 } as LayerRequest, { ...main, length: 3, overlap: 3.7 } as LayerRequest],
      'overlap-too-long',
    ],
    [
      'kept line deeper than the arbor',
      [{ kind: 'retained', id: 'kept', line: BACKING, left: { depth: 12 } }, main],
      'kept-below-arbor',
    ],
    [
      'a reducer inside the arbor',
      [{ kind: 'reducer', id: 'r', diameter: 20 }, backing, main],
      'reducer-inside-arbor',
    ],
  ])('%s is named', (_, layers, code) => {
    const issue = plan(...layers).find((one) => one.code === code);
    expect(issue).toMatchObject({ severity: 'error' });
    expect(said(issue!.sentence)).toMatch(/\.$/);
  });

  it('is only a caution within the doubt of the estimate', () => {
    const { spool, deviation } = estimate;
    const layers: LayerRequest[] = [
      { kind: 'reducer', id: 'r', diameter: 2 * (spool.arborRadius - deviation.arborRadius) },
      backing,
      main,
    ];
    const { issues } = valueOf(planFill(estimate, { ...WORKED_REQUEST, layers }));
    expect(issues.find(({ code }) => code === 'reducer-inside-arbor')?.severity).toBe('caution');
  });

  it('a reducer on top of line is refused', () => {
    const result = planFill(estimate, {
      ...WORKED_REQUEST,
      layers: [backing, { kind: 'reducer', id: 'r', diameter: 30 }, { ...main, line: MAIN } as LayerRequest],
    });
    expect(result.issues.map(({ code }) => code)).toEqual(['layer-out-of-order']);
  });
});

it('ranges hold eight in ten true values in worlds that are not the beliefs’ own', () => {
  for (const world of WORLDS) {
    const coverage = coverageOf(world, 90);
    const all = STAGES.map((stage) => coverage[stage]);
    const share =
      all.reduce((sum, { inside }) => sum + inside, 0) / all.reduce((sum, one) => sum + one.of, 0);
    expect(share).toBeGreaterThan(0.75);
    expect(share).toBeLessThan(0.9);
  }
}, 60_000);
