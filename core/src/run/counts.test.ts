import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inferSpool } from '../spool/infer-spool';
import { valueOf, WORKED_READINGS, WORKED_REQUEST } from '../testing/examples';
import { done, event, FACTS, turns } from '../testing/runs';
import { amountOf, takenOff } from './counted-amount';
import { depthsAsObservations } from './depth-observations';
import { foldRun } from './fold-run';
import { gapRemedy, thumbRemedy } from './gap-remedy';
import { looseLayer } from './loose';
import type { RunEvent } from './run-event';
import { tooLong } from './too-long';
import { runUnderWay } from './under-way';

const INPUT = { observations: WORKED_READINGS.slice(0, 4), request: WORKED_REQUEST };
const state = (...log: readonly RunEvent[]) => foldRun(FACTS, log);
const wound = (...log: readonly RunEvent[]) => runUnderWay(INPUT, FACTS, state(...log))!.wound;
const metres = (seq: number, run: number, layer = 'backing', device?: string): RunEvent =>
  event(seq, {
    kind: 'metres',
    payload: { layer, metres: run, ...(device === undefined ? {} : { device, count: 100 * run }) },
  });
const undone = (seq: number, id: string): RunEvent => event(seq, { kind: 'undone', payload: { event: id } });
const supply = (seq: number, way: 'winder' | 'rolling'): RunEvent =>
  event(seq, { kind: 'supply', payload: { layer: 'backing', way, supplyTurns: null, reelTurns: null } });

describe('counts keep their meaning', () => {
  it('whatever is said of the supply afterwards', () => {
    const [before] = wound(turns(1, 100));
    const [after] = wound(turns(1, 100), supply(2, 'winder'));
    expect(after!.length).toBeCloseTo(before!.length, 9);
    // Turns counted on the winder from then on are its own.
    const [more] = wound(turns(1, 100), supply(2, 'winder'), turns(3, 52));
    const [same] = wound(turns(1, 110));
    expect(more!.length).toBeCloseTo(same!.length, 9);
  });

  it('as they were made: what one turn was worth goes with the event', () => {
    const own = event(1, { kind: 'turns', payload: { layer: 'backing', turns: 520, per: 1 } });
    expect(wound(own)[0]!.length).toBeCloseTo(wound(turns(1, 100))[0]!.length, 9);
    const set = event(2, { kind: 'count-set', payload: { layer: 'backing', turns: 260, per: 1 } });
    expect(wound(own, set)[0]!.length).toBeCloseTo(wound(turns(1, 50))[0]!.length, 9);
  });

  it('so that turns by hand and metres over a meter on one layer add up', () => {
    const byHand = wound(turns(1, 60))[0]!.length;
    const both = wound(turns(1, 60), metres(2, 5, 'backing', 'm-1'))[0]!;
    expect(both.length).toBeCloseTo(byHand + 5, 9);
    const round = wound(metres(1, 5), turns(2, 60))[0]!;
    expect(round.length).toBeGreaterThan(byHand + 5);
  });

  it('once each: the same event twice counts once at whatever place it stands', () => {
    const again = { ...turns(1, 10), seq: 3 };
    const log = [turns(1, 10), turns(2, 5), again];
    expect(state(...log).turns.backing).toBe(15);
    expect(state(...log.toReversed()).turns.backing).toBe(15);
  });

  it('when typed metres are taken back, and when taking back is itself taken back', () => {
    const typed = [turns(1, 60), metres(2, 5)];
    expect(state(...typed).undoable?.id).toBe('e2');
    expect(state(...typed, undone(3, 'e2')).metres.backing ?? 0).toBe(0);
    const restored = state(...typed, undone(3, 'e2'), undone(4, 'e3'));
    expect(restored.metres.backing).toBe(5);
    const twice = state(turns(1, 10), undone(2, 'e1'), undone(3, 'e2'), undone(4, 'e3'));
    expect(twice.turns.backing ?? 0).toBe(0);
    expect(state(metres(1, 5, 'backing', 'm-1')).undoable).toBeNull();
  });

  it('below zero and forward again: nothing is gained', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 1, max: 200 }), (on, back) => {
        const there = state(turns(1, on), turns(2, -back));
        expect(there.turns.backing).toBe(Math.max(0, on - back));
        expect(state(turns(1, on), turns(2, -back), turns(3, back)).turns.backing).toBe(on);
        expect(wound(turns(1, on), turns(2, -back))[0]!.length).toBeGreaterThanOrEqual(0);
      }),
    );
  });

  it('under any name a layer can have', () => {
    for (const layer of ['constructor', '__proto__', 'toString']) {
      const log = [turns(1, 10, layer), metres(2, 3, layer)];
      expect(state(...log).turns).toEqual(Object.fromEntries([[layer, 10]]));
      expect(state(turns(1, 5)).turns.backing).toBe(5);
    }
  });
});

