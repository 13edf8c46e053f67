import { makePlan, runSteps, type RunEvent, type RunHappening } from '@yard-spool/core';
import { anEvent, PLAN_INPUT, stepsDone } from '../testing/runs';
import { pressKey } from '../testing/screen';
import { onARun, TROLLING } from '../testing/spec-run';
import { CounterMatchPanel } from './counter-match-panel';
import { markText, movedText, readingText } from '../words/counter-words';

const FT = 0.3048;
const planned = makePlan(PLAN_INPUT);
const turnsOf = (layer: string): number =>
  planned.ok ? planned.value.plan.layers.find(({ id }) => id === layer)!.handleTurns.value : 0;
const before = runSteps(TROLLING).map(({ id }) => id);
/** Filled as planned, up to the counter. */
const FILLED: readonly RunEvent[] = [
  ...stepsDone(...before.slice(0, before.indexOf('counter'))),
  anEvent(60, { kind: 'turns', payload: { layer: 'backing', turns: turnsOf('backing') } }),
  anEvent(61, { kind: 'turns', payload: { layer: 'main', turns: turnsOf('main') } }),
];
const walked = (seq: number, reading: number): RunEvent =>
  anEvent(seq, {
    kind: 'walked',
    payload: {
      layer: 'main',
      match: 100 * FT,
      tape: 100 * FT,
      reading,
      unit: 'ft',
      step: 1,
      over: 'field',
    },
  });
const walksIn = (happened: readonly RunHappening[]) =>
  happened.flatMap((one) => (one.kind === 'walked' ? [one.payload] : []));

/** The counter of a trolling reel that is filled, with what happened since. */
const matching = (...since: readonly RunEvent[]) =>
  onARun(CounterMatchPanel, { ownButton: true }, [...FILLED, ...since], TROLLING);

