import { describe, expect, it } from 'vitest';
import { evidenceOfRun, observationsOfFill } from '../settle/evidence-of-run';
import { settleFill } from '../settle/settle-fill';
import { BACKING, valueOf, WORKED_READINGS, WORKED_REQUEST } from '../testing/examples';
import { meteredBacking, type MeteredWinding } from '../testing/metered-fill';
import { normalFrom, seeded } from '../numeric/random';
import { METER_SD } from '../spool/priors';
import { done, event, FACTS } from '../testing/runs';
import { foldRun } from './fold-run';
import { measuredRadius } from './measured-radius';
import { markDue, meterStands } from './metering';
import type { RunEvent } from './run-event';
import { runUnderWay, spoolUnderWay } from './under-way';

const INPUT = { observations: WORKED_READINGS.slice(0, 3), request: WORKED_REQUEST };
/** A spool that is not as it is believed to be. */
const TRUTH: MeteredWinding = {
  spool: { lipRadius: 23, width: 16, arborRadius: 14.1, packing: 0.66, ratingDepth: 1.5 },
  line: BACKING,
  bulk: 1.04,
  gear: WORKED_REQUEST.gear,
  turns: 156,
};
const foldOf = (log: readonly RunEvent[]) => foldRun(FACTS, log);
const surface = ({ spool, line, bulk, gear, turns }: MeteredWinding): number =>
  spool.arborRadius +
  (turns * gear * Math.PI * line.diameter ** 2 * bulk) / (4 * spool.packing * spool.width);
const measuredOf = (input: Pick<typeof INPUT, 'observations'>, log: readonly RunEvent[]) => {
  const state = foldOf(log);
  const known = spoolUnderWay(input, FACTS, state)!;
  const unmetered = spoolUnderWay(input, FACTS, { ...state, stretches: [] })!;
  return measuredRadius(known, unmetered, state, 'backing')!;
};
const measured = (log: readonly RunEvent[]) => measuredOf(INPUT, log);
const numbered = (log: readonly RunEvent[]): RunEvent[] => log.map((one, i) => ({ ...one, seq: i + 1 }));