describe('what is taken off', () => {
  const length = { length: 7.8, spoolTurns: 62.4 };

  it.each([
    ['the handle', [turns(1, 100)], { unit: 'handle-turns', amount: 12, per: 5.2 }],
    ['a winder', [supply(1, 'winder'), turns(2, 520)], { unit: 'winder-turns', amount: 62.4, per: 1 }],
    ['a meter', [metres(1, 60, 'backing', 'm-1')], { unit: 'metres', amount: 7.8, per: 1 }],
  ] as const)('is told in what %s counts, and taken off in that', (_, log, told) => {
    const now = state(...log);
    const amount = amountOf(WORKED_REQUEST, now, 'backing', length);
    expect(amount).toEqual({ ...told, amount: expect.closeTo(told.amount, 9) });
    const before = wound(...log)[0]!.length;
    const after = wound(...log, event(9, takenOff('backing', amount)))[0]!.length;
    expect(before - after).toBeGreaterThan(told.unit === 'metres' ? 7.79 : 4);
    expect(before - after).toBeLessThan(8);
  });

  it('of a main too long comes out at the gap over a meter too', () => {
    const log = [
      ...done(1, 'strip', 'mount', 'tie-on'),
      metres(4, 88, 'backing', 'm-1'),
      event(5, { kind: 'step-done', payload: { step: 'wind-backing' } }),
      event(6, { kind: 'depth-read', payload: { after: 'backing', depth: 5.5, by: 'calliper' } }),
      event(7, { kind: 'step-done', payload: { step: 'depth-backing' } }),
    ];
    const underWay = runUnderWay(INPUT, FACTS, state(...log))!;
    // Said at the join, before the knot is tied.
    expect(underWay.winding?.layer).toBe('main');
    const long = tooLong(underWay, state(...log))!;
    expect(long.takeOff!.counted.unit).toBe('metres');
    const off = event(8, takenOff('backing', long.takeOff!.counted));
    expect(runUnderWay(INPUT, FACTS, state(...log, off))!.plan!.gap.value).toBeCloseTo(1.5, 1);
  });
});

describe('a depth read over tape, a reducer or kept line', () => {
  it.each([
    ['tape', { kind: 'tape', id: 't', thickness: 0.3, wraps: 3 }, { rise: expect.closeTo(0.9, 9) as number }],
    ['a reducer', { kind: 'reducer', id: 't', diameter: 30 }, { radius: 15 }],
  ] as const)('over %s tells of the spool', (_, below, underlay) => {
    const request = { ...WORKED_REQUEST, layers: [below, ...WORKED_REQUEST.layers] };
    const facts = { ...FACTS, request };
    const read = (depth: number) =>
      foldRun(facts, [
        turns(1, 120),
        event(2, { kind: 'depth-read', payload: { after: 'backing', depth, by: 'calliper' } }),
      ]);
    const [observation] = depthsAsObservations(request, read(4.4));
    expect(observation!.layers[0]).toMatchObject(underlay);
    const outer = (depth: number): number =>
      valueOf(inferSpool([...INPUT.observations, ...depthsAsObservations(request, read(depth))])).spool
        .arborRadius;
    expect(Math.abs(outer(4.4) - outer(3.1))).toBeGreaterThan(0.05);
  });

  it('says nothing where a layer below was wound by eye', () => {
    const log = [
      turns(1, 10),
      event(2, { kind: 'step-done', payload: { step: 'wind-backing', by: 'eye' } }),
      event(3, { kind: 'depth-read', payload: { after: 'backing', depth: 6, by: 'calliper' } }),
    ];
    expect(depthsAsObservations(WORKED_REQUEST, state(...log))).toEqual([]);
    // But it says how much of the layer is on.
    const lies = wound(...log)[0]!;
    expect(lies.depthAfter).toBeCloseTo(6, 6);
    expect(lies.length).toBeGreaterThan(60);
  });
});

