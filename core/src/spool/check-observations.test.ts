import { describe, expect, it } from 'vitest';
import { MAIN, WORKED_READINGS, said } from '../testing/examples';
import { inferSpool } from './infer-spool';
import type { Observation } from './observation';

const depth = (layers: Extract<Observation, { kind: 'depth' }>['layers'], at = 2): Observation => ({
  kind: 'depth',
  layers,
  depth: at,
  by: 'eye',
});

describe('observations that cannot be', () => {
  it.each<[string, Observation, string]>([
    ['a rating that is no number', { kind: 'rating', length: NaN, diameter: 0.3 }, 'length'],
    ['a rating of rope', { kind: 'rating', length: 100, diameter: 6 }, 'diameter'],
    ['a lip wider than any reel', { kind: 'lip', diameter: 900 }, 'diameter'],
    ['a tapered arbor of no far end', { kind: 'arbor', diameter: 30, farDiameter: 0 }, 'farDiameter'],
    ['a width of a pencil line', { kind: 'width', width: 0.5 }, 'width'],
    ['a retrieve of a mile', { kind: 'retrieve', perTurn: 1600, gear: 5 }, 'perTurn'],
    ['a gear that does not turn', { kind: 'retrieve', perTurn: 0.7, gear: 0 }, 'gear'],
    ['a depth deeper than a bucket', depth([], 300), 'depth'],
    ['a negative length on', depth([{ line: MAIN, length: -2 }]), 'layers.0.length'],
    ['turns without end', depth([{ line: MAIN, spoolTurns: Infinity }]), 'layers.0.spoolTurns'],
    ['line of no thickness', depth([{ line: { ...MAIN, diameter: 0 }, length: 5 }]), 'layers.0.diameter'],
  ])('%s is named at its place', (_, observation, field) => {
    const result = inferSpool([...WORKED_READINGS, observation]);
    expect(result.ok).toBe(false);
    expect(result.issues).toHaveLength(1);
    expect(result.issues[0]).toMatchObject({
      code: 'observation-out-of-range',
      severity: 'error',
      at: `observations.${String(WORKED_READINGS.length)}.${field}`,
    });
    expect(said(result.issues[0]!.sentence)).toMatch(/must be from .* to .*\.$/);
  });

  it('names every one of several', () => {
    const result = inferSpool([
      { kind: 'lip', diameter: 1 },
      { kind: 'width', width: 0 },
    ]);
    expect(result.issues.map(({ at }) => at)).toEqual(['observations.0.diameter', 'observations.1.width']);
  });
});

describe('observations that disagree', () => {
  it('give a spool and a caution that names the odd one out', () => {
    const result = inferSpool([...WORKED_READINGS, { kind: 'rating', length: 260, diameter: 0.28 }]);
    expect(result.ok).toBe(true);
    expect(result.issues[0]).toMatchObject({
      code: 'reading-disagrees',
      severity: 'caution',
      at: 'observations.5',
    });
    expect(said(result.issues[0]!.sentence)).toMatch(/The 0\.28 rating says \d+ % more than the rest\./);
    expect(result.issues[0]!.values!.excess).toBeGreaterThan(0.4);
  });

  it('give no caution where they agree', () => {
    expect(inferSpool(WORKED_READINGS).issues).toEqual([]);
  });
});
