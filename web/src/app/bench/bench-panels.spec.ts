import { TestBed } from '@angular/core/testing';
import { provideHttpClient } from '@angular/common/http';
import { provideHttpClientTesting } from '@angular/common/http/testing';
import type { Run } from '@yard-spool/contract';
import { foldRun, type RunEvent, runFacts, runUnderWay, stepFields, tooLong } from '@yard-spool/core';
import { openScreen } from '../testing/screen';
import { onARun, SpecRun } from '../testing/spec-run';
import { anEvent, aRun, PLAN_INPUT, stepsDone } from '../testing/runs';
import { BenchView } from './bench-view';
import { CounterStep } from './counter-step';
import { DepthPanel } from './depth-panel';
import { LayPanel } from './lay-panel';
import { RunStore } from './run-store';
import { StepForm } from './step-form';
import { TooLongPanel } from './too-long-panel';
import { TwistPanel } from './twist-panel';

const FACTS = runFacts(aRun());
const turns = (seq: number, count: number, layer = 'backing'): RunEvent =>
  anEvent(seq, { kind: 'turns', payload: { layer, turns: count } });

const WINDING = [...stepsDone('strip', 'mount', 'tie-on'), turns(9, 160)];

describe('a depth', () => {
  it('that cannot be is refused, one far off wants a second look, one that fits is written down', async () => {
    const { type, press, shown, store, element, fixture } = await onARun(
      DepthPanel,
      { after: 'backing' },
      WINDING,
    );
    await type('Depth below the lip', '40 mm');
    expect(shown()).toContain('Measure again from the lip');
    await press('Take this depth');
    expect(store.happened).toEqual([]);
    await type('Depth below the lip', '2 mm');
    expect(shown()).toContain('Measure once more');
    await press('Take this depth');
    expect(store.happened).toEqual([]);
    const box = element.querySelector<HTMLInputElement>('input[type=checkbox]')!;
    box.checked = true;
    box.dispatchEvent(new Event('change'));
    await fixture.whenStable();
    await press('Take this depth');
    expect(store.happened).toEqual([
      { kind: 'depth-read', payload: { after: 'backing', depth: 2, by: 'calliper' } },
    ]);
  });
});

describe('a main too long', () => {
  it('offers three ways out, and line taken off is counted back', async () => {
    const log = [
      ...WINDING,
      anEvent(10, { kind: 'step-done', payload: { step: 'wind-backing' } }),
      anEvent(11, { kind: 'depth-read', payload: { after: 'backing', depth: 5, by: 'calliper' } }),
      anEvent(12, { kind: 'step-done', payload: { step: 'depth-backing' } }),
      anEvent(13, { kind: 'step-done', payload: { step: 'join-main' } }),
    ];
    const state = foldRun(FACTS, log);
    const long = tooLong(runUnderWay(PLAN_INPUT, FACTS, state)!, state)!;
    const { press, shown, store, fixture } = await onARun(TooLongPanel, { long }, log);
    expect(shown()).toContain('Accept a gap of');
    expect(shown()).toContain('Cut the main short');
    await press('of backing off');
    await fixture.whenStable();
    expect(store.happened).toEqual([
      { kind: 'chosen', payload: { layer: 'main', how: 'take-off' } },
      {
        kind: 'turns',
        payload: { layer: 'backing', turns: -Math.round(long.takeOff!.counted.amount), per: 5.2 },
      },
    ]);
  });
});

