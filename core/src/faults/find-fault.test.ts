import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { askAbout, FAULT_WORLD, simulateComebacks } from '../testing/fault-worlds';
import type { FaultReel } from './cause';
import { authoredRates, causeOf, FAULT_CAUSES, shopRates, type FaultCause } from './causes';
import { faultReasons, findFault, type FaultCase } from './find-fault';
import { CANNOT_TELL, LOOK_KEYS, lookOf, type LookKey } from './looks';
import { faultRemedy } from './remedy';
import { SYMPTOMS, symptomsIn, type Symptom } from './symptoms';
import type { LookMade } from './weigh-faults';

const FIXED: FaultReel = { type: 'fixed-spool', material: null, backing: null };
const REELS: readonly FaultReel[] = [
  FIXED,
  { type: 'baitcaster', material: 'braid', backing: true },
  { type: 'trolling', material: 'nylon', backing: true },
];

/** The same sum written down as a child would: every set of causes there can be, by hand, with nothing kept or shared. */
function byEnumeration({ reel, symptoms, looks }: FaultCase): Map<FaultCause, number> {
  const rates = [...authoredRates(reel)];
  const sets: { causes: FaultCause[]; weight: number }[] = [{ causes: [], weight: 0.02 }];
  let paired = 0;
  for (let i = 0; i < rates.length; i += 1)
    for (let k = 0; k < i; k += 1) paired += (rates[i]?.[1] ?? 0) * (rates[k]?.[1] ?? 0);
  for (const [a, rate] of rates) sets.push({ causes: [a], weight: 0.8 * rate });
  for (let i = 0; i < rates.length; i += 1)
    for (let k = 0; k < i; k += 1) {
      const a = rates[k]!;
      const b = rates[i]!;
      sets.push({ causes: [a[0], b[0]], weight: (0.18 * a[1] * b[1]) / paired });
    }
  const weighed = sets.map(({ causes, weight }) => ({
    causes,
    chance: weight * chanceOf(causes, symptoms, looks),
  }));
  const total = weighed.reduce((sum, { chance }) => sum + chance, 0);
  const sums = new Map<FaultCause, number>();
  for (const { causes, chance } of weighed)
    for (const c of causes) sums.set(c, (sums.get(c) ?? 0) + chance / total);
  return sums;
}

function chanceOf(causes: FaultCause[], symptoms: readonly Symptom[], looks: readonly LookMade[]): number {
  let chance = 1;
  const shows = (s: Symptom): number =>
    1 - causes.reduce((none, c) => none * (1 - (causeOf(c).explains[s] ?? 0)), 1 - 0.006);
  for (const s of symptoms) chance *= shows(s);
  // One of several named: the chance of each number of others showing, by convolution, over one more than that number.
  let counts = [1];
  for (const s of SYMPTOMS.filter((one) => one !== symptoms[0]))
    counts = [...counts, 0].map((n, i) => n * (1 - shows(s)) + (counts[i - 1] ?? 0) * shows(s));
  chance *= counts.reduce((sum, n, i) => sum + n / (i + 1), 0);
  for (const { look, answer } of looks) {
    const rows = causes
      .map((c) => causeOf(c).looks[look] as Record<string, number> | undefined)
      .filter(Boolean);
    const names = Object.keys(lookOf(look).answers);
    const plain = names.map((name) =>
      rows.length > 0
        ? rows.reduce((sum, row) => sum + (row?.[name] ?? 0.02), 0) / rows.length
        : lookOf(look).answers[name]!.usual,
    );
    const right = plain[names.indexOf(answer)]! / plain.reduce((sum, n) => sum + n, 0);
    chance *= 0.9 * right + (0.1 * (1 - right)) / (names.length - 1);
  }
  return chance;
}

/** The answer a cause gives most often, to each look it bears upon. */
const typical = (cause: FaultCause): LookMade[] =>
  (Object.entries(causeOf(cause).looks) as [LookKey, Record<string, number>][]).map(([look, row]) => ({
    look,
    answer: Object.entries(row).sort(([, a], [, b]) => b - a)[0]![0],
  }));
const likeliestSymptom = (cause: FaultCause): Symptom =>
  (Object.entries(causeOf(cause).explains) as [Symptom, number][]).sort(([, a], [, b]) => b - a)[0]![0];
const aLook = fc
  .constantFrom(...LOOK_KEYS)
  .chain((look) =>
    fc.constantFrom(...Object.keys(lookOf(look).answers), CANNOT_TELL).map((answer) => ({ look, answer })),
  );
const aCase = fc.record({
  reel: fc.constantFrom(...REELS),
  symptoms: fc.constantFrom(...SYMPTOMS).map((one) => [one] as const),
  looks: fc.uniqueArray(aLook, { selector: ({ look }) => look, maxLength: 6 }),
});

