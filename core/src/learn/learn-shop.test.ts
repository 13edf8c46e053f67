import { describe, expect, it } from 'vitest';
import { makePlan } from '../plan/make-plan';
import type { FillEvidence } from '../settle/evidence';
import { settleFill } from '../settle/settle-fill';
import { BACKING, MAIN, valueOf, WORKED_READINGS, WORKED_REQUEST } from '../testing/examples';
import { learningYear } from '../testing/learning-year';
import { beliefsFor, kindKey } from './beliefs-for';
import { learnShop, type ShopLesson } from './learn-shop';
import { lessonOf } from './lesson';

const wound = { backing: [{ spoolTurns: 862 }], main: [{ spoolTurns: 993 }] };
/** The worked fill wound to plan, with the gap it came to: less than planned where its line is bulkier. */
const filled = (gap: number): FillEvidence => ({
  observations: WORKED_READINGS,
  request: WORKED_REQUEST,
  layers: (['backing', 'main'] as const).map((id) => ({
    id,
    goes: wound[id],
    per: 5.2,
    countedBy: 'device',
    usedUp: false,
    piece: null,
  })),
  depths: [
    { after: 'backing', depth: 6.07, by: 'calliper', wound: { backing: wound.backing } },
    { after: 'gap', depth: gap, by: 'calliper', wound },
  ],
  settlings: [],
});
const lesson = (gap: number, more: Partial<ShopLesson> = {}): ShopLesson => ({
  ...lessonOf(valueOf(settleFill(filled(gap))), WORKED_REQUEST.layers),
  kind: 'a',
  hand: 'x',
  ...more,
});

describe('the lesson of a fill', () => {
  it('shares its wound space among its lines, and says more the more was looked at', () => {
    const { lines, precision, value } = lesson(1.5);
    expect(lines.map(({ key }) => key).sort()).toEqual(['backing', 'main']);
    expect(lines.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
    expect(Math.abs(value)).toBeLessThan(0.05);
    const blind = lessonOf(
      valueOf(settleFill({ ...filled(1.5), depths: [] })),
      WORKED_REQUEST.layers,
    ).precision;
    expect(precision).toBeGreaterThan(2 * blind);
  });

  it('is lower the fuller the spool came out', () => {
    expect(lesson(0.6).value).toBeLessThan(lesson(1.5).value - 0.03);
  });
});

describe('what a shop learns', () => {
  it('is nothing before any fill', () => {
    expect(learnShop([])).toMatchObject({ kinds: [], lines: [], hands: [], prints: [] });
  });

  it('moves towards what the fills say and gets surer with each', () => {
    const bulk = (n: number) =>
      learnShop(Array.from({ length: n }, () => lesson(0.6))).lines.find(({ key }) => key === MAIN.key)!;
    expect(bulk(1).belief.median).toBeGreaterThan(1.001);
    expect(bulk(3).belief.median).toBeGreaterThan(bulk(1).belief.median);
    expect(bulk(3).belief.sd).toBeLessThan(bulk(1).belief.sd);
    expect([bulk(1).fills, bulk(3).fills]).toEqual([1, 3]);
  });

  it('gives a line what follows it around, and a kind what stays with it', () => {
    const other = (one: ShopLesson, key: string): ShopLesson => ({
      ...one,
      lines: one.lines.map((line) => (line.key === MAIN.key ? { ...line, key } : line)),
    });
    const fat = Array.from({ length: 8 }, (_, i) => lesson(0.6, { kind: `k${String(i)}` }));
    const lean = Array.from({ length: 8 }, (_, i) => other(lesson(1.5, { kind: `k${String(i)}` }), 'lean'));
    const byLine = learnShop([...fat, ...lean]);
    const bulkOf = (key: string): number => byLine.lines.find((line) => line.key === key)!.belief.median;
    expect(bulkOf(MAIN.key)).toBeGreaterThan(bulkOf('lean') * 1.03);
    const tight = Array.from({ length: 8 }, (_, i) => other(lesson(0.6, { kind: 'tight' }), `l${String(i)}`));
    const usual = Array.from({ length: 8 }, (_, i) => other(lesson(1.5, { kind: 'usual' }), `l${String(i)}`));
    const byKind = learnShop([...tight, ...usual]);
    const packingOf = (key: string): number => byKind.kinds.find((kind) => kind.key === key)!.belief.median;
    expect(packingOf('usual')).toBeGreaterThan(packingOf('tight') * 1.03);
  });

  it('reaches the plan: bulkier main leaves less room for backing', () => {
    const learning = learnShop([lesson(0.6), lesson(0.6), lesson(0.6)]);
    const input = { observations: WORKED_READINGS.slice(0, 4), request: WORKED_REQUEST };
    const of = { type: 'fixed-spool', kind: 'new to the shop', lines: [MAIN.key, BACKING.key] } as const;
    const plain = valueOf(makePlan(input)).plan.layers[0]!.length;
    const knowing = valueOf(makePlan({ ...input, beliefs: beliefsFor(learning, of) })).plan.layers[0]!.length;
    expect(knowing.value).toBeLessThan(plain.value);
    expect(knowing.sd).toBeLessThan(plain.sd);
  });

  it('is taken only for the lines of the reel and its own kind', () => {
    const learning = learnShop([lesson(0.6)]);
    const beliefs = beliefsFor(learning, { type: 'trolling', kind: 'b', lines: ['other'] });
    expect(beliefs).toEqual({ type: 'trolling' });
    expect(kindKey({ type: 'trolling', label: ' Wide 30 ' })).toBe('trolling wide 30');
  });
});

it('a first year of fills makes first-time spools of a known kind come out nearer', () => {
  const { months, learning, bulk } = learningYear(110);
  const mean = (knowing: string): number => {
    const found = months.filter((one) => one.knowing === knowing && one.month > 4);
    return (
      found.reduce((sum, one) => sum + one.median * one.fills, 0) /
      found.reduce((sum, one) => sum + one.fills, 0)
    );
  };
  expect(mean('learned and seen')).toBeLessThan(0.6 * mean('nothing'));
  for (const { key, belief } of learning.lines)
    expect(Math.abs(Math.log(belief.median / bulk[key]!))).toBeLessThan(3.5 * Math.max(0.05, belief.sd));
}, 20_000);
