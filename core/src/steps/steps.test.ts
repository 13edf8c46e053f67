import { describe, expect, it } from 'vitest';
import { said } from '../testing/examples';
import type { ReelType } from '../lines/reel-type';
import { runSteps } from '../run/run-steps';
import { FACTS } from '../testing/runs';
import { STEPS } from './catalogue';
import type { RunFacts, StepKind } from './run-facts';
import { stepAt, stepWords, stillMissing } from './step-at';

const TYPES: readonly ReelType[] = ['fixed-spool', 'baitcaster', 'spincast', 'trolling', 'big-game'];
const KINDS = Object.keys(STEPS) as StepKind[];
const of = (more: Partial<RunFacts>): RunFacts => ({ ...FACTS, ...more });
const kindsOf = (more: Partial<RunFacts>): string[] => runSteps(of(more)).map(({ kind }) => kind);

describe('the catalogue of steps', () => {
  it('says what to do at each, for every type of reel', () => {
    for (const type of TYPES)
      for (const kind of KINDS) {
        const { name, todo } = stepWords({ id: kind, kind, layer: 'main' }, of({ type }), 'walked-out');
        expect([kind, type, name.length > 2, said(todo).length > 10]).toEqual([kind, type, true, true]);
      }
  });

  it('asks for nothing twice at one step, and for what depends on another only beside it', () => {
    for (const { fields = [] } of Object.values(STEPS)) {
      const keys = fields.map(({ key }) => key);
      expect(new Set(keys).size).toBe(keys.length);
      for (const { where } of fields) {
        if (!where) continue;
        const on = fields.find(({ key }) => key === where.key);
        expect(on?.kind === 'choice' && on.options.some(({ value }) => value === where.is)).toBe(true);
      }
    }
  });

  it.each([
    ['spincast', ['cover'], ['depth', 'brake', 'counter']],
    ['baitcaster', ['brake', 'thumb'], ['cover', 'counter']],
    ['trolling', ['counter'], ['cover', 'brake', 'thumb']],
    ['big-game', ['drag-reading'], ['memory', 'cover']],
  ] as const)('a %s has %j and not %j', (type, has, not) => {
    const kinds = kindsOf({ type });
    for (const kind of has) expect(kinds).toContain(kind);
    for (const kind of not) expect(kinds).not.toContain(kind);
  });

  it('joins two lines by a knot, or by a splice where one of them is hollow', () => {
    const hollow = { key: 'H', material: 'hollow-braid', diameter: 0.5 } as const;
    const [backing, main] = FACTS.request.layers;
    if (main?.kind !== 'line' || !backing) throw new Error('Two layers of line.');
    const request = { ...FACTS.request, layers: [backing, { ...main, line: hollow }] };
    expect(kindsOf({})).toContain('join');
    expect(kindsOf({ request })).toContain('splice');
    expect(kindsOf({ request })).not.toContain('join');
    const splice = { id: 'splice-main', kind: 'splice', layer: 'main' } as const;
    expect(stillMissing(splice, {})).toContain('length');
    expect(stillMissing(splice, { metres: 3.7, whipped: true })).toContain('Whip both ends');
    expect(stillMissing(splice, { metres: 3.7, whipped: true, pushed: true })).toBe('');
  });

  it('turns the layers round where the main goes on first, and swaps it over', () => {
    const facts = of({ mainFirst: true });
    expect(runSteps(facts).flatMap(({ kind, layer }) => (kind === 'wind' ? [layer] : []))).toEqual([
      'main',
      'backing',
    ]);
    expect(kindsOf({ mainFirst: true })).toContain('swap');
    expect(stepAt(facts, 'backing')).toMatchObject({ role: 'Backing', last: true, swap: true });
  });
});
