import { describe, expect, it } from 'vitest';
import { done, event, FACTS } from '../testing/runs';
import { countQuestion } from './count-question';
import { creditCount } from './credit-count';
import { foldRun } from './fold-run';
import type { RunEvent, SeenCount } from './run-event';
import { said } from '../testing/examples';

const DEVICE = { name: 'reed-1', counts: 'handle-turns', per: 2 } as const;
const seen = (count: number, unheard = false): { seen: SeenCount } => ({
  seen: { device: 'reed-1', count, ...(unheard ? { unheard } : {}) },
});
const ended = (seq: number, step: string, at: object): RunEvent =>
  event(seq, { kind: 'step-done', payload: { step, ...at } });
const credit = (seq: number, from: number, count: number, layer = 'backing'): RunEvent =>
  event(seq, {
    kind: 'turns',
    payload: { layer, turns: (count - from) / 2, per: 5, device: 'reed-1', count, from },
  });
const byHand = (seq: number, turns: number, at: object, layer = 'backing'): RunEvent =>
  event(seq, { kind: 'turns', payload: { layer, turns, per: 5, ...at } });
const undone = (seq: number, id: string): RunEvent => event(seq, { kind: 'undone', payload: { event: id } });

/** Backing is wound, and its counter stands at 40. */
const WINDING: readonly RunEvent[] = [
  ...done(1, 'strip', 'mount'),
  ended(3, 'tie-on', seen(40)),
  credit(4, 40, 60),
];
const fold = (...more: readonly RunEvent[]) => foldRun(FACTS, [...WINDING, ...more]);
const told = (state: ReturnType<typeof fold>, count: number) =>
  creditCount(DEVICE, state, count, { gear: 5 });
const ask = (state: ReturnType<typeof fold>, count: number) =>
  countQuestion(state, { device: DEVICE, count, odd: 'unheard', gear: () => 5 });
/** The log after an answer. */
const after = (state: ReturnType<typeof fold>, log: readonly RunEvent[], count: number, answer: number) => {
  const happenings = ask(state, count)!.answers[answer]!.happenings;
  return fold(...log, ...happenings.map((one, i) => event(100 + i, one)));
};

describe('where a layer begins and ends by the count', () => {
  it('belongs to it what was counted up to what the technician saw, however late the server hears of it', () => {
    const state = fold(credit(5, 60, 64), ended(6, 'wind-backing', seen(64)));
    expect(state.turns.backing).toBe(12);
    // The server credited past what was seen before it heard of the end: the rest is taken back.
    const late = fold(credit(5, 60, 90), credit(6, 60, 64), ended(7, 'wind-backing', seen(64)));
    expect(late.turns.backing).toBe(12);
    expect(late.devices['reed-1']).toBe(64);
  });

  it('belongs to it no more than that, though there was nothing to credit when it ended', () => {
    const late = fold(credit(5, 60, 66), ended(6, 'wind-backing', seen(60)));
    expect(late.turns.backing).toBe(10);
    expect(late.wound.backing).toEqual([{ spoolTurns: 50 }]);
    // Further than was credited by then: that much is still due, by the credit that comes with it.
    expect(fold(ended(5, 'wind-backing', seen(60)), credit(6, 60, 66)).turns.backing).toBe(10);
  });

  it('a credit on its way while the layer ended adds nothing to it', () => {
    const state = fold(credit(5, 60, 64), ended(6, 'wind-backing', seen(64)), credit(7, 64, 70));
    expect(state.turns.backing).toBe(12);
    expect(state.devices['reed-1']).toBe(64);
  });

  it('the same credit from the bench and from the server counts once', () => {
    expect(fold(credit(5, 60, 70), credit(6, 60, 70)).turns.backing).toBe(15);
    expect(fold(credit(5, 60, 70), credit(6, 60, 76)).turns.backing).toBe(18);
  });

  it('the next layer begins where the counter stood when the step before it ended', () => {
    const log = [
      ended(5, 'wind-backing', seen(60)),
      ended(6, 'depth-backing', {}),
      ended(7, 'join-main', seen(71)),
    ];
    const state = fold(...log);
    expect(told(state, 75).happening).toMatchObject({ payload: { layer: 'main', turns: 2, from: 71 } });
  });

  it('what was seen stands where the doing is taken back', () => {
    const end = ended(5, 'wind-backing', seen(60));
    const state = fold(end, undone(6, end.id));
    expect(told(state, 66).happening).toMatchObject({ payload: { layer: 'backing', turns: 3, from: 60 } });
  });

  it('a count put right holds from where the counter stood', () => {
    const set = event(5, { kind: 'count-set', payload: { layer: 'backing', turns: 30, ...seen(64) } });
    expect(told(fold(set), 66).happening).toMatchObject({ payload: { turns: 1, from: 64 } });
  });
});