describe('a reel that measures itself', () => {
  it('tells the radius it is wound at, narrower with each stretch', () => {
    const early = measured(meteredBacking({ ...TRUTH, turns: 60 }));
    const late = measured(meteredBacking(TRUTH));
    expect(early.stretches).toBe(4);
    expect(late.stretches).toBe(12);
    expect(late.sd).toBeLessThan(early.sd);
    expect(late.sd).toBeLessThan(0.4 * late.sdWithout);
    expect(Math.abs(late.value - surface(TRUTH))).toBeLessThan(2 * late.sd);
  });

  it('makes what is left to wind surer, and nearer to what truly fits', () => {
    const log = meteredBacking(TRUTH);
    const unmetered = numbered(log.filter(({ kind }) => kind !== 'metered'));
    const toGo = (events: readonly RunEvent[]) => runUnderWay(INPUT, FACTS, foldOf(events))!.winding!;
    const width = (events: readonly RunEvent[]): number => {
      const { high, low } = toGo(events).likely;
      return high - low;
    };
    expect(width(log)).toBeLessThan(0.7 * width(unmetered));
    const metres = foldOf(log).mark!.metres;
    expect(Math.abs(toGo(log).lengthSoFar / metres - 1)).toBeLessThan(0.012);
    expect(Math.abs(toGo(log).lengthSoFar - metres)).toBeLessThan(
      Math.abs(toGo(unmetered).lengthSoFar - metres),
    );
  });

  it('leaves out a stretch in which the line slipped, and holds a meter’s own scale to a hundredth', () => {
    const slipped = measured(
      meteredBacking({ ...TRUTH, scale: (turn) => (turn >= 60 && turn < 84 ? 0.8 : 1) }),
    );
    expect(slipped.leftOut).toBe(2);
    expect(Math.abs(slipped.value - surface(TRUTH))).toBeLessThan(2 * slipped.sd);
    const long = measured(meteredBacking({ ...TRUTH, scale: () => 1.008 }));
    expect(Math.abs(long.value - surface(TRUTH))).toBeLessThan(2 * long.sd);
  });

  it('finds spool after spool where it truly is, and is no surer than it should be', () => {
    const normal = normalFrom(seeded(7));
    const around = (median: number, sd: number): number => median * Math.exp(sd * normal());
    const lip = { observations: WORKED_READINGS.filter(({ kind }) => kind === 'lip') };
    const off = Array.from({ length: 60 }, () => {
      const arborRadius = around(14.5, 0.06);
      const packing = around(0.7, 0.08);
      const scale = around(1, METER_SD);
      const spool = { ...TRUTH.spool, arborRadius, packing, width: around(17, 0.1) };
      const truth = { ...TRUTH, spool, scale: () => scale };
      const { value, sd } = measuredOf(lip, meteredBacking(truth));
      return Math.abs(value - surface(truth)) / sd;
    });
    expect(Math.max(...off)).toBeLessThan(3.5);
    const inside = off.filter((one) => one < 1).length / off.length;
    expect(inside).toBeGreaterThan(0.6);
  });

  it('begins a stretch again where line may have moved uncounted', () => {
    const log = meteredBacking({ ...TRUTH, turns: 72 });
    const all = foldOf(log).stretches.length;
    for (const kind of ['held', 'device-at', 'count-set', 'turns'] as const) {
      const payload = {
        held: { on: true },
        'device-at': { device: 'reed', count: 24 },
        'count-set': { layer: 'backing', turns: 24 },
        turns: { layer: 'backing', turns: -1 },
      }[kind];
      const between = { ...event(0, { kind, payload } as never), id: 'between' };
      const broken = foldOf(numbered([...log.slice(0, 10), between, ...log.slice(10)]));
      expect(broken.stretches).toHaveLength(all - 1);
    }
    const restarted = {
      ...event(0, { kind: 'restarted', payload: { layer: 'backing', why: 'loose' } }),
      id: 'x',
    };
    expect(foldOf(numbered([...log, restarted])).stretches).toEqual([]);
    expect(foldOf(numbered([...log, ...done(0, 'wind-backing')])).mark).toBeNull();
  });

  it('is marked first at once, then every few metres, and never while the count is held', () => {
    const state = foldOf(meteredBacking({ ...TRUTH, turns: 12 }));
    const credited = (turns: number) =>
      ({
        kind: 'turns',
        payload: { layer: 'backing', turns, per: TRUTH.gear, device: 'reed', count: 12 + turns, from: 12 },
      }) as const;
    const at = (metres: number) => ({ meter: 'wheel', metres: state.mark!.metres + metres });
    expect(markDue(state, credited(8), at(4.2), TRUTH.gear)).toBeNull();
    expect(markDue(state, credited(4), at(5.2), TRUTH.gear)).toBeNull();
    expect(markDue(state, credited(10), at(5.2), TRUTH.gear)?.kind).toBe('metered');
    expect(markDue({ ...state, mark: null }, credited(1), at(0.1), TRUTH.gear)?.kind).toBe('metered');
    expect(markDue({ ...state, held: true }, credited(10), at(5.2), TRUTH.gear)).toBeNull();
    expect(markDue(state, null, at(50), TRUTH.gear)).toBeNull();
    // Line that runs beside the meter: begun again, and no stretch.
    expect(markDue(state, credited(40), at(0), TRUTH.gear)?.kind).toBe('metered');
    const beside = numbered([
      ...meteredBacking({ ...TRUTH, turns: 12 }),
      { ...event(0, credited(40)), id: 'beside' },
      { ...event(0, markDue(state, credited(40), at(0), TRUTH.gear)!), id: 'marked' },
    ]);
    expect(meterStands(foldOf(beside.slice(0, -1)))).toBe(true);
    expect(meterStands(foldOf(beside))).toBe(true);
    expect(meterStands(state)).toBe(false);
    expect(foldOf(beside).stretches).toEqual([]);
  });

  it('is part of the settled fill, and of what is known of the spool next time', () => {
    const log = [...meteredBacking(TRUTH), ...done(200, 'wind-backing')];
    const state = foldOf(log);
    const evidence = evidenceOfRun(INPUT, FACTS, state, {});
    const settled = valueOf(settleFill(evidence));
    const [backing] = settled.layers;
    expect(backing!.restsOn).toContain('meter');
    expect(Math.abs(backing!.outerRadius - surface(TRUTH))).toBeLessThan(0.3);
    const left = observationsOfFill(evidence, settled).filter(({ kind }) => kind === 'stretch');
    expect(left).toHaveLength(4);
    const without = valueOf(settleFill({ ...evidence, stretches: [] }));
    expect(backing!.length.sd).toBeLessThan(0.5 * without.layers[0]!.length.sd);
  });
});
