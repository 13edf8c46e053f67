import { describe, expect, it } from 'vitest';
import type { RunFacts } from '../steps/run-facts';
import { WORKED_READINGS, WORKED_REQUEST } from '../testing/examples';
import { event, FACTS } from '../testing/runs';
import { foldRun } from './fold-run';
import { laidBelow } from './laid-below';
import { runSteps } from './run-steps';
import { runUnderWay } from './under-way';

const INPUT = { observations: WORKED_READINGS.slice(0, 4), request: WORKED_REQUEST };
const note = (step: string, values: Record<string, number | string>) =>
  event(1, { kind: 'noted', payload: { step, values } });
const withReducer: RunFacts = {
  ...FACTS,
  request: {
    ...WORKED_REQUEST,
    layers: [{ kind: 'reducer', id: 'reducer', diameter: 30 }, ...WORKED_REQUEST.layers],
  },
};

describe('what is laid under the line', () => {
  it('tape nobody planned takes the room it was reckoned at, once it is written down', () => {
    const arbor = (...log: Parameters<typeof foldRun>[1][number][]) =>
      runUnderWay(INPUT, FACTS, foldRun(FACTS, log))!.wound.find(({ id }) => id === 'backing')!.innerRadius;
    const taped = note('grip', { by: 'tape', wraps: 4, thickness: 0.2 });
    expect(arbor(taped) - arbor()).toBeCloseTo(0.8, 6);
    expect(arbor(note('grip', { by: 'ridges' }))).toBe(arbor());
    const state = foldRun(FACTS, [taped]);
    expect(laidBelow(INPUT, FACTS, state)).toEqual({
      tape: { wraps: 4, thickness: 0.2 },
      reducer: null,
      washers: null,
    });
  });

  it('a reducer has a step of its own, and lies as it was measured', () => {
    expect(runSteps(withReducer).map(({ kind }) => kind)).toContain('reducer');
    expect(runSteps(FACTS).map(({ kind }) => kind)).not.toContain('reducer');
    const state = foldRun(withReducer, [note('reducer', { diameter: 31 })]);
    expect(laidBelow(INPUT, withReducer, state).reducer).toBe(31);
    const { wound } = runUnderWay(INPUT, withReducer, state)!;
    expect(wound.find(({ id }) => id === 'backing')!.innerRadius).toBeCloseTo(15.5, 6);
  });

  it('washers add up over the looks at the lay', () => {
    const look = (seq: number, did: 'add-washer' | 'take-washer-out' | 'leave') =>
      event(seq, {
        kind: 'lay-read',
        payload: { layer: 'main', rear: 3, front: 2, did, wound: 40 },
      });
    const net = (...dids: Parameters<typeof look>[1][]) =>
      laidBelow(
        INPUT,
        FACTS,
        foldRun(
          FACTS,
          dids.map((did, i) => look(i + 1, did)),
        ),
      ).washers;
    expect([net(), net('leave'), net('add-washer', 'add-washer', 'take-washer-out')]).toEqual([null, 0, 1]);
  });

  it('memory comes out before the cover goes on, and braid is bedded in where it is walked out', () => {
    const kinds = (more: Partial<RunFacts>) => runSteps({ ...FACTS, ...more }).map(({ kind }) => kind);
    const closed = kinds({ type: 'spincast' });
    expect(closed.indexOf('memory')).toBeLessThan(closed.indexOf('cover'));
    const layers = WORKED_REQUEST.layers.map((layer) =>
      layer.id === 'main' && layer.kind === 'line'
        ? { ...layer, line: { key: 'b', material: 'braid', diameter: 0.16 } as const }
        : layer,
    );
    const braid = { request: { ...WORKED_REQUEST, layers } };
    const rules = { ...FACTS.rules, memoryRelief: 'walk-out' } as const;
    expect(kinds(braid)).not.toContain('memory');
    expect(kinds({ ...braid, rules })).toContain('memory');
    expect(kinds({ ...braid, rules, type: 'trolling' })).not.toContain('memory');
  });
});