describe('a counter that is heard again', () => {
  it('credits what it went on by where nothing was done meanwhile', () => {
    expect(told(fold(), 100).happening).toMatchObject({ payload: { turns: 20 } });
  });

  it('takes the place of what was counted by hand, where they say the same', () => {
    const log = [byHand(5, 10, seen(60, true)), byHand(6, 10, seen(60, true))];
    const state = fold(...log);
    expect(state.turns.backing).toBe(30);
    const { happening, odd } = told(state, 101);
    expect(odd).toBeNull();
    const settled = fold(...log, event(7, happening!));
    expect(settled.turns.backing).toBeCloseTo(30.5, 9);
    expect(settled.unheard).toEqual({});
    expect(told(settled, 103).happening).toMatchObject({ payload: { turns: 1 } });
  });

  it('is not compared before it is truly heard: what was heard last is older than what was done', () => {
    const state = fold(byHand(5, 1, seen(60, true)));
    expect(creditCount(DEVICE, state, 60, { gear: 5, live: false })).toMatchObject({
      happening: null,
      odd: 'unheard',
    });
    const quiet = fold(ended(5, 'wind-backing', seen(60, true)));
    expect(creditCount(DEVICE, quiet, 60, { gear: 5, live: false }).happening).toBeNull();
    expect(creditCount(DEVICE, quiet, 60, { gear: 5 }).happening).toMatchObject({ kind: 'device-at' });
  });

  it('asks where they differ; what is answered is neither doubled nor lost', () => {
    const log = [byHand(5, 40, seen(60, true))];
    const state = fold(...log);
    expect(told(state, 148)).toMatchObject({ happening: null, odd: 'unheard' });
    expect(said(ask(state, 148)!.sentence)).toContain(
      'counted 44 turns while it could not be heard; 40 turns',
    );
    expect(ask(state, 148)!.answers.map(({ words }) => said(words))).toEqual([
      'Take the counter’s 44 turns',
      'Keep the 40 counted by hand',
      'Both were wound: count them together',
    ]);
    const turns = [0, 1, 2].map((answer) => after(state, log, 148, answer).turns.backing);
    expect(turns).toEqual([54, 50, 94]);
    expect(after(state, log, 148, 0).devices['reed-1']).toBe(148);
  });

  it('does not count by hand what the server had credited before it heard of it', () => {
    // The browser was cut off; the server was not, and credited twenty turns.
    const log = [credit(5, 60, 100), byHand(6, 20, seen(60, true))];
    const state = fold(...log);
    expect(state.unheard['reed-1']!.credited).toEqual({ layer: 'backing', counts: 40 });
    const agreed = fold(...log, event(7, told(state, 100).happening!));
    expect(agreed.turns.backing).toBe(30);
    const other = fold(credit(5, 60, 100), byHand(6, 26, seen(60, true)));
    expect(told(other, 100).odd).toBe('unheard');
    expect(after(other, [credit(5, 60, 100), byHand(6, 26, seen(60, true))], 100, 1).turns.backing).toBe(36);
  });

  it('takes nothing for credited that was settled without being credited', () => {
    const none = event(5, { kind: 'device-at', payload: { device: 'reed-1', count: 90 } });
    // A second page that still saw the count from before the answer.
    const log = [none, byHand(6, 5, seen(60, true))];
    expect(fold(...log).unheard['reed-1']).toMatchObject({ since: 90, credited: null });
    const again = event(5, { kind: 'device-at', payload: { device: 'reed-1', count: 4 } });
    expect(fold(again, byHand(6, 5, seen(60, true))).unheard['reed-1']).toMatchObject({
      since: 4,
      credited: null,
    });
  });

  it('keeps what was counted by hand where it stood still', () => {
    const log = [byHand(5, 40, seen(60, true))];
    const question = ask(fold(...log), 60)!;
    expect(question.answers.map(({ words }) => said(words))).toEqual(['Keep the 40 counted by hand']);
    expect(after(fold(...log), log, 60, 0).turns.backing).toBe(50);
  });

  it('asks whose its turns are where a layer ended meanwhile', () => {
    const log = [
      ended(5, 'wind-backing', seen(60, true)),
      ended(6, 'depth-backing', {}),
      ended(7, 'join-main', {}),
    ];
    const state = fold(...log);
    expect(told(state, 140)).toMatchObject({ happening: null, unclaimed: 80, odd: 'unheard' });
    const question = ask(state, 140)!;
    expect(said(question.sentence)).toContain(
      'counted 40 turns more while it could not be heard, and backing ended',
    );
    expect(question.answers.map(({ words }) => said(words))).toEqual([
      'They are backing: count 40 turns there',
      'They are main: count 40 turns there',
      'Count none of them',
    ]);
    const counts = [0, 1, 2].map((answer) => {
      const { turns } = after(state, log, 140, answer);
      return [turns.backing, turns.main ?? 0];
    });
    expect(counts).toEqual([
      [50, 0],
      [10, 40],
      [10, 0],
    ]);
  });

  it('is asked once: an answer that is given twice has nothing left to answer', () => {
    const log = [byHand(5, 40, seen(60, true))];
    const answered = fold(
      ...log,
      ...ask(fold(...log), 148)!.answers[0]!.happenings.map((one, i) => event(100 + i, one)),
    );
    expect(ask(answered, 148)).toBeNull();
    const jumped = countQuestion(answered, { device: DEVICE, count: 948, odd: 'jumped', gear: () => 5 })!;
    const settled = foldRun(FACTS, [
      ...WINDING,
      ...log,
      event(99, { kind: 'device-at', payload: { device: 'reed-1', count: 148 } }),
      ...jumped.answers[0]!.happenings.map((one, i) => event(100 + i, one)),
    ]);
    expect(countQuestion(settled, { device: DEVICE, count: 948, odd: 'jumped', gear: () => 5 })).toBeNull();
  });

  it('that began again meanwhile counts from zero', () => {
    const log = [byHand(5, 40, seen(60, true))];
    expect(said(ask(fold(...log), 30)!.sentence)).toContain('counted 15 turns');
    expect(after(fold(...log), log, 30, 0).turns.backing).toBe(25);
  });

  it('over a line meter puts its metres in the place of turns by hand', () => {
    const meter = { name: 'reed-1', counts: 'metres', per: 10 } as const;
    const log = [byHand(5, 8, seen(60, true))];
    const question = countQuestion(fold(...log), {
      device: meter,
      count: 160,
      odd: 'unheard',
      gear: () => 5,
    })!;
    const state = fold(...log, ...question.answers[0]!.happenings.map((one, i) => event(100 + i, one)));
    expect([state.turns.backing, state.metres.backing]).toEqual([10, 10]);
  });
});