describe('matching a counter', () => {
  it('takes a mark and a reading in whatever they are marked in, and says what it is to show', async () => {
    const { store, type, press, shown } = await onARun(
      CounterMatchPanel,
      { ownButton: true },
      FILLED,
      TROLLING,
    );
    expect(shown()).toContain('Walk, rod tip at the 30 m mark, read.');
    expect(shown()).toContain('It is to show 30 there.');
    await type('Match at', '100 ft');
    await type('Counter reads at the mark', '31');
    await press('Take this reading');
    expect(walksIn(store.happened)).toMatchObject([
      { layer: 'main', match: 100 * FT, tape: 100 * FT, reading: 31, unit: 'm', over: 'field' },
    ]);
  });

  it('takes a bare number for a mark in what the counter shows', async () => {
    const { store, type, press } = await onARun(CounterMatchPanel, { ownButton: true }, FILLED, TROLLING);
    await type('Match at', '25');
    await type('Counter reads at the mark', '26');
    await press('Take this reading');
    expect(walksIn(store.happened)).toMatchObject([{ match: 25, tape: 25, unit: 'm' }]);
  });

  it('refuses a reading that is none, and keeps it', async () => {
    const { store, type, press, shown } = await onARun(
      CounterMatchPanel,
      { ownButton: true },
      FILLED,
      TROLLING,
    );
    await type('Counter reads at the mark', '100 ft');
    await press('Take this reading');
    expect(store.happened).toEqual([]);
    expect(shown()).toMatch(/number/i);
  });

  it('gives one big answer with metres, turns and what one foot is worth', async () => {
    const { shown } = await matching(walked(70, 104));
    expect(shown()).toMatch(/It showed 104 at 100 ft\. Add \d+(\.\d)? m/);
    expect(shown()).toMatch(/\d+ handle turns; likely/);
    expect(shown()).toMatch(/m of line moves it by one ft at 100 ft, by its own spool/);
  });

  it('writes down another length that came off', async () => {
    const { store, type, press } = await matching(walked(70, 97));
    await type('Another length came off', '12 m');
    await press('Enter');
    const [off] = store.happened;
    expect(off).toEqual({ kind: 'metres', payload: { layer: 'main', metres: -12 } });
  });

  it('says that it agrees', async () => {
    const { shown } = await matching(walked(70, 100));
    expect(shown()).toContain('It agrees');
    expect(shown()).toContain('Cut the supply now');
  });

  it('says what would help where no level makes it agree', async () => {
    const once = await matching(walked(70, 118));
    expect(once.shown()).toContain('Walk once more before you believe it');
    const { shown } = await matching(walked(70, 118), walked(71, 118));
    expect(shown()).toContain('It cannot be matched at 100 ft on this main');
    expect(shown()).toContain('above the lip');
  });

  it('offers to check the first walk half way back, and takes what was read there', async () => {
    const { store, type, press, shown } = await matching(walked(70, 104));
    expect(shown()).toMatch(/At 50\sft it is to show \d+\./);
    await type('Counter reads at 50', '52');
    await press('Check');
    expect(store.happened).toMatchObject([{ kind: 'walked', payload: { reading: 52, match: 30.48 } }]);
    expect((store.happened[0]!.payload as { tape: number }).tape).toBeCloseTo(15.24, 6);
  });

  it('asks about a reading that cannot be, and takes the answer by its key', async () => {
    const moved = anEvent(71, { kind: 'metres', payload: { layer: 'main', metres: 25 } });
    const { store, type, press, shown } = await matching(walked(70, 104), moved);
    await type('Counter reads at the mark', '104');
    await press('Take this reading');
    expect(shown()).toContain('Was no line moved after the last walk?');
    expect(store.happened).toEqual([]);
    pressKey('1');
    const [back, walk] = store.happened;
    expect(back).toMatchObject({ kind: 'metres', payload: { layer: 'main' } });
    expect((back!.payload as { metres: number }).metres).toBeCloseTo(-25, 3);
    expect(walk).toMatchObject({ kind: 'walked', payload: { reading: 104, cause: 'not-moved' } });
  });

  it('takes what it began at for an answer, and shows the reading as it was typed', async () => {
    const moved = anEvent(71, { kind: 'metres', payload: { layer: 'main', metres: -9 } });
    const log = [...FILLED, walked(70, 100), moved];
    const { store, type, press, shown } = await onARun(CounterMatchPanel, { ownButton: true }, log, TROLLING);
    await type('Counter reads at the mark', '125');
    await press('Take this reading');
    expect(shown()).toContain('It stands as read, and walk 1 is left out');
    await type('Or it began at', '25');
    await press('Count from there');
    expect(walksIn(store.happened)).toMatchObject([{ reading: 125, began: 25, cause: 'not-zeroed' }]);
  });

  it('leaves the other walk out where a reading stands against it', async () => {
    const moved = anEvent(71, { kind: 'metres', payload: { layer: 'main', metres: -9 } });
    const log = [...FILLED, walked(70, 100), moved];
    const { store, type, press } = await onARun(CounterMatchPanel, { ownButton: true }, log, TROLLING);
    await type('Counter reads at the mark', '125');
    await press('Take this reading');
    pressKey('0');
    expect(walksIn(store.happened)).toMatchObject([{ reading: 125, without: [0] }]);
  });

  it('leaves a reading out that nobody can explain, and keeps it in the log', async () => {
    const moved = anEvent(71, { kind: 'metres', payload: { layer: 'main', metres: -9 } });
    const log = [...FILLED, walked(70, 100), moved];
    const { store, type, press } = await onARun(CounterMatchPanel, { ownButton: true }, log, TROLLING);
    await type('Counter reads at the mark', '61');
    await press('Take this reading');
    pressKey('w');
    expect(walksIn(store.happened)).toMatchObject([{ reading: 61, left: true }]);
  });
});

describe('words of a counter', () => {
  it.each([
    [30.48, 'ft', '100 ft'],
    [30, 'ft', '30 m'],
    [22.86, 'm', '75 ft'],
    [33.3, 'm', '33.3 m'],
  ] as const)('a mark of %s m is told as %s people have it on the tape', (metres, unit, told) => {
    expect(markText(metres, unit).replace('\u00a0', ' ')).toBe(told);
  });

  it('lengths moved are told to a tenth of a metre, or in feet', () => {
    expect(movedText(-7.84, 'metric')).toBe('7.8\u00a0m');
    expect(movedText(44, 'metric')).toBe('44\u00a0m');
    expect(movedText(7.8, 'imperial')).toBe('26\u00a0ft');
    expect(readingText(99.6)).toBe('100');
    expect(readingText(30.46, 0.1)).toBe('30.5');
  });
});
