import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { CountingDevice } from '../run/credit-count';
import type { RunEvent } from '../run/run-event';
import {
  beginCounter,
  reduceCounter,
  type BenchCounterState,
  type CounterEffect,
  type CounterInput,
  type Weighed,
} from './bench-counter';
import { shownTo } from './shown-counter';

const DEVICE: CountingDevice = { name: 'reed-1', counts: 'handle-turns', per: 1 };

/** A counter at a bench, with everything it asks to be done. */
class Bench {
  state: BenchCounterState;
  now = 1_000_000;
  sequence = 0;
  readonly done: CounterEffect[] = [];

  constructor(runId: number | null = 7) {
    this.state = beginCounter(DEVICE, { runId, heard: null });
  }

  take(input: CounterInput): this {
    const { state, effects } = reduceCounter(this.state, input);
    this.state = state;
    this.done.push(...effects);
    return this;
  }

  /** The device says where it stands, a second later. */
  says(count: number, sequence = (this.sequence += 1)): this {
    this.now += 1000;
    this.sequence = sequence;
    const line = { device: 'reed-1', sequence, count };
    return this.take({ kind: 'line', line, fresh: false, now: this.now, meter: null });
  }

  tick(seconds = 0.25): this {
    this.now += 1000 * seconds;
    return this.take({ kind: 'tick', now: this.now });
  }

  /** What it credits means so much and leaves nothing to ask. */
  credited(): this {
    return this.take({ kind: 'credited', credit: { happening: null, unclaimed: 0, odd: null } });
  }

  get asked(): Weighed[] {
    return this.done.flatMap((effect) => (effect.kind === 'credit' ? [effect.weighed] : []));
  }
}

const event = (seq: number, happening: object): RunEvent =>
  ({ id: `e-${String(seq)}`, run: '7', seq, at: '', by: '', ...happening }) as RunEvent;

