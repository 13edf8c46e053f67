import type { PlannedCut, Run } from '@yard-spool/contract';
import { makePlan, type LayerRequest, type RunStep } from '@yard-spool/core';
import { aPiece } from '../testing/pieces';
import { anEvent, aRun, PLAN_INPUT, stepsDone } from '../testing/runs';
import { onARun } from '../testing/spec-run';
import { ExitPanel } from './exit-panel';
import { besideStep } from './step-beside';

const units = {
  length: (metres: number) => `${metres.toFixed(0)} m`,
  small: (mm: number) => `${mm.toFixed(1)} mm`,
  diameter: (mm: number) => `${mm.toFixed(2)} mm`,
  strength: (kg: number) => `${kg.toFixed(0)} kg`,
};
const step = (kind: RunStep['kind'], layer?: string): RunStep => ({
  id: kind,
  kind,
  ...(layer ? { layer } : {}),
});
const beside = (kind: RunStep['kind'], run: Run, layer?: string, per = 5.2) =>
  besideStep(step(kind, layer), run, { units, per });
const wants = (more: Partial<Run['job']['wants']>): Run => {
  const run = aRun();
  return { ...run, job: { ...run.job, wants: { ...run.job.wants, ...more } } };
};
const planned = (layer: LayerRequest): Run => {
  const layers = [layer, ...PLAN_INPUT.request.layers];
  const planInput = { ...PLAN_INPUT, request: { ...PLAN_INPUT.request, layers } };
  const made = makePlan(planInput);
  if (!made.ok) throw new Error('This plan works.');
  return aRun([], {}, { planInput, plan: made.value.plan });
};

describe('what stands beside a step', () => {
  it('is nothing where nothing was asked', () => {
    for (const kind of ['strip', 'mount', 'wind', 'leader', 'drag', 'tag'] as const)
      expect(beside(kind, aRun())).toEqual([]);
  });

  it('is the bag’s notes, the leader and the drag that were asked for', () => {
    expect(beside('mount', aRun([], { notes: 'ring first' }))).toEqual(['ring first']);
    expect(beside('leader', wants({ leader: '3 m of 0.50' }))).toEqual(['Asked for: 3 m of 0.50.']);
    expect(beside('drag', wants({ dragKg: 4 }))).toEqual(['Asked for: a drag of 4 kg.']);
    expect(beside('drag-reading', wants({ dragKg: 4 }))).toHaveLength(1);
  });

  it('is how far to strip, by depth, by length and by turns', () => {
    const line = { key: 'old line', material: 'nylon', diameter: 0.3 } as const;
    const [words] = beside('strip', planned({ kind: 'retained', id: 'kept', line, left: { length: 25 } }));
    expect(words).toMatch(
      /^Strip until it sits \d+\.\d mm below the lip: about 25 m stay on, \d+ handle turns\.$/,
    );
  });

  it('is how much tape, how thick, and when to stop', () => {
    const [words] = beside('grip', planned({ kind: 'tape', id: 'tape', thickness: 0.15, wraps: 2 }));
    expect(words).toMatch(/^2 wraps of tape 0\.\d\d mm thick, until it sits \d+\.\d mm below the lip\.$/);
  });

  it('is what its like took, in the turns that are counted here', () => {
    const sister = { tag: 'R-7', gap: 1.6, layers: [{ layer: 'backing', spoolTurns: 520 }] };
    expect(beside('wind', aRun([], { sister }), 'backing')).toEqual([
      'R-7, its like, took 100 turns of this, and came out 1.6 mm below the lip.',
    ]);
    expect(beside('wind', aRun([], { sister }), 'backing', 1)[0]).toContain('520 turns');
    expect(beside('wind', aRun([], { sister }), 'main')).toEqual([]);
  });

  it('is that line the house soaks goes on dry', () => {
    const cut = { layer: 'main', water: 'dry' } as PlannedCut;
    const run = aRun([], {}, { cuts: [cut] });
    const soaks = {
      ...run,
      under: { ...run.under, rules: { ...run.under.rules, soak: 'full-day' as const } },
    };
    expect(beside('wind', soaks, 'main')).toEqual([
      'Goes on dry: the shop soaks this line for 24 h, and it is dry.',
    ]);
    const dry = { ...soaks, under: { ...run.under, rules: { ...run.under.rules, soak: 'none' as const } } };
    expect(beside('wind', dry, 'main')).toEqual([]);
  });

  it('is how supply and washers were last time, and what goes back with the reel', () => {
    const lastTime: Run['lastTime'] = {
      at: '2029-05-04T10:00:00.000Z',
      washers: 'add-washer',
      supply: { way: 'over-end', supplyTurns: 'clockwise', reelTurns: 'clockwise' },
    };
    const [words] = beside('wind', aRun([], { lastTime }), 'main');
    expect(words).toMatch(/^Last time, 4 May 2029: a washer was added; the supply turned clockwise/);
    const cuts = [{ own: true, productName: 'green' } as PlannedCut];
    expect(beside('tag', aRun([], {}, { cuts }))).toEqual([
      'What is left of green is theirs: it goes back with the reel.',
    ]);
  });
});

