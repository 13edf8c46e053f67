import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { LayerRequest } from '../plan/fill-request';
import { planFill } from '../plan/plan-fill';
import { USUAL_HOUSE_RULES } from '../house-rules/house-rules';
import { knownSpool } from '../spool/estimate';
import { valueOf, WORKED_REQUEST, WORKED_SPOOL } from '../testing/examples';
import { event, FACTS, turns } from '../testing/runs';
import { foldRun } from './fold-run';
import { runSteps } from './run-steps';
import type { RunFacts } from '../steps/run-facts';
import { windingNow } from './turns-to-go';
import { fromHandleTurns, type Segments } from '../plan/segments';
import { woundSoFar } from '../plan/wound';

const exact = knownSpool(WORKED_SPOOL);
const kinds = (more: Partial<RunFacts> = {}): string[] => runSteps({ ...FACTS, ...more }).map(({ id }) => id);
const braid = (
  id: string,
  role: 'main' | 'cushion',
  material: 'braid' | 'hollow-braid' = 'braid',
): LayerRequest => ({ kind: 'line', id, role, length: 'fits', line: { key: id, material, diameter: 0.2 } });

describe('runSteps', () => {
  it('follows the trade’s order on a fixed spool', () => {
    expect(kinds()).toEqual([
      'strip',
      'mount',
      'tie-on',
      'wind-backing',
      'depth-backing',
      'join-main',
      'wind-main',
      'gap',
      'clip',
      'memory',
      'drag-reading',
      'drag',
      'tag',
    ]);
  });

  it('gives a bare arbor grip where braid goes on first, and not over old line', () => {
    const request = { gear: 5, gap: 1, layers: [braid('m', 'main')] };
    expect(kinds({ request })[1]).toBe('grip');
    const kept = { kind: 'retained', id: 'k', line: FACTS_LINE, left: { length: 20 } } as const;
    expect(kinds({ request: { ...request, layers: [kept, braid('m', 'main')] } })).not.toContain('grip');
  });

  it.each([
    ['baitcaster', ['brake', 'thumb'], ['cover', 'counter']],
    ['spincast', ['cover'], ['depth-backing', 'brake']],
    ['trolling', ['counter'], ['brake', 'cover']],
    ['big-game', [], ['memory', 'counter']],
  ] as const)('a %s has %s and not %s', (type, there, not) => {
    const steps = kinds({ type });
    for (const one of there) expect(steps).toContain(one);
    for (const one of not) expect(steps).not.toContain(one);
  });

  it('splices hollow braid at both ends of it', () => {
    const [backing, main] = WORKED_REQUEST.layers;
    const top: LayerRequest = { ...main!, id: 'top' };
    const request = { ...WORKED_REQUEST, layers: [backing!, braid('m', 'main', 'hollow-braid'), top] };
    const steps = kinds({ type: 'big-game', request });
    expect(steps.filter((id) => id.startsWith('splice'))).toEqual(['splice-m', 'splice-top']);
  });

  it('asks for a leader and for every guide where they are wanted, and takes no memory out where it is left', () => {
    expect(kinds({ leader: true })).toContain('leader');
    const rules = { ...USUAL_HOUSE_RULES, guides: 'all', memoryRelief: 'leave' } as const;
    expect(kinds({ rules })).toContain('guides');
    expect(kinds({ rules })).not.toContain('memory');
  });

  it('winds the main first and swaps it over where that is how it is built', () => {
    const steps = kinds({ mainFirst: true });
    expect(steps.indexOf('wind-main')).toBeLessThan(steps.indexOf('wind-backing'));
    expect(steps[steps.indexOf('swap') - 1]).toBe('wind-backing');
  });

  it.each(['drag-reel', 'walked-out', 'reverse'] as const)('makes line ready that comes by %s', (way) => {
    const state = foldRun(FACTS, [
      event(1, {
        kind: 'supply',
        payload: { layer: 'main', way, supplyTurns: null, reelTurns: 'clockwise' },
      }),
    ]);
    expect(state.steps.map(({ id }) => id)).toContain('prepare-supply-main');
    expect(state.steps.map(({ id }) => id)).not.toContain('prepare-supply-backing');
  });
});

const FACTS_LINE = { key: 'old', material: 'nylon', diameter: 0.3 } as const;