describe('a bench’s counter', () => {
  it('credits what it went on by at the next tick, and one thing at a time', () => {
    const bench = new Bench().says(0).says(3).tick();
    expect(bench.asked).toMatchObject([{ runId: 7, count: 3, doubt: null, live: true }]);
    bench.says(5).tick().tick();
    expect(bench.asked).toHaveLength(1);
    bench.credited().tick();
    expect(bench.asked.map(({ count }) => count)).toEqual([3, 5]);
    // A handle at rest asks nothing.
    bench.credited().tick().tick();
    expect(bench.asked).toHaveLength(2);
  });

  it('credits again what could not be credited, from where it was begun', () => {
    const bench = new Bench().says(0).says(3);
    bench.take({ kind: 'logged', events: [event(4, { kind: 'step-done', payload: { step: 'strip' } })] });
    expect(bench.asked).toMatchObject([{ count: 3, known: 4, since: 3 }]);
    bench.says(6).take({ kind: 'not-credited' });
    expect(bench.asked).toHaveLength(1);
    bench.tick();
    expect(bench.asked[1]).toMatchObject({ count: 6, since: 3 });
    bench.take({ kind: 'credited', credit: { behind: 9 } }).tick();
    expect(bench.asked[2]).toMatchObject({ count: 6, known: 9, since: 3 });
  });

  it('begins where somebody saw it stand, not where it stood when the log was looked at before', () => {
    const bench = new Bench().says(0);
    bench.take({ kind: 'logged', events: [event(4, { kind: 'step-done', payload: { step: 'strip' } })] });
    expect(bench.asked).toMatchObject([{ count: 0, since: 0 }]);
    bench.says(30);
    const seen = { device: 'reed-1', count: 40 };
    bench.says(40).take({
      kind: 'logged',
      events: [event(5, { kind: 'moving', payload: { on: true, seen } })],
    });
    // What was on its way came behind the log: it is credited again, from where it was seen.
    bench.take({ kind: 'credited', credit: { behind: 5 } }).tick();
    expect(bench.asked[1]).toMatchObject({ count: 40, known: 5, since: 40 });
  });

  it('credits what was sound before a doubt first, shows that, and asks then', () => {
    const bench = new Bench().says(0).says(10).tick().credited();
    bench.says(15).tick().credited();
    // It began again at nothing: what was counted up to then is credited first.
    bench.says(0, 1).says(1, 2).says(2, 3);
    expect(bench.state.heard?.doubt).toBe('restarted');
    expect(bench.asked.at(-1)).toMatchObject({ count: 15, doubt: null });
    expect(shownTo(bench.state, 7)).toMatchObject({ count: 15, odd: null });
    bench.credited();
    expect(shownTo(bench.state, 7)).toMatchObject({ count: 2, odd: 'restarted' });
    expect(bench.asked.at(-1)).toMatchObject({ count: 2, doubt: 'restarted' });
  });

  it('is in doubt no more once somebody answered, and not before', () => {
    const bench = new Bench().says(0).says(10).tick().credited().says(0, 1).says(1, 2);
    bench.credited().tick();
    bench.take({ kind: 'credited', credit: { happening: null, unclaimed: 1, odd: 'restarted' } });
    expect(shownTo(bench.state, 7)).toMatchObject({ odd: 'restarted', unclaimed: 1 });
    bench.take({
      kind: 'logged',
      events: [event(9, { kind: 'device-at', payload: { device: 'reed-1', count: 1 } })],
    });
    expect(bench.state.heard?.doubt).toBeNull();
  });

  it('gives the last turns of a run that leaves to that run, before the next one has any', () => {
    const bench = new Bench().says(0).says(4).tick();
    bench.says(6).take({ kind: 'stands', runId: 8 });
    expect(bench.asked).toHaveLength(1);
    expect(shownTo(bench.state, 7)).toEqual({ link: 'taken', count: null, unclaimed: 0, odd: null });
    bench.credited();
    expect(bench.asked[1]).toMatchObject({ runId: 7, count: 6, leaving: true });
    // The database was away: they are owed all the same, and come first.
    bench.take({ kind: 'not-credited' }).says(7).tick();
    expect(bench.asked[2]).toMatchObject({ runId: 7, count: 6, leaving: true });
    bench.credited();
    expect(bench.asked[3]).toMatchObject({ runId: 8, count: 7, leaving: false });
  });

  it('that is let go still gives each run its last turns, and hears nothing else', () => {
    const bench = new Bench().says(0).says(4).tick();
    bench.says(6).take({ kind: 'stands', runId: 8 }).take({ kind: 'over' });
    bench.credited();
    expect(bench.asked[1]).toMatchObject({ runId: 7, count: 6, leaving: true });
    bench.credited();
    expect(bench.asked[2]).toMatchObject({ runId: 8, count: 6, leaving: false });
    bench.credited().says(9).tick(3);
    expect(bench.asked).toHaveLength(3);
    expect(bench.state.crediting).toBeNull();
    // What was on its way comes behind the log, and what was wound meanwhile behind that.
    const late = new Bench().says(0).says(4).tick().says(6).take({ kind: 'over' });
    late.take({ kind: 'credited', credit: { behind: 9 } });
    expect(late.asked[1]).toMatchObject({ count: 6, known: 9 });
    expect(late.credited().state).toMatchObject({ crediting: null, moved: false });
    // Where the database is away it is over all the same.
    const other = new Bench().says(0).says(4).take({ kind: 'stands', runId: 8 }).take({ kind: 'over' });
    expect(other.take({ kind: 'not-credited' }).state.crediting).toBeNull();
  });

  it('counts for nobody while no run stands there', () => {
    const bench = new Bench(null).says(0).says(5).tick().tick();
    expect(bench.asked).toEqual([]);
    bench.take({ kind: 'stands', runId: 3 });
    expect(bench.asked).toMatchObject([{ runId: 3, count: 5, since: 5 }]);
  });

  it('is silent after five seconds without a word, and up again with the next', () => {
    const bench = new Bench().says(2).tick(4.9);
    expect(bench.state.link).toBe('up');
    expect(bench.tick(0.25).state.link).toBe('silent');
    expect(bench.says(2).state.link).toBe('up');
    expect(bench.take({ kind: 'away' }).state.link).toBe('away');
  });

  it('keeps what was heard every two seconds, at once where a doubt began, and again where that failed', () => {
    const keeps = (bench: Bench): number => bench.done.filter(({ kind }) => kind === 'keep').length;
    const bench = new Bench().says(1).tick();
    expect(keeps(bench)).toBe(1);
    expect(keeps(bench.tick())).toBe(1);
    bench.take({ kind: 'not-kept' }).tick();
    expect(keeps(bench)).toBe(2);
  });

  it('asks to credit only what it was told, never backwards in its lines, and is never stuck', () => {
    const step = fc.oneof(
      fc.record({ does: fc.constant('turn' as const), by: fc.integer({ min: -2, max: 5 }) }),
      fc.constantFrom({ does: 'tick' as const }, { does: 'credited' as const }, { does: 'failed' as const }),
      fc.record({ does: fc.constant('stands' as const), run: fc.constantFrom(7, 8, null) }),
    );
    fc.assert(
      fc.property(fc.array(step, { maxLength: 60 }), (steps) => {
        const bench = new Bench().says(0);
        let count = 0;
        const said = new Set([0]);
        for (const one of steps) {
          const waiting = bench.state.crediting;
          if (one.does === 'turn') {
            said.add((count += one.by));
            bench.says(count);
          } else if (one.does === 'tick') bench.tick();
          else if (one.does === 'stands') bench.take({ kind: 'stands', runId: one.run });
          else if (one.does === 'credited') bench.credited();
          else bench.take({ kind: 'not-credited' });
          // One at a time: nothing is begun before the last came back.
          if (waiting && one.does !== 'credited' && one.does !== 'failed')
            expect(bench.state.crediting).toBe(waiting);
        }
        for (const { count: asked } of bench.asked) expect(said.has(asked)).toBe(true);
        // Whatever happened, it comes to rest with the count it stands at credited to the run that stands there.
        for (let i = 0; i < 12; i += 1) bench.credited().tick();
        expect(bench.state.leaving).toEqual([]);
        expect(bench.state.crediting).toBeNull();
        const last = bench.asked.findLast(({ leaving }) => !leaving);
        if (bench.state.runId !== null && last?.runId === bench.state.runId) expect(last.count).toBe(count);
      }),
    );
  });
});