describe('a level out of order', () => {
  const full = [turns(1, 166), turns(2, 191, 'main')];
  const steps = done(
    3,
    'strip',
    'mount',
    'tie-on',
    'wind-backing',
    'depth-backing',
    'join-main',
    'wind-main',
  );
  const gap = (seq: number, depth: number): RunEvent =>
    event(seq, { kind: 'depth-read', payload: { after: 'gap', depth, by: 'calliper' } });
  const remedy = (...log: readonly RunEvent[]) =>
    gapRemedy(FACTS, runUnderWay(INPUT, FACTS, state(...log))!, state(...log));

  it('says what to take off or add, in turns and metres', () => {
    const high = remedy(...full, ...steps, gap(20, 0.4))!;
    expect(high.how).toBe('take-off');
    // 1.1 mm at the lip of this spool is about 30 m of 0.26.
    expect(high.length).toBeGreaterThan(20);
    expect(high.length).toBeLessThan(40);
    expect(high.length / high.counted.amount).toBeCloseTo(0.7, 1);
    expect(remedy(...full, ...steps, gap(20, 3.2))!.how).toBe('add');
    expect(remedy(...full, ...steps, gap(20, 1.6))).toBeNull();
  });

  it('leads back into winding, counts what comes off, and is settled then', () => {
    const one = remedy(...full, ...steps, gap(20, 0.4))!;
    const back = [
      ...full,
      ...steps,
      gap(20, 0.4),
      event(21, { kind: 'chosen', payload: { layer: 'main', how: 'cut-short', length: one.comesTo } }),
      event(22, { kind: 'step-again', payload: { steps: one.again } }),
    ];
    expect(state(...back).current?.id).toBe('wind-main');
    const { winding } = runUnderWay(INPUT, FACTS, state(...back))!;
    expect(Math.abs(winding!.turnsOver - one.counted.amount)).toBeLessThan(2);
    const off = [...back, event(23, takenOff('main', one.counted))];
    expect(runUnderWay(INPUT, FACTS, state(...off))!.winding!.turnsOver).toBeLessThanOrEqual(1);
    // The old reading says nothing of the level now.
    expect(remedy(...off)).toBeNull();
  });

  it('adds where the thumb feels metal and takes off where it cannot hold', () => {
    const felt = (level: string) => {
      const now = state(...full, event(20, { kind: 'noted', payload: { step: 'thumb', values: { level } } }));
      return thumbRemedy(FACTS, runUnderWay(INPUT, FACTS, now)!, now)?.how;
    };
    expect([felt('low'), felt('full'), felt('right')]).toEqual(['add', 'take-off', undefined]);
  });

  it('main first, is pulled off by hand and counted in metres', () => {
    const facts = { ...FACTS, mainFirst: true };
    const log = [...full, gap(20, 0.4)];
    const now = foldRun(facts, log);
    expect(gapRemedy(facts, runUnderWay(INPUT, facts, now)!, now)).toMatchObject({
      layer: 'main',
      counted: { unit: 'metres' },
      again: [],
    });
  });
});

describe('line that springs', () => {
  const look = (seq: number, holds: boolean, on: number): RunEvent =>
    event(seq, { kind: 'tension-read', payload: { layer: 'backing', holds, wound: on } });
  const loose = (...log: readonly RunEvent[]) =>
    looseLayer(runUnderWay(INPUT, FACTS, state(...log))!, state(...log));
  const begun = done(1, 'strip', 'mount', 'tie-on');

  it('is wound again from where it last held, or from the start', () => {
    const now = loose(...begun, turns(4, 120), look(5, true, 20), look(6, false, 55))!;
    expect(now.tightUpTo).toBe(20);
    const on = wound(...begun, turns(4, 120))[0]!.length;
    expect(now.length).toBeCloseTo(on - 20, 6);
    expect(loose(...begun, turns(4, 120), look(5, false, 55))!.tightUpTo).toBe(0);
    expect(loose(...begun, turns(4, 120), look(5, true, 55))).toBeNull();
  });

  it('is not asked about any more once it is off', () => {
    const log = [...begun, turns(4, 120), look(5, true, 20), look(6, false, 55)];
    const off = event(7, takenOff('backing', loose(...log)!.counted));
    expect(loose(...log, off)).toBeNull();
    expect(wound(...log, off)[0]!.length).toBeCloseTo(20, 6);
  });
});
