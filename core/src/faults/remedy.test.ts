import { describe, expect, it } from 'vitest';
import { USUAL_HOUSE_RULES } from '../house-rules/house-rules';
import { lengthBetween } from '../winding/winding';
import { woundArea } from '../lines/line';
import { withoutTop } from '../record/lying';
import { tellMetric } from '../words/message';
import { FAULT_CAUSES } from './causes';
import { faultReelOf, type FilledReel } from './filled-reel';
import { recordLooks } from './record-looks';
import { faultRemedy } from './remedy';
import { toldWords } from './told-words';

const braid = { key: 'b', material: 'braid', diameter: 0.2 } as const;
const nylon = { key: 'n', material: 'nylon', diameter: 0.4 } as const;
const WIDTH = 16;
const LIP = 24;
const at = (line: typeof braid | typeof nylon, inner: number, outer: number) => ({
  line,
  name: line.key,
  innerRadius: inner,
  outerRadius: outer,
  length: lengthBetween(WIDTH, inner, outer, woundArea(line.diameter, 1, 0.8)),
  handleTurns: 200,
});
const REEL: FilledReel = {
  type: 'fixed-spool',
  rules: USUAL_HOUSE_RULES,
  layers: [at(nylon, 14, 18), at(braid, 18, 23.4)],
  lip: LIP,
  wanted: 1.6,
  gapClosed: 0.6,
  gapNow: 0.6,
  off: 0,
  months: 2,
  trips: 3,
  taped: false,
  lotStandsOut: null,
  handStandsOut: false,
  wet: null,
  supplyTwist: null,
  drag: null,
  strengths: [],
  slacks: [],
  tensions: [],
  lays: [],
};
const answers = (reel: FilledReel): Record<string, string> =>
  Object.fromEntries(recordLooks(reel).map(({ look, answer }) => [look, answer]));

describe('looks the record has made', () => {
  it('tell the level, the layers and the wear', () => {
    expect(answers(REEL)).toEqual({
      'gap-closed': 'higher',
      out: 'fresh',
      bare: 'held',
      below: 'springy',
      join: 'stays',
    });
    const lines = REEL.layers.map(({ line }) => line);
    expect(faultReelOf(REEL.type, lines)).toEqual({ type: 'fixed-spool', material: 'braid', backing: true });
  });

  it('tell a loss, and how deep it lies since', () => {
    const left = withoutTop(REEL.layers, 130);
    const gapNow = LIP - left.at(-1)!.outerRadius;
    const lost = { ...REEL, layers: left, off: 130, gapNow };
    expect(answers(lost)).toMatchObject({ lost: 'yes', gap: 'deeper', 'gap-closed': 'higher' });
    expect(recordLooks(lost).find(({ look }) => look === 'gap')?.words).toMatchObject({
      values: { gap: { mm: gapNow } },
    });
  });

  it('tell what was seen while it was wound: the last look at each layer', () => {
    const tension = (holds: boolean) => ({ layer: 'main', holds });
    const seen = { slacks: [{ layer: 'main', pinched: 1, plyTurns: 3, wound: 20 }] };
    const lays = [{ layer: 'main', rear: 3, front: 1, did: 'leave' as const, wound: 80 }];
    expect(answers({ ...REEL, ...seen, lays, tensions: [tension(true), tension(false)] })).toMatchObject({
      'twist-closed': 'twisted',
      'tension-closed': 'sprang',
      edges: 'front',
    });
    expect(answers({ ...REEL, tensions: [tension(false), tension(true)] })['tension-closed']).toBe('held');
  });

  it('tell how its supply stood, the water, the drag it left with, and whose others come back', () => {
    const seen = {
      wet: false,
      supplyTwist: { turns: 10.3, best: 3.9 },
      drag: 3.5,
      strengths: [null, 4, 9],
      handStandsOut: true,
    };
    expect(answers({ ...REEL, ...seen })).toMatchObject({
      'supply-closed': 'adds',
      soaked: 'no',
      'pull-closed': 'over',
      hand: 'others',
    });
    expect(
      answers({ ...REEL, ...seen, wet: true, supplyTwist: { turns: 4, best: 3.9 }, drag: 3.3 }),
    ).toMatchObject({
      'supply-closed': 'even',
      soaked: 'yes',
      'pull-closed': 'under',
    });
    expect(answers({ ...REEL, drag: 3.5, strengths: [null] })['pull-closed']).toBeUndefined();
  });

  it('say nothing of how often a reel was out that nobody told a trip of, and of a bare reel', () => {
    expect(answers({ ...REEL, trips: null }).out).toBeUndefined();
    expect(answers({ ...REEL, trips: null, months: 40 }).out).toBe('long');
    expect(answers({ ...REEL, layers: [], trips: 0 })).toEqual({ 'gap-closed': 'higher' });
  });
});

describe('a remedy', () => {
  it('takes off what lies between the levels by the spool’s own rings', () => {
    const { line, steps } = faultRemedy('too-full', REEL);
    const area = woundArea(braid.diameter, 1, 0.8);
    expect(line?.how).toBe('off');
    expect(line?.metres).toBeCloseTo(lengthBetween(WIDTH, LIP - 1.6, LIP - 0.6, area), 6);
    expect(steps[0]).toMatchObject({ code: 'fault.take-off' });
  });

  it('goes by the depth as it was measured where it was', () => {
    const by = (gap: number): number => faultRemedy('too-full', REEL, gap).line?.metres ?? 0;
    expect(by(0.2)).toBeGreaterThan(by(0.6));
    // As wanted, there is nothing to take off: it says how to find out.
    expect(faultRemedy('too-full', REEL, 1.6)).toMatchObject({ line: null });
  });

  it('fills again what a join within a cast would spoil, and tops up what is not cast', () => {
    const left = withoutTop(REEL.layers, 110);
    const low = { ...REEL, layers: left, off: 110, gapNow: LIP - left.at(-1)!.outerRadius };
    expect(faultRemedy('line-lost', low)).toMatchObject({ leads: 'refill', line: null });
    const trolled = faultRemedy('line-lost', { ...low, type: 'trolling' });
    expect(trolled).toMatchObject({ leads: 'counter', line: { how: 'on' } });
  });

  it('names the washer by the lay as it was last read', () => {
    const lays = [{ layer: 'main', rear: 3, front: 1, did: 'leave' as const, wound: 80 }];
    const [first] = faultRemedy('lay', { ...REEL, lays }).steps;
    expect(tellMetric(first ?? '')).toMatch(/washer/i);
    expect(first).not.toBe(faultRemedy('lay', REEL).steps[0]);
    expect(faultRemedy('lay', REEL).steps[0]).toContain('Read the depth at front and rear');
  });

  it('has words, minutes and what to do next for every cause, on record or not', () => {
    for (const cause of FAULT_CAUSES)
      for (const reel of [REEL, null]) {
        const { steps, fails, minutes, by } = faultRemedy(cause, reel);
        expect(steps.length).toBeGreaterThan(0);
        expect(fails).toMatch(/^If/);
        expect(minutes > 0).toBe(by !== 'service');
        expect(toldWords(cause)).not.toMatch(/fault|blame|wrong/i);
      }
  });
});