describe('the twist', () => {
  it('tells rotations against each other, and a slack metre with its error', async () => {
    const { press, shown, store, element, fixture, type } = await onARun(
      TwistPanel,
      { layer: 'backing' },
      WINDING,
    );
    const anti = [...element.querySelectorAll('label')].find((one) =>
      one.textContent.includes('Anticlockwise'),
    )!;
    anti.click();
    await fixture.whenStable();
    expect(shown()).toContain('They turn against each other');
    await type('Full turns', '30');
    expect(shown()).toMatch(/30\.0 ± 0\.4 turns in a metre\. The supply is the wrong way round/);
    await type('Full turns', '2');
    expect(shown()).toMatch(/2\.0 ± 0\.4 turns in a metre\. Cannot tell yet/);
    await press('Take this reading');
    await fixture.whenStable();
    expect(store.happened.map(({ kind }) => kind)).toEqual(['supply', 'slack-read']);
    expect(store.happened[0]).toMatchObject({ payload: { supplyTurns: 'anticlockwise' } });
  });

  it('of a rolling supply does not ask which way it turns', async () => {
    const { type, shown } = await onARun(TwistPanel, { layer: 'backing' }, WINDING);
    await type('How the line comes off', 'rolling');
    expect(shown()).not.toContain('Supply turns');
    expect(shown()).toContain('Rotor turns');
  });
});

describe('the lay', () => {
  it('front high asks for a washer, and what was done is written down', async () => {
    const { type, press, shown, store } = await onARun(LayPanel, { layer: 'backing' }, WINDING);
    await type('Rear', '4.5');
    await type('Front', '3.2');
    expect(shown()).toMatch(/washer/i);
    await press('A washer is added');
    expect(store.happened[0]).toMatchObject({
      kind: 'lay-read',
      payload: { rear: 4.5, front: 3.2, did: 'add-washer' },
    });
  });
});

describe('what is written down', () => {
  it('is read in its units; what is no quantity is not taken', async () => {
    const fields = stepFields({ id: 'strip', kind: 'strip' });
    const screen = await openScreen(StepForm, { fields });
    expect(screen.shown()).not.toContain('Which bin');
    const bin = [...screen.element.querySelectorAll('label')].find((one) =>
      one.textContent.includes('Recycling'),
    )!;
    bin.click();
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('Which bin');
    await screen.type('Weighed', '38 g');
    expect(screen.fixture.componentInstance.values()).toEqual({ to: 'bin', grams: 38 });
    await screen.type('Weighed', 'a handful');
    expect(screen.fixture.componentInstance.values()).toBeNull();
  });
});

describe('counting by hand', () => {
  async function viewOn(device: Run['device'], log: readonly RunEvent[]): Promise<BenchView> {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      providers: [
        provideHttpClient(),
        provideHttpClientTesting(),
        BenchView,
        CounterStep,
        { provide: RunStore, useClass: SpecRun },
      ],
    });
    const store = TestBed.inject(RunStore) as unknown as SpecRun;
    store.run.set(aRun([], { device }));
    store.log.set(log);
    await Promise.resolve();
    return TestBed.inject(BenchView);
  }
  const meter = { name: 'meter-1', address: '127.0.0.1:1', counts: 'metres', per: 100 } as const;
  const metres = anEvent(10, {
    kind: 'metres',
    payload: { layer: 'backing', metres: 12.5, device: 'meter-1', count: 1250 },
  });

  it('adds turns, and sets them', async () => {
    const view = await viewOn(null, WINDING);
    expect(view.soFar()).toBeCloseTo(160, 9);
    expect(view.byHand('backing', 10)).toEqual({
      kind: 'turns',
      payload: { layer: 'backing', turns: 10, per: 5.2 },
    });
    expect(view.setTo('backing', 150)).toEqual({
      kind: 'count-set',
      payload: { layer: 'backing', turns: 150, per: 5.2 },
    });
  });

  it('where a line meter counts sets metres, and turns by hand go on from them', async () => {
    const view = await viewOn(meter, [...stepsDone('strip', 'mount', 'tie-on'), metres]);
    expect(view.metered()).toBe(true);
    expect(view.soFar()).toBe(12.5);
    const more = view.setTo('backing', 20);
    expect(more).toEqual({ kind: 'metres', payload: { layer: 'backing', metres: 7.5 } });
    const ten = view.byHand('backing', 10);
    expect(ten).toMatchObject({ kind: 'turns', payload: { turns: 10 } });
    const { perTurn } = view.winding()!;
    const both = await viewOn(meter, [...stepsDone('strip', 'mount', 'tie-on'), metres, anEvent(11, ten)]);
    expect(both.soFar() - 12.5).toBeCloseTo(10 * perTurn, 0);
  });
});
