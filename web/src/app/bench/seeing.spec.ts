import { runFacts, type CounterAtBench, type Run } from '@yard-spool/contract';
import { foldRun, type RunEvent, type RunHappening } from '@yard-spool/core';
import { anEvent, aRun, stepsDone } from '../testing/runs';
import { withSeen } from './seeing';

const DEVICE = { name: 'reed-1', counts: 'handle-turns', per: 1, address: '127.0.0.1:1' } as const;
const FRAME: CounterAtBench = {
  ...{ device: DEVICE, link: 'up', count: 112, heardAt: null, unclaimed: 0, odd: null },
};
const at = (seq: number, count: number): RunEvent =>
  anEvent(seq, { kind: 'device-at', payload: { device: 'reed-1', count } });
const WINDING = [...stepsDone('strip', 'mount', 'tie-on'), at(5, 100)];
const JOINING = [
  ...WINDING,
  ...['wind-backing', 'depth-backing'].map((step, i) =>
    anEvent(6 + i, { kind: 'step-done', payload: { step } }),
  ),
];

function written(
  happening: RunHappening,
  {
    log = WINDING,
    frame = FRAME,
    heard = true,
  }: { log?: RunEvent[]; frame?: CounterAtBench | null; heard?: boolean } = {},
): RunHappening[] {
  const run: Run = aRun(log);
  const facts = runFacts(run);
  return withSeen(happening, { device: DEVICE, frame, heard, facts, state: foldRun(facts, log) });
}
const done = (step: string): RunHappening => ({ kind: 'step-done', payload: { step } });

describe('what is done beside a counter', () => {
  it('comes after what it went on by, and ends a layer at the count that was seen', () => {
    expect(written(done('wind-backing'))).toEqual([
      {
        kind: 'turns',
        payload: { layer: 'backing', device: 'reed-1', count: 112, from: 100, turns: 12, per: 5.2 },
      },
      { kind: 'step-done', payload: { step: 'wind-backing', seen: { device: 'reed-1', count: 112 } } },
    ]);
  });

  it('begins a layer at the count that was seen', () => {
    expect(written(done('join-main'), { log: JOINING })).toEqual([
      { kind: 'step-done', payload: { step: 'join-main', seen: { device: 'reed-1', count: 112 } } },
    ]);
    expect(written(done('mount'), { log: stepsDone('strip') })).toEqual([done('mount')]);
  });

  it('says so where it could not be heard, with what was seen of it last', () => {
    const away = { frame: { ...FRAME, link: 'away' as const }, heard: false };
    const seen = { device: 'reed-1', count: 112, unheard: true };
    expect(written(done('wind-backing'), away)).toEqual([
      { kind: 'step-done', payload: { step: 'wind-backing', seen } },
    ]);
    const byHand: RunHappening = { kind: 'turns', payload: { layer: 'backing', turns: 10 } };
    expect(written(byHand, away)).toEqual([{ kind: 'turns', payload: { ...byHand.payload, seen } }]);
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
