import {
  foldRun,
  type RunEvent,
  type RunFacts,
  runFacts,
  runSteps,
  runUnderWay,
  stepFields,
  stepWords,
  stillMissing,
  tell,
  USUAL_HOUSE_RULES,
} from '@yard-spool/core';
import { aRun, anEvent, PLAN_INPUT, stepsDone } from '../testing/runs';
import { actionsOf } from './bench-actions-of';
import { looksDue } from './looks-due';

const FACTS = runFacts(aRun());
const facts = (more: Partial<RunFacts>): RunFacts => ({ ...FACTS, ...more });
const WINDING = stepsDone('strip', 'mount', 'tie-on');
const backing = (seq: number, turns: number): RunEvent =>
  anEvent(seq, { kind: 'turns', payload: { layer: 'backing', turns } });

function looks(of: RunFacts, ...log: readonly RunEvent[]) {
  const state = foldRun(of, [...WINDING, ...log]);
  const underWay = runUnderWay(PLAN_INPUT, of, state);
  return underWay ? looksDue(of, state, underWay, 1.5) : [];
}

describe('the words of a step', () => {
  it.each(['fixed-spool', 'baitcaster', 'spincast', 'trolling', 'big-game'] as const)(
    'are there for every step of a %s',
    (type) => {
      const rules = { ...USUAL_HOUSE_RULES, guides: 'all' } as const;
      const of = facts({ type, rules, leader: true, mainFirst: type === 'fixed-spool' });
      for (const step of runSteps(of)) {
        const { name, todo } = stepWords(step, of);
        expect([step.kind, name !== '', tell(todo, 'metric').endsWith('.')]).toEqual([step.kind, true, true]);
      }
    },
  );

  it('follow the house: knots, grip, memory, guides and how many hands', () => {
    const rules = {
      ...USUAL_HOUSE_RULES,
      knots: 'albright',
      hands: 'helper',
      memoryRelief: 'stretch',
    } as const;
    const of = facts({ rules });
    const say = (kind: 'join' | 'mount' | 'memory') => stepWords({ id: kind, kind, layer: 'main' }, of);
    expect(say('join').todo).toContain('Albright');
    expect(say('mount').look).toContain('Call a helper');
    expect(say('memory').todo).toContain('Stretch');
    expect(say('memory').cautions).toEqual([]);
  });

  it('say where the line comes from, and the cautions of the place', () => {
    const wind = { id: 'wind-main', kind: 'wind', layer: 'main' } as const;
    expect(stepWords(wind, FACTS, 'drag-reel').todo).toContain('its drag holding the line back');
    expect(stepWords(wind, facts({ type: 'big-game' })).cautions).toEqual(['wind', 'wind-tight']);
    expect(stepWords({ id: 'strip', kind: 'strip' }, FACTS).cautions).toContain('strip');
  });
});

describe('what is written down at a step', () => {
  it('is asked where it matters only', () => {
    const strip = stepFields({ id: 'strip', kind: 'strip' });
    expect(strip.find(({ key }) => key === 'grams')?.where).toEqual({ key: 'to', is: 'bin' });
    expect(stepFields({ id: 'drag', kind: 'drag' })).toEqual([]);
  });

  it('has to be there for a splice, which comes out otherwise', () => {
    const splice = { id: 'splice-main', kind: 'splice' } as const;
    expect(stillMissing(splice, {})).toContain('length of the splice');
    expect(stillMissing(splice, { metres: 3.7, whipped: true })).toContain('Whip both ends');
    expect(stillMissing(splice, { metres: 3.7, whipped: true, pushed: true })).toBe('');
    expect(stillMissing({ id: 'clip', kind: 'clip' }, {})).toBe('');
  });
});

describe('the looks that are due', () => {
  it('begin with a slack metre after three free spans', () => {
    const early = looks(FACTS, backing(9, 2)).find(({ kind }) => kind === 'slack')!;
    expect([early.due, early.words]).toEqual([false, expect.stringMatching(/from turn \d+ on/)]);
    const [first] = looks(FACTS, backing(9, 20));
    expect([first!.kind, first!.due]).toEqual(['slack', true]);
    const slack = { layer: 'backing', pinched: 2, plyTurns: 6, wound: 9 };
    const read = anEvent(10, { kind: 'slack-read', payload: slack });
    expect(looks(FACTS, backing(9, 20), read).some(({ kind }) => kind === 'slack')).toBe(false);
  });

  it('have no slack metre where the spool turns and the supply rolls', () => {
    expect(looks(facts({ type: 'baitcaster' }), backing(9, 30)).some(({ kind }) => kind === 'slack')).toBe(
      false,
    );
  });

  it('come to the lay of a fixed spool half way or after 140 m, and not on other reels', () => {
    const lay = (of: RunFacts, turns: number) =>
      looks(of, backing(9, turns)).find(({ kind }) => kind === 'lay');
    expect(lay(FACTS, 10)?.due).toBe(false);
    expect(lay(FACTS, 160)?.due).toBe(true);
    expect(lay(facts({ type: 'trolling' }), 160)).toBeUndefined();
  });

  it.each(['fixed-spool', 'baitcaster', 'spincast', 'trolling', 'big-game'] as const)(
    'ask on a %s whether the line stays put, and again where it sprang',
    (type) => {
      const tension = (...log: readonly RunEvent[]) =>
        looks(facts({ type }), ...log).find(({ kind }) => kind === 'tension');
      expect(tension(backing(9, 10))?.due).toBe(false);
      expect(tension(backing(9, 90))?.due).toBe(true);
      const said = (holds: boolean) =>
        anEvent(10, { kind: 'tension-read', payload: { layer: 'backing', holds, wound: 45 } });
      expect(tension(backing(9, 90), said(true))).toBeUndefined();
      const off = anEvent(11, { kind: 'turns', payload: { layer: 'backing', turns: -40 } });
      expect(tension(backing(9, 90), said(false), off)?.due).toBe(false);
      expect(tension(backing(9, 120), said(false))?.due).toBe(true);
    },
  );
});

describe('the big actions', () => {
  const now = {
    step: null,
    closed: false,
    counter: false,
    held: false,
    reached: true,
    openFace: true,
    match: 'walk',
    moving: false,
  } as const;
  const wind = { id: 'wind-main', kind: 'wind', layer: 'main' } as const;

  it('are five at most, and the first is the one to press', () => {
    expect(actionsOf({ ...now, step: wind }).map(({ name }) => name)).toEqual([
      'Ten turns',
      'Type the count',
      'Twist',
      'Lay',
      'Step done',
    ]);
    expect(actionsOf({ ...now, step: wind, openFace: false })[3]!.name).toBe('Read a depth');
  });

  it('hold and start a counter', () => {
    const [first] = actionsOf({ ...now, step: wind, counter: true });
    const [held] = actionsOf({ ...now, step: wind, counter: true, held: true });
    expect([first!.name, held!.name]).toEqual(['Hold the count', 'Go on counting']);
  });

  it('leave an optional step out, close, and show what is on a closed reel', () => {
    const names = (more: object): string[] => actionsOf({ ...now, ...more }).map(({ name }) => name);
    expect(names({ step: { id: 'memory', kind: 'memory', optional: true } })[0]).toBe('Skip this step');
    expect(names({})).toEqual(['Close this reel']);
    expect(names({ closed: true })).toEqual(['Open the record']);
  });
});