describe('what is wrong with it', () => {
  it('comes to the same as adding up every set of causes by hand', () => {
    const told = aCase.map((one) => ({
      ...one,
      looks: one.looks.filter(({ answer }) => answer !== CANNOT_TELL),
    }));
    fc.assert(
      fc.property(told, (one) => {
        const sums = byEnumeration(one);
        const { ranked } = findFault(one);
        for (const { cause, share } of ranked) expect(share).toBeCloseTo(sums.get(cause) ?? 0, 5);
        const behind = ranked.map((one) => one.behind);
        expect(behind).toEqual([...behind].sort((a, b) => b - a));
        for (const one of ranked) expect(one.behind).toBeLessThanOrEqual(one.share + 1e-12);
      }),
      { numRuns: 20 },
    );
  });

  it('reaches every cause by what speaks for it', () => {
    for (const cause of FAULT_CAUSES) {
      const reel = REELS.find((one) => authoredRates(one).has(cause)) ?? FIXED;
      const { ranked } = findFault({ reel, symptoms: [likeliestSymptom(cause)], looks: typical(cause) });
      expect(ranked[0]?.cause, cause).toBe(cause);
    }
  });

  it('comes to an end with something to do, whatever is answered', () => {
    fc.assert(
      fc.property(aCase, fc.infiniteStream(fc.nat(3)), ({ reel, symptoms }, answers) => {
        let looks: LookMade[] = [];
        let found = findFault({ reel, symptoms, looks });
        while (found.next) {
          const names = [...Object.keys(lookOf(found.next.look).answers), CANNOT_TELL];
          const at = Number(answers.next().value) % names.length;
          looks = [...looks, { look: found.next.look, answer: names[at]! }];
          expect(looks.length).toBeLessThan(LOOK_KEYS.length);
          found = findFault({ reel, symptoms, looks });
        }
        const { steps, fails } = faultRemedy(found.ranked[0]!.cause, null);
        expect([steps.length > 0, fails]).toEqual([true, expect.stringContaining('If')]);
      }),
      { numRuns: 20 },
    );
  });

  it('learns nothing from “cannot tell”, and asks that look no more', () => {
    const said = { reel: FIXED, symptoms: ['loops'] as const };
    const before = findFault({ ...said, looks: [] });
    const look = before.next!.look;
    const since = findFault({ ...said, looks: [{ look, answer: CANNOT_TELL }] });
    expect(since.ranked).toEqual(before.ranked);
    expect(since.open.map((one) => one.look)).not.toContain(look);
  });

  it('takes the last answer to a look, and says what speaks for a cause and against it', () => {
    const looks = [
      { look: 'gap', answer: 'deeper' },
      { look: 'when', answer: 'first' },
      { look: 'gap', answer: 'higher' },
    ] as const;
    const said: FaultCase = { reel: FIXED, symptoms: ['loops'], looks };
    expect(findFault(said).ranked[0]?.cause).toBe('too-full');
    expect(faultReasons(said, 'too-full')[0]).toEqual({ look: 'gap', answer: 'higher', speaks: 'for' });
    expect(faultReasons(said, 'twist-in-use').find(({ look }) => look === 'when')?.speaks).toBe('against');
  });

  it('names what is behind what they say, not what is there besides', () => {
    const looks: LookMade[] = [
      { look: 'gap-closed', answer: 'higher' },
      { look: 'handed', answer: 'high' },
      { look: 'gap', answer: 'higher' },
      { look: 'thumb', answer: 'springs' },
    ];
    const { ranked } = findFault({ reel: FIXED, symptoms: ['digs-in'], looks });
    expect(ranked[0]?.cause).toBe('loose');
    expect(ranked.find(({ cause }) => cause === 'too-full')?.share).toBeGreaterThan(ranked[0]?.share ?? 1);
  });

  it('names two causes where one alone explains too little', () => {
    const looks: LookMade[] = [...typical('too-full'), ...typical('twist-put-on')].filter(
      ({ look }) => !['slack', 'when'].includes(look),
    );
    const both = findFault({
      reel: FIXED,
      symptoms: ['loops', 'twist', 'too-full'],
      looks: [...looks, { look: 'gap', answer: 'higher' }, { look: 'slack', answer: 'turns' }],
    }).both;
    expect(new Set(both)).toEqual(new Set(['too-full', 'twist-put-on']));
  });

  it('leans to what a shop’s own comebacks turned out to be', () => {
    const authored = authoredRates(FIXED);
    const seen = shopRates(authored, { coils: 60 });
    expect(seen.get('coils')).toBeCloseTo((20 * authored.get('coils')! + 60) / 80, 10);
    expect([...seen.values()].reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 10);
    expect(
      findFault({ reel: FIXED, symptoms: ['loops'], looks: [], seen: { coils: 60 } }).ranked[0]?.cause,
    ).toBe('coils');
  });

  it('is right on comebacks unlike its table, with fewer minutes than going through it in order', () => {
    const comebacks = simulateComebacks(150, FAULT_WORLD, 5);
    const each = comebacks.map(
      (one) => [one, askAbout(one, 'best next'), askAbout(one, 'fixed order')] as const,
    );
    const right = each.filter(([{ causes }, { first }]) => first && causes.includes(first)).length;
    expect(right / each.length).toBeGreaterThan(0.8);
    const minutes = (at: 1 | 2): number => each.reduce((sum, one) => sum + one[at].minutes, 0);
    expect(minutes(1)).toBeLessThan(minutes(2));
  });
});

it('hears what people say', () => {
  expect(symptomsIn('It throws WIND-KNOTS since Friday')[0]).toBe('loops');
  expect(symptomsIn('the line digs in after the snag')).toEqual(['digs-in']);
  expect(symptomsIn('Kept Record')).toEqual([]);
});
