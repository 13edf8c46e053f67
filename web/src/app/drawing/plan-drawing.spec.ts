import { type LayerRequest, type LineStyle, makePlan } from '@yard-spool/core';
import { PLAN_INPUT } from '../testing/runs';
import { KEPT_STYLE, planSection, planStretches, TAPE_STYLE } from './plan-drawing';

const NYLON: LineStyle = { texture: 'nylon', tint: '#c5cfd2' };
const names = {
  lineStyle: () => NYLON,
  length: (metres: number) => `${metres.toFixed(0)} m`,
  small: (mm: number) => `${mm.toFixed(1)} mm`,
};
const drawn = (below: LayerRequest) => {
  const layers = [below, ...PLAN_INPUT.request.layers];
  const made = makePlan({ ...PLAN_INPUT, request: { ...PLAN_INPUT.request, layers } });
  if (!made.ok) throw new Error('This plan works.');
  const { plan, spool } = made.value;
  return { section: planSection(plan, spool.spool, names), rule: planStretches(plan, names), plan };
};

describe('what lies below the line of a plan', () => {
  it('old line that stays on is drawn, joined and part of the length', () => {
    const line = { key: 'old line', material: 'nylon', diameter: 0.3 } as const;
    const { section, rule, plan } = drawn({ kind: 'retained', id: 'kept', line, left: { length: 25 } });
    expect(section.layers[0]).toMatchObject({ lineStyle: KEPT_STYLE, label: '25 m old line kept' });
    expect(section.layers[0]!.outer).toBe(section.layers[1]!.inner);
    expect(section.marks.filter(({ kind }) => kind === 'join')).toHaveLength(2);
    expect(rule.map(({ label }) => label)).toEqual(['kept', 'backing', 'main']);
    expect(rule.reduce((sum, { metres }) => sum + metres, 0)).toBeCloseTo(plan.total, 6);
  });

  it('tape is drawn and is no line; a reducer is the arbor', () => {
    const taped = drawn({ kind: 'tape', id: 'tape', thickness: 0.15, wraps: 2 });
    expect(taped.section.layers[0]).toMatchObject({ lineStyle: TAPE_STYLE, label: '2 wraps of tape' });
    expect(taped.rule).toHaveLength(2);
    const reduced = drawn({ kind: 'reducer', id: 'reducer', diameter: 34 });
    expect(reduced.section.layers).toHaveLength(2);
  });
});
