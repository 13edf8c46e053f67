import { foldRun, gapRemedy, looseLayer, type RunEvent, runFacts, runUnderWay } from '@yard-spool/core';
import { pressKey } from '../testing/screen';
import { anEvent, aRun, PLAN_INPUT, stepsDone } from '../testing/runs';
import { onARun } from '../testing/spec-run';
import { CounterPanel } from './counter-panel';
import { LoosePanel } from './loose-panel';
import { QuestionPanel } from './question-panel';
import { RemedyPanel } from './remedy-panel';

const FACTS = runFacts(aRun());
const turns = (seq: number, count: number, layer = 'backing'): RunEvent =>
  anEvent(seq, { kind: 'turns', payload: { layer, turns: count } });
const WINDING = [...stepsDone('strip', 'mount', 'tie-on'), turns(9, 160)];

/** A fill wound to plan, up to its gap. */
const TO_THE_GAP = [
  ...WINDING,
  anEvent(10, { kind: 'step-done', payload: { step: 'wind-backing' } }),
  ...['depth-backing', 'join-main'].map((step, i) =>
    anEvent(11 + i, { kind: 'step-done', payload: { step } }),
  ),
  turns(13, 190, 'main'),
  anEvent(14, { kind: 'step-done', payload: { step: 'wind-main' } }),
];
const gapRead = (depth: number): RunEvent =>
  anEvent(15, { kind: 'depth-read', payload: { after: 'gap', depth, by: 'calliper' } });

describe('a gap out of order', () => {
  const remedyOf = (log: readonly RunEvent[]) => {
    const state = foldRun(FACTS, log);
    return gapRemedy(FACTS, runUnderWay(PLAN_INPUT, FACTS, state)!, state);
  };

  it('says what to take off in turns and metres, and leads back into winding', async () => {
    const log = [...TO_THE_GAP, gapRead(0.3)];
    const remedy = remedyOf(log)!;
    const { press, shown, store, fixture } = await onARun(RemedyPanel, { remedy }, log);
    expect(shown()).toMatch(/Take off \d+ turns, \d+(\.\d)?.m/);
    expect(shown()).toContain('It stands 0.3');
    await press('Back into winding');
    await fixture.whenStable();
    expect(store.happened).toEqual([
      { kind: 'chosen', payload: { layer: 'main', how: 'cut-short', length: remedy.comesTo } },
      { kind: 'step-again', payload: { steps: ['wind-main', 'gap', 'thumb'] } },
    ]);
  });

  it('is nothing where the gap is as wanted', () => {
    expect(remedyOf([...TO_THE_GAP, gapRead(1.6)])).toBeNull();
    expect(remedyOf([...TO_THE_GAP, gapRead(3)])?.how).toBe('add');
  });
});

describe('line that springs', () => {
  it('is wound again from where it last held', async () => {
    const look = (seq: number, holds: boolean, wound: number) =>
      anEvent(seq, { kind: 'tension-read', payload: { layer: 'backing', holds, wound } });
    const log = [...WINDING, look(10, true, 30), look(11, false, 70)];
    const state = foldRun(FACTS, log);
    const loose = looseLayer(runUnderWay(PLAN_INPUT, FACTS, state)!, state)!;
    const { press, shown, store } = await onARun(LoosePanel, { loose }, log);
    expect(shown()).toContain('It is wound too loose');
    await press('where it last held');
    const [event] = store.happened;
    expect(event).toMatchObject({ kind: 'turns', payload: { layer: 'backing', per: 5.2 } });
    expect((event as { payload: { turns: number } }).payload.turns).toBeLessThan(-20);
  });
});

describe('readings that contradict each other', () => {
  it('are asked about in one sentence, and answered with one press', async () => {
    const question = {
      sentence: 'The count and the depth read cannot all be right. Which is wrong?',
      answers: [
        { settling: { cause: 'gear', about: '' }, words: 'The gear ratio: nearer 5.2:1 than 6.2:1' },
        { settling: { cause: 'none', about: '' }, words: 'Neither: all of it stands as it was read' },
      ],
    };
    const { press, shown, store } = await onARun(QuestionPanel, { question }, WINDING);
    expect(shown()).toContain('Which is wrong?');
    await press('The gear ratio');
    pressKey('2');
    expect(store.happened.map(({ payload }) => payload)).toEqual([
      { cause: 'gear', about: '' },
      { cause: 'none', about: '' },
    ]);
  });
});

describe('a counter that began again', () => {
  it('is asked about, the likeliest answer first, and never credited as wound back', async () => {
    const { press, shown, store, fixture } = await onARun(CounterPanel, {}, WINDING);
    const device = { name: 'reed-1', counts: 'handle-turns', per: 1, address: '127.0.0.1:1' } as const;
    store.run.set(aRun([], { device }));
    store.log.set([
      ...WINDING,
      anEvent(90, { kind: 'device-at', payload: { device: 'reed-1', count: 658 } }),
    ]);
    const heardAt = '2030-01-01T00:00:00.000Z';
    store.frame.set({
      device,
      link: 'up',
      count: 12,
      heardAt,
      unclaimed: -646,
      meter: null,
      odd: 'restarted',
    });
    await fixture.whenStable();
    expect(shown()).toContain('it seems to have begun again from zero');
    await press('It began again: count the 12 turns since');
    const at = { kind: 'device-at', payload: { device: 'reed-1', count: 12 } };
    const since = { kind: 'turns', payload: { layer: 'backing', turns: 12, per: 5.2 } };
    expect(store.happened).toEqual([since, at]);
    document.dispatchEvent(new KeyboardEvent('keydown', { key: '2', code: 'Digit2', altKey: true }));
    expect(store.happened).toEqual([since, at, at]);
  });

  it('is said to be silent, away, or out of hearing with the server, and for how long', async () => {
    const { shown, store, fixture } = await onARun(CounterPanel, {}, WINDING);
    const device = { name: 'reed-1', counts: 'handle-turns', per: 1, address: '127.0.0.1:1' } as const;
    const heardAt = new Date(Date.now() - 8000).toISOString();
    const quiet = {
      device,
      link: 'silent',
      count: 12,
      heardAt,
      unclaimed: 0,
      meter: null,
      odd: null,
    } as const;
    store.frame.set(quiet);
    await fixture.whenStable();
    expect(shown()).toContain('reed-1 has been silent for 8 s.');
    store.frame.set({ ...quiet, link: 'away' });
    await fixture.whenStable();
    expect(shown()).toContain('reed-1 does not answer.');
    store.linked.set(false);
    await fixture.whenStable();
    expect(shown()).toContain('The server is away, and reed-1 with it.');
    store.linked.set(true);
    store.frame.set({ ...quiet, link: 'up' });
    await fixture.whenStable();
    expect(shown()).not.toContain('reed-1');
  });
});
