import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { woundArea } from '../lines/line';
import { pieceStretches } from '../run/piece-shares';
import { foldRun } from '../run/fold-run';
import { gapRemedy } from '../run/gap-remedy';
import type { RunEvent, RunHappening } from '../run/run-event';
import { runUnderWay } from '../run/under-way';
import { BACKING, MAIN, valueOf, WORKED_READINGS, WORKED_REQUEST, WORKED_SPOOL } from '../testing/examples';
import { event, FACTS } from '../testing/runs';
import { windTurns } from '../testing/turn-by-turn';
import { evidenceOfRun } from './evidence-of-run';
import { settleFill } from './settle-fill';

const INPUT = { observations: WORKED_READINGS, request: WORKED_REQUEST };
const { gear } = WORKED_REQUEST;
const AREA = {
  backing: woundArea(BACKING.diameter, 1, WORKED_SPOOL.packing),
  main: woundArea(MAIN.diameter, 1, WORKED_SPOOL.packing),
};
type Layer = keyof typeof AREA;

/** A reel that is really wound, turn by turn, while somebody writes down what they saw of it. */
class Bench {
  readonly log: RunEvent[] = [];
  /** Spool turns that are really on each layer, whatever was counted. */
  readonly really: Record<Layer, number> = { backing: 0, main: 0 };

  say(happening: RunHappening): RunEvent {
    const said = event(this.log.length + 1, happening);
    this.log.push(said);
    return said;
  }

  /** The handle is turned; counted, or only wound. */
  wind(layer: Layer, turns: number, counted = true): void {
    const before = this.really[layer];
    this.really[layer] = Math.max(0, before + turns * gear);
    const went = (this.really[layer] - before) / gear;
    if (counted && went !== 0) this.say({ kind: 'turns', payload: { layer, turns: went } });
  }

  /** Where the line really ends, and how much of it there is. */
  truth() {
    const { width, arborRadius, lipRadius } = WORKED_SPOOL;
    const backing = windTurns(width, arborRadius, AREA.backing, this.really.backing);
    const main = windTurns(width, backing.radius, AREA.main, this.really.main);
    return {
      lengths: { backing: backing.length, main: main.length },
      depths: { backing: lipRadius - backing.radius, main: lipRadius - main.radius },
    };
  }

  read(after: 'backing' | 'gap'): void {
    const depth = this.truth().depths[after === 'gap' ? 'main' : 'backing'];
    this.say({ kind: 'depth-read', payload: { after, depth, by: 'calliper' } });
  }

  done(step: string, more: { readonly by?: 'eye' } = {}): void {
    this.say({ kind: 'step-done', payload: { step, ...more } });
  }

  state() {
    return foldRun(FACTS, this.log);
  }

  under() {
    return runUnderWay(INPUT, FACTS, this.state())!;
  }
}

const what = fc.oneof(
  {
    weight: 4,
    arbitrary: fc.record({ do: fc.constant('count' as const), turns: fc.integer({ min: 5, max: 60 }) }),
  },
  fc.record({ do: fc.constant('back' as const), turns: fc.integer({ min: 1, max: 20 }) }),
  fc.record({ do: fc.constant('mistake' as const), turns: fc.integer({ min: 5, max: 40 }) }),
  fc.record({ do: fc.constant('strip' as const), turns: fc.integer({ min: 20, max: 90 }) }),
  fc.record({ do: fc.constant('piece' as const), ranOut: fc.boolean(), allAlong: fc.boolean() }),
);
const life = fc.record({
  backing: fc.integer({ min: 120, max: 190 }),
  doings: fc.array(what, { maxLength: 7 }),
  /** Wound on uncounted at the end, by eye; or not. */
  eye: fc.option(fc.integer({ min: 10, max: 60 })),
  remedy: fc.boolean(),
});

describe('the record of any run', () => {
  it('is what truly lies there, and the pieces give it between them, whatever happened on the way', () => {
    let runs = 0;
    let inside = 0;
    fc.assert(
      fc.property(life, ({ backing, doings, eye, remedy }) => {
        const bench = new Bench();
        for (const step of ['strip', 'mount', 'tie-on']) bench.done(step);
        bench.wind('backing', backing);
        bench.done('wind-backing');
        bench.read('backing');
        for (const step of ['depth-backing', 'join-main']) bench.done(step);
        bench.wind('main', 60);
        for (const one of doings) follow(bench, one);
        if (eye !== null) bench.wind('main', eye, false);
        bench.done('wind-main', eye === null ? {} : { by: 'eye' });
        bench.read('gap');
        if (remedy) putRight(bench);
        const truth = bench.truth();
        // Line heaped far over the lip is nobody's fill.
        fc.pre(truth.depths.main > -2 && truth.lengths.main > 15);
        const state = bench.state();
        const fill = valueOf(settleFill(evidenceOfRun(INPUT, FACTS, state, {})));
        expect(fill.question).toBeNull();
        for (const id of ['backing', 'main'] as const) {
          const { low, high, value } = fill.layers.find((layer) => layer.id === id)!.length;
          const length = truth.lengths[id];
          // A range is one of ten to ninety: three times as far off is no luck any more.
          const off = Math.abs(value - length) / Math.max(0.03 * length, (high - low) / 2);
          expect(off, `${id}: ${value.toFixed(1)} of ${length.toFixed(1)} m`).toBeLessThan(3);
          runs += 1;
          if (low <= length && length <= high) inside += 1;
        }
        const under = bench.under();
        const main = under.wound.find(({ id }) => id === 'main')!;
        const shares = pieceStretches(under, state, main);
        expect(shares.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
        expect(shares.every(({ share }) => share > 0)).toBe(true);
      }),
      { numRuns: 150 },
    );
    expect(inside / runs).toBeGreaterThan(0.75);
  });
});

function follow(
  bench: Bench,
  one: { do: string; turns?: number; ranOut?: boolean; allAlong?: boolean },
): void {
  const { turns = 0 } = one;
  if (one.do === 'count') bench.wind('main', turns);
  if (one.do === 'back') bench.wind('main', -turns);
  if (one.do === 'mistake') {
    // Counted though nothing was wound, and taken back.
    const said = bench.say({ kind: 'turns', payload: { layer: 'main', turns } });
    bench.say({ kind: 'undone', payload: { event: said.id } });
  }
  if (one.do === 'strip') {
    bench.really.main = 0;
    bench.say({ kind: 'restarted', payload: { layer: 'main', why: 'loose' } });
    bench.wind('main', turns);
  }
  if (one.do === 'piece') {
    const payload = { layer: 'main', pieceId: bench.log.length, code: 'P', usedUp: one.ranOut ?? false };
    bench.say({
      kind: 'piece-changed',
      payload: one.allAlong ? { ...payload, usedUp: false, allAlong: true } : payload,
    });
  }
}

/** What the gap asks for is done, counted, and read again. */
function putRight(bench: Bench): void {
  const remedy = gapRemedy(FACTS, bench.under(), bench.state());
  if (!remedy) return;
  const { layer, how, comesTo, again, counted } = remedy;
  bench.say({ kind: 'chosen', payload: { layer, how: 'cut-short', length: comesTo } });
  bench.say({ kind: 'step-again', payload: { steps: again } });
  bench.wind('main', how === 'add' ? counted.amount : -counted.amount);
  bench.done('wind-main');
  bench.read('gap');
  expect(Math.abs(bench.truth().depths.main - remedy.wanted)).toBeLessThan(0.3);
}