describe('foldRun', () => {
  it('adds turns, takes a corrected count, and goes on from there', () => {
    const log = [
      turns(1, 10),
      turns(2, 10),
      turns(3, -1),
      event(4, { kind: 'count-set', payload: { layer: 'backing', turns: 50 } }),
      turns(5, 10),
    ];
    expect(foldRun(FACTS, log).turns.backing).toBe(60);
  });

  it('passes over what was taken back, and keeps it in the log', () => {
    const log = [turns(1, 10), turns(2, 10), event(3, { kind: 'undone', payload: { event: 'e2' } })];
    const state = foldRun(FACTS, log);
    expect(state.turns.backing).toBe(10);
    expect(state.undoable?.id).toBe('e1');
    expect(state.seq).toBe(3);
  });

  it('counts an event once however often and in whatever order it comes', () => {
    const log = Array.from({ length: 12 }, (_, i) => turns(i + 1, i - 3));
    fc.assert(
      fc.property(fc.shuffledSubarray([...log, ...log], { minLength: 24, maxLength: 24 }), (shuffled) => {
        expect(foldRun(FACTS, shuffled).turns).toEqual(foldRun(FACTS, log).turns);
      }),
    );
  });

  it('moves to the first step that is not done or left out', () => {
    const state = foldRun(FACTS, [event(1, { kind: 'step-skipped', payload: { step: 'strip' } })]);
    expect(state.current?.id).toBe('mount');
    expect(state.skipped.has('strip')).toBe(true);
    const all = runSteps(FACTS).map(({ id }, i) =>
      event(i + 1, { kind: 'step-done', payload: { step: id } }),
    );
    expect(foldRun(FACTS, all).current).toBeNull();
  });

  it('never counts below zero', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -50, max: 50 })), (counts) => {
        const state = foldRun(
          FACTS,
          counts.map((count, i) => turns(i + 1, count)),
        );
        expect(state.turns.backing ?? 0).toBeGreaterThanOrEqual(0);
      }),
    );
  });

  it('begins a layer again: count, looks and depth of it are gone, and it is recorded', () => {
    const seen = {
      layer: 'backing',
      way: 'over-end',
      supplyTurns: 'clockwise',
      reelTurns: 'clockwise',
    } as const;
    const state = foldRun(FACTS, [
      event(1, { kind: 'supply', payload: seen }),
      turns(2, 20),
      event(3, { kind: 'slack-read', payload: { layer: 'backing', pinched: 2, plyTurns: 6, wound: 8 } }),
      event(4, { kind: 'depth-read', payload: { after: 'backing', depth: 6, by: 'calliper' } }),
      event(5, { kind: 'restarted', payload: { layer: 'backing', why: 'supply-turned' } }),
    ]);
    expect(state.turns.backing).toBe(0);
    expect([state.slacks, state.depths]).toEqual([[], []]);
    expect(state.supplies.backing).toEqual({
      way: 'over-end',
      supplyTurns: 'clockwise',
      reelTurns: 'clockwise',
    });
    expect(state.restarts).toEqual([{ layer: 'backing', why: 'supply-turned' }]);
  });

  it('knows the count a device stood at, and that a count set by hand goes before its metres', () => {
    const metres = (seq: number, run: number, count: number) =>
      event(seq, { kind: 'metres', payload: { layer: 'backing', metres: run, device: 'm-1', count } });
    const state = foldRun(FACTS, [metres(1, 3, 300), metres(2, 2.5, 550)]);
    expect([state.metres.backing, state.devices['m-1']]).toEqual([5.5, 550]);
    const set = event(3, { kind: 'count-set', payload: { layer: 'backing', turns: 9 } });
    expect(foldRun(FACTS, [metres(1, 3, 300), metres(2, 2.5, 550), set]).metres).toEqual({});
  });

  it('takes back what somebody did, and never what a device counted', () => {
    const counted = event(2, {
      kind: 'turns',
      payload: { layer: 'backing', turns: 7, device: 'r', count: 7 },
    });
    const state = foldRun(FACTS, [turns(1, 10), counted]);
    expect([state.undoable?.id, state.turns.backing]).toEqual(['e1', 17]);
  });

  it('names whoever had it, in order', () => {
    const by = (seq: number, name: string) => ({ ...turns(seq, 1), by: name });
    expect(foldRun(FACTS, [by(1, 'Joss'), by(2, 'Joss'), by(3, 'Pell'), by(4, 'Joss')]).hands).toEqual([
      'Joss',
      'Pell',
      'Joss',
    ]);
  });
});

describe('woundSoFar', () => {
  it('gives the plan’s metres back from the plan’s turns', () => {
    const plan = valueOf(planFill(exact, WORKED_REQUEST));
    const counted = Object.fromEntries(plan.layers.map(({ id, handleTurns }) => [id, handleTurns.value]));
    const wound = woundSoFar(exact, WORKED_REQUEST, fromHandleTurns(counted, WORKED_REQUEST.gear));
    wound.forEach((layer, i) => expect(layer.length).toBeCloseTo(plan.layers[i]!.length.value, 6));
    expect(wound.at(-1)!.depthAfter).toBeCloseTo(1.5, 6);
  });

  it('takes a meter’s metres as they are, and gives the turns they come to', () => {
    const plan = valueOf(planFill(exact, WORKED_REQUEST));
    const [backing, main] = woundSoFar(exact, WORKED_REQUEST, {
      backing: [{ metres: 81.77 }],
      main: [{ metres: 120 }],
    });
    expect([backing!.length, main!.length]).toEqual([81.77, 120]);
    expect(backing!.handleTurns).toBeCloseTo(plan.layers[0]!.handleTurns.value, 1);
    expect(main!.depthAfter).toBeCloseTo(1.5, 2);
  });
});

const by = (counted: Record<string, number>) => fromHandleTurns(counted, WORKED_REQUEST.gear);

const wound = (segments: Segments) => ({
  request: WORKED_REQUEST,
  spool: exact,
  wound: woundSoFar(exact, WORKED_REQUEST, segments),
});

describe('windingNow', () => {
  it('counts the planned turns down to zero', () => {
    const start = windingNow(wound({}), 'backing')!;
    expect(start.turnsToGo).toBe(166);
    expect(windingNow(wound(by({ backing: 166 })), 'backing')!.turnsToGo).toBe(0);
    expect(windingNow(wound(by({ backing: 400 })), 'backing')!.turnsToGo).toBe(0);
  });

  it('asks for more turns of main where the backing came out short, and the gap grows', () => {
    const short = windingNow(wound(by({ backing: 140 })), 'main')!;
    const full = windingNow(wound(by({ backing: 165.74 })), 'main')!;
    expect(short.planned.handleTurns.value).toBeGreaterThan(full.planned.handleTurns.value);
    expect(short.plan.gap.value).toBeGreaterThan(full.plan.gap.value);
  });

  it('counts down by a meter as by a handle', () => {
    const now = windingNow(wound({ backing: [{ metres: 81.77 }] }), 'backing')!;
    expect(now.turnsToGo).toBe(0);
    expect(now.lengthSoFar).toBe(81.77);
  });
});
