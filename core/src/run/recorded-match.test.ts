import { describe, expect, it } from 'vitest';
import { payOut } from '../counter/paid-out';
import { FT, WORKED } from '../testing/counter-examples';
import { surfaceAfter, turnsToPayOut } from '../testing/counter-shop';
import { metresPer } from '../counter/counter-unit';
import { turnsBetween } from '../winding/winding';
import { recordedTable, runsAheadOf } from './recorded-match';

const perTurn = 100 / payOut(WORKED, 100 * FT).turns;
const KEPT = { spool: WORKED, perTurn, readsSd: 0.005, match: 100 * FT, unit: 'ft' } as const;
const at = (length: number, since?: Parameters<typeof recordedTable>[1]): number =>
  recordedTable(KEPT, since).find((row) => Math.abs(row.length - length) < 1e-6)!.reading.value;

describe('a matched counter later', () => {
  it('reads at the match as it was left, and runs ahead past it', () => {
    expect(at(100)).toBeCloseTo(100, 9);
    expect(at(200)).toBeGreaterThan(205);
    expect(runsAheadOf(KEPT)).toBeCloseTo(at(200) - 200, 9);
    expect(runsAheadOf({ ...KEPT, match: 200 })).toBeNull();
  });

  it('reads higher after a break-off, as the reel turn by turn does', () => {
    const area = WORKED.layers[0]!.area;
    const turns = turnsBetween(25, 10, 20, area);
    const less = surfaceAfter(25, 10, area, turns - turnsToPayOut(WORKED, 20, 20));
    expect(at(100, { broken: 20 }) / (perTurn * turnsToPayOut(WORKED, less, 100 * FT))).toBeCloseTo(1, 3);
    expect(at(100, { broken: 20 })).toBeGreaterThan(106);
  });

  it('reads lower with thinner line filled to the same level', () => {
    const thin = { ...WORKED, layers: [{ inner: 10, area: WORKED.layers[0]!.area / 4 }] };
    expect(at(100, { thickness: 0.5 })).toBeLessThan(97);
    expect(at(100, { thickness: 0.5 })).toBeCloseTo(perTurn * turnsToPayOut(thin, 20, 100 * FT), 1);
  });

  it('tells how sure each row is', () => {
    const rows = recordedTable(KEPT).map(({ length, reading }) => ({
      length,
      share: reading.sd / reading.value,
    }));
    const atMark = rows.find(({ length }) => Math.abs(length - KEPT.match / metresPer(KEPT.unit)) < 0.01)!;
    expect(atMark.share).toBeCloseTo(1.1 * 0.005, 5);
    expect(rows.at(-1)!.share).toBeGreaterThan(1.3 * 0.005);
  });
});
