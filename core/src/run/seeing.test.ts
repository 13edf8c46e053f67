import { describe, expect, it } from 'vitest';
import { done as stepsDone, event, FACTS } from '../testing/runs';
import { foldRun } from './fold-run';
import type { RunEvent, RunHappening } from './run-event';
import { withCounters, type CounterFrame } from './seeing';

const DEVICE = { name: 'reed-1', counts: 'handle-turns', per: 1 } as const;
const FRAME: CounterFrame = { link: 'up', count: 112, odd: null };
const at = (seq: number, count: number): RunEvent =>
  event(seq, { kind: 'device-at', payload: { device: 'reed-1', count } });
const WINDING = [...stepsDone(1, 'strip', 'mount', 'tie-on'), at(5, 100)];
const JOINING = [
  ...WINDING,
  ...['wind-backing', 'depth-backing'].map((step, i) =>
    event(6 + i, { kind: 'step-done', payload: { step } }),
  ),
];

function written(
  happening: RunHappening,
  {
    log = WINDING,
    frame = FRAME,
    heard = true,
  }: { log?: RunEvent[]; frame?: CounterFrame | null; heard?: boolean } = {},
): RunHappening[] {
  return withCounters(happening, { device: DEVICE, frame, heard, facts: FACTS, state: foldRun(FACTS, log) });
}
const done = (step: string): RunHappening => ({ kind: 'step-done', payload: { step } });

describe('what is done beside a counter', () => {
  it('comes after what it went on by, and ends a layer at the count that was seen', () => {
    expect(written(done('wind-backing'))).toEqual([
      {
        kind: 'turns',
        payload: {
          layer: 'backing',
          device: 'reed-1',
          count: 112,
          from: 100,
          turns: 12,
          per: FACTS.request.gear,
        },
      },
      { kind: 'step-done', payload: { step: 'wind-backing', seen: { device: 'reed-1', count: 112 } } },
    ]);
  });

  it('begins a layer at the count that was seen', () => {
    expect(written(done('join-main'), { log: JOINING })).toEqual([
      { kind: 'step-done', payload: { step: 'join-main', seen: { device: 'reed-1', count: 112 } } },
    ]);
    expect(written(done('mount'), { log: stepsDone(1, 'strip') })).toEqual([done('mount')]);
  });

  it('says so where it could not be heard, with what was seen of it last', () => {
    const away = { frame: { ...FRAME, link: 'away' as const }, heard: false };
    const seen = { device: 'reed-1', count: 112, unheard: true };
    // What was seen before it fell silent was wound.
    const before = {
      kind: 'turns',
      payload: {
        layer: 'backing',
        device: 'reed-1',
        count: 112,
        from: 100,
        turns: 12,
        per: FACTS.request.gear,
      },
    };
    expect(written(done('wind-backing'), away)).toEqual([
      before,
      { kind: 'step-done', payload: { step: 'wind-backing', seen } },
    ]);
    const byHand: RunHappening = { kind: 'turns', payload: { layer: 'backing', turns: 10 } };
    expect(written(byHand, away)).toEqual([before, { kind: 'turns', payload: { ...byHand.payload, seen } }]);
    expect(written(byHand)).toEqual([byHand]);
    // Never heard on this page: what the log knows of it.
    expect(written(byHand, { frame: null, heard: false })[0]?.payload).toMatchObject({
      seen: { count: 100 },
    });
  });

  it('leaves a count that is asked about to its answer', () => {
    const jumped = { frame: { ...FRAME, count: 10_112, odd: 'jumped' as const } };
    expect(written(done('wind-backing'), jumped)[0]?.payload).toMatchObject({
      seen: { count: 100, unheard: true },
    });
  });

  it('is not its business where it counts another reel', () => {
    const taken = { frame: { ...FRAME, link: 'taken' as const, count: null }, heard: false };
    expect(written(done('wind-backing'), taken)).toEqual([done('wind-backing')]);
  });
});