describe('a change of mind at the bench', () => {
  const WINDING = [
    ...stepsDone('strip', 'mount', 'tie-on'),
    anEvent(9, { kind: 'turns', payload: { layer: 'backing', turns: 60 } }),
  ];
  const onTheRack = [
    aPiece({ id: 3, code: 'N-3', lengthMm: 640_000 }),
    aPiece({ id: 4, code: 'C-4', product: { ...aPiece().product, code: 'CN-26' } }),
  ];
  const opened = async () => {
    const screen = await onARun(ExitPanel, {}, WINDING);
    for (const asked of screen.http.match('/api/pieces')) asked.flush(onTheRack);
    await screen.fixture.whenStable();
    return screen;
  };
  const choose = async (screen: Awaited<ReturnType<typeof opened>>, name: string): Promise<void> => {
    const bars = [...screen.element.querySelectorAll('label')];
    bars
      .find(({ textContent }) => textContent.includes(name))!
      .querySelector('input')!
      .click();
    await screen.fixture.whenStable();
  };
  const taken = (more: object = {}) => ({
    kind: 'piece-changed',
    payload: { layer: 'backing', pieceId: 3, code: 'N-3', usedUp: false, ...more },
  });

  it('offers other pieces of the same line, joined from here on', async () => {
    const { shown, press, store } = await opened();
    expect(shown()).toContain('N-3');
    expect(shown()).not.toContain('C-4');
    await press('N-3');
    expect(store.happened).toEqual([taken()]);
  });

  it('says that it was mounted all along, another line among those that are looked for', async () => {
    const screen = await opened();
    await choose(screen, 'On all along');
    await screen.press('N-3');
    await screen.type('Piece or line', 'c-4');
    expect(screen.shown()).toContain('another line');
    await screen.press('C-4');
    const { material, diameter } = aPiece().product;
    expect(screen.store.happened).toEqual([
      taken({ allAlong: true }),
      taken({ pieceId: 4, code: 'C-4', allAlong: true, line: { key: 'CN-26', material, diameter } }),
    ]);
  });

  it('strips back first where that was done', async () => {
    const screen = await opened();
    await choose(screen, 'Strip, begin');
    await screen.press('N-3');
    await screen.fixture.whenStable();
    expect(screen.store.happened).toEqual([
      { kind: 'restarted', payload: { layer: 'backing', why: 'other' } },
      taken({ allAlong: true }),
    ]);
  });

  it('strips all of it where the coil turns on the arbor, and begins again at the grip', async () => {
    const screen = await onARun(ExitPanel, {}, WINDING);
    await screen.press('turns on the arbor');
    await screen.fixture.whenStable();
    expect(screen.store.happened).toEqual([
      { kind: 'restarted', payload: { layer: 'backing', why: 'slipped' } },
      { kind: 'step-again', payload: { steps: ['tie-on'] } },
    ]);
  });

  it('takes another length, and nothing that is none', async () => {
    const { type, press, store } = await opened();
    await type('Another length', 'lots');
    await press('Wind that much');
    expect(store.happened).toEqual([]);
    await type('Another length', '80 m');
    await press('Wind that much');
    expect(store.happened).toEqual([
      { kind: 'chosen', payload: { layer: 'backing', how: 'another-length', length: 80 } },
    ]);
  });

  it('is given up with a reason, and the line goes where it was said', async () => {
    const { type, press, http, shown } = await opened();
    expect(shown()).toContain('Giving up needs a reason.');
    await press('Cancel the fill');
    http.expectNone('/api/runs/5/give-up');
    await type('Why', 'not braid after all');
    await press('Cancel the fill');
    expect(http.expectOne('/api/runs/5/give-up').request.body).toEqual({
      why: 'not braid after all',
      line: 'back',
    });
  });
});
