import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MATERIALS, type Line, type Material } from '../lines/line';
import { HOUSE_QUESTIONS, USUAL_HOUSE_RULES } from '../house-rules/house-rules';
import { said } from '../testing/examples';
import { dragAdvice } from './drag-advice';
import { gapAdvice } from './gap-advice';
import { labelAdvice } from './handling-advice';
import { gripAdvice } from './grip-advice';
import { arborKnotAdvice, joinAdvice } from './knot-advice';
import { memoryAdvice } from './memory-advice';
import { reverseAdvice } from './reverse-advice';
import { serviceAdvice } from './service-advice';
import { soakAdvice } from './soak-advice';
import { tensionAdvice } from './tension-advice';

const line = (material: Material, diameter: number): Line => ({
  key: `${material} ${diameter}`,
  material,
  diameter,
});
const plain = { kind: 'plain' } as const;

// All figures here are common practice, no source.
describe('the gap to stop at', () => {
  it('is the bottom of a bevel whatever the house holds', () => {
    for (const level of ['flush', 'by-line', 'start-low'] as const)
      expect(gapAdvice(0.3, 'fixed-spool', { kind: 'bevel', depth: 2.1 }, { level }).gap).toBe(2.1);
  });

  it.each([
    ['spincast', 0.2, 'flush', 4.8],
    ['trolling', 0.5, 'flush', 3.2],
    ['fixed-spool', 0.2, 'flush', 0],
    ['fixed-spool', 0.2, 'by-line', 1.6],
    ['fixed-spool', 0.3, 'by-line', 2.4],
    ['baitcaster', 0.4, 'by-line', 1.6],
    ['fixed-spool', 0.4, 'start-low', 4.8],
  ] as const)('on a %s with %s mm line and school %s is %s mm', (reel, diameter, level, gap) => {
    expect(gapAdvice(diameter, reel, plain, { level }).gap).toBeCloseTo(gap, 1);
  });

  it('on a shallow baitcaster is a share of its depth, judged with the thumb, and never more than the house leaves', () => {
    const { gap, sentence } = gapAdvice(0.4, 'baitcaster', plain, { level: 'start-low' }, 7.8);
    expect(gap).toBeCloseTo(7.8 / 8, 6);
    expect(said(sentence)).toContain('go by the thumb');
    expect(gapAdvice(0.4, 'baitcaster', plain, { level: 'by-line' }, 40).gap).toBeCloseTo(3.2, 1);
    expect(gapAdvice(0.4, 'baitcaster', plain, { level: 'flush' }, 7.8).gap).toBe(0);
    expect(gapAdvice(0.4, 'fixed-spool', plain, { level: 'by-line' }, 7.8).gap).toBeCloseTo(3.2, 1);
  });

  it('never shrinks as line gets thicker', () => {
    const diameter = fc.double({ min: 0.05, max: 1, noNaN: true });
    fc.assert(
      fc.property(diameter, diameter, fc.constantFrom('flush', 'by-line', 'start-low'), (a, b, level) => {
        const gap = (d: number): number => gapAdvice(d, 'fixed-spool', plain, { level }).gap;
        expect(gap(Math.max(a, b))).toBeGreaterThanOrEqual(gap(Math.min(a, b)));
      }),
    );
  });
});

describe('grip on the arbor', () => {
  it.each([
    ['nylon', 'bare', 'tape', 0, 0],
    ['braid', 'rubber', 'tape', 0, 0],
    ['braid', 'bare', 'tape', 2, 0],
    ['braid', 'bare', 'nylon', 0, 10],
    ['hollow-braid', 'bare', 'both', 2, 10],
  ] as const)(
    'for %s on a %s arbor, house %s: %s wraps and %s m',
    (material, arbor, arborGrip, wraps, nylon) => {
      expect(gripAdvice(material, arbor, { arborGrip })).toMatchObject({ wraps, nylon });
    },
  );

  it('says it in one sentence', () => {
    expect(said(gripAdvice('braid', 'bare', { arborGrip: 'both' }).sentence)).toBe(
      'First 2 wraps of tape, then 10 m of nylon, or the whole coil turns on the arbor.',
    );
  });
});

describe('the join', () => {
  it('is a splice wherever hollow braid is', () => {
    for (const knots of ['double-uni', 'blood', 'albright'] as const)
      expect(joinAdvice(line('hollow-braid', 0.5), line('nylon', 0.7), { knots }).knot).toBe('splice');
  });

  it('is the house’s knot for lines that are alike', () => {
    expect(joinAdvice(line('nylon', 0.25), line('nylon', 0.26), { knots: 'blood' }).knot).toBe('blood');
  });

  it('is not a blood knot between unalike lines, and says why', () => {
    for (const upper of [line('braid', 0.2), line('nylon', 0.5)]) {
      const advice = joinAdvice(line('nylon', 0.25), upper, { knots: 'blood' });
      expect(advice.knot).toBe('double-uni');
      expect(advice.why).toContain('unalike');
    }
  });

  it('is tied to the arbor with more turns in braid', () => {
    expect(said(arborKnotAdvice(line('braid', 0.2)).sentence)).toContain('four turns');
    expect(said(arborKnotAdvice(line('nylon', 0.2)).sentence)).toContain('Overhand');
  });
});

describe('tension', () => {
  it('is the house’s, but never light for braid and always tight on big game', () => {
    expect(tensionAdvice('nylon', 'baitcaster', { tension: 'light' }).tension).toBe('light');
    expect(tensionAdvice('braid', 'baitcaster', { tension: 'light' }).tension).toBe('medium');
    expect(tensionAdvice('nylon', 'big-game', { tension: 'light' }).tension).toBe('tight');
    // Braid does not recover, nylon does not bury: each is told what a looser or tighter pull does to it.
    for (const tension of ['light', 'medium', 'tight'] as const) {
      const said = (['nylon', 'fluorocarbon', 'braid', 'hollow-braid'] as const).map(
        (material) => tensionAdvice(material, 'fixed-spool', { tension }).sentence,
      );
      expect(new Set(said).size).toBe(4);
      expect(said[0]).not.toContain('braid');
      expect(said[2]).not.toMatch(/squeeze|stretch/);
    }
  });

  it('warns of running line always, and of eyes and fingers where it is tight', () => {
    expect(tensionAdvice('nylon', 'fixed-spool', { tension: 'medium' }).caution).toContain('burns');
    expect(tensionAdvice('nylon', 'big-game', { tension: 'medium' }).caution).toContain('eye protection');
  });
});

describe('memory', () => {
  it('is taken out of single strands by the house’s way, and braid has none', () => {
    expect(memoryAdvice('nylon', { memoryRelief: 'warm-water' })?.caution).toContain('scalds');
    expect(memoryAdvice('fluorocarbon', { memoryRelief: 'stretch' })?.caution).toBeUndefined();
    expect(memoryAdvice('braid', { memoryRelief: 'stretch' })).toBeNull();
  });
});

describe('drag', () => {
  it('is a quarter to a third of the weakest layer', () => {
    const advice = dragAdvice([90, 60, 120], { drag: 'quarter' })!;
    expect(advice).toMatchObject({ weakest: 1, low: 15, high: 20, drag: 15 });
    expect(dragAdvice([90, 60], { drag: 'third' })!.drag).toBe(20);
    expect(said(advice.sentence)).toBe(
      'Set the drag to 1.5 kg against a straight pull; people use 1.5 to 2.0 kg.',
    );
  });

  it('leaves out layers of unknown strength, and says nothing where none is known', () => {
    expect(dragAdvice([0, 60], { drag: 'quarter' })!.weakest).toBe(1);
    expect(dragAdvice([0, 0], { drag: 'quarter' })).toBeNull();
  });
});

describe('service', () => {
  const light = line('nylon', 0.25);
  it.each([
    ['by-trips', 4, 1, true],
    ['by-trips', 3, 20, false],
    ['by-months', 9, 11, false],
    ['by-months', 0, 12, true],
    ['whichever-first', 4, 0, true],
    ['whichever-first', 0, 12, true],
    ['whichever-first', 3, 11, false],
  ] as const)('%s after %s trips and %s months: due %s', (service, trips, months, due) => {
    expect(serviceAdvice(light, { trips, months }, { service }).due).toBe(due);
  });

  it('says what is left', () => {
    const wear = { trips: 1, months: 4 };
    expect(said(serviceAdvice(light, wear, { service: 'by-trips' }).sentence)).toBe(
      'Good for another 3 trips.',
    );
    expect(said(serviceAdvice(light, wear, { service: 'by-months' }).sentence)).toBe(
      'Good for another 8 months.',
    );
    expect(said(serviceAdvice(light, wear, { service: 'whichever-first' }).sentence)).toContain(
      '3 trips or 8 months',
    );
  });

  it('gives heavy line and braid longer', () => {
    const used = (of: Line): number =>
      serviceAdvice(of, { trips: 4, months: 0 }, { service: 'by-trips' }).used;
    expect(used(line('nylon', 0.4))).toBeLessThan(used(light));
    expect(used(line('braid', 0.15))).toBeLessThan(used(line('nylon', 0.4)));
  });
});

describe('a reverse', () => {
  const nylon = line('nylon', 0.25);
  const worn = { trips: 6, months: 14 };
  const { service } = USUAL_HOUSE_RULES;
  it('is worth it where less than half is fished and the line is due', () => {
    expect(reverseAdvice(nylon, { length: 150, fished: 60 }, worn, { service })).toMatchObject({
      worth: true,
      fresh: 90,
    });
  });

  it('is not where more than half is fished', () => {
    const advice = reverseAdvice(nylon, { length: 100, fished: 60 }, worn, { service });
    expect(advice.worth).toBe(false);
    expect(said(advice.sentence)).toContain('only 40 m');
    expect(reverseAdvice(nylon, { length: 50, fished: 60 }, worn, { service }).fresh).toBe(0);
  });

  it('waits until the line is due', () => {
    const advice = reverseAdvice(nylon, { length: 150, fished: 60 }, { trips: 1, months: 1 }, { service });
    expect(advice).toMatchObject({ worth: false, fresh: 90 });
    expect(said(advice.sentence)).toContain('Not due yet');
  });
});

describe('which face is up', () => {
  it('is what its box says, where the house goes by the box and the box was read', () => {
    const said = (label: 'box' | 'label-up', box?: 'up' | 'down') =>
      labelAdvice('matched', 'unknown', { label }, box)?.sentence;
    expect(said('box')).toBe('Stand it as its box says.');
    expect(said('box', 'down')).toBe('Stand it label down, as its box says.');
    expect(said('label-up', 'down')).toBe('Stand it with its label up.');
  });
});

describe('soaking', () => {
  it.each([
    ['none', 0],
    ['short', 1.5],
    ['overnight', 10],
    ['full-day', 24],
  ] as const)('by school %s takes %s h', (soak, hours) => {
    expect(soakAdvice(line('nylon', 0.3), { soak }).hours).toBe(hours);
  });

  it('tells what a strand takes up meanwhile', () => {
    const { sentence, uptake } = soakAdvice(line('nylon', 0.55), { soak: 'full-day' });
    expect(uptake!.share).toBeGreaterThan(0.7);
    expect(said(sentence)).toMatch(/24 h in water: a strand of 0\.55 mm takes up \d+ to \d+ %/);
  });

  it('is as its maker says before it is as the house does, and says so', () => {
    const advice = soakAdvice({ ...line('nylon', 0.3), soakHours: 3 }, { soak: 'overnight' });
    expect(advice).toMatchObject({ hours: 3, tooLongAfter: 6 });
    expect(said(advice.sentence)).toMatch(/^3 h in water: /);
    expect(advice.why).toBe('Its maker says 3 h, which goes before what the shop does (10 h).');
    const dry = soakAdvice({ ...line('nylon', 0.3), soakHours: 0 }, { soak: 'short' });
    expect(dry.hours).toBe(0);
    expect(dry.why).toBe('Its maker says not to soak it, which goes before what the shop does (1.5 h).');
    expect(soakAdvice({ ...line('braid', 0.2), soakHours: 5 }, { soak: 'short' }).hours).toBe(0);
  });

  it.each(['fluorocarbon', 'braid', 'hollow-braid'] as const)('keeps %s dry in every house', (material) => {
    for (const { id } of HOUSE_QUESTIONS.soak.schools)
      expect(soakAdvice(line(material, 0.3), { soak: id })).toMatchObject({ hours: 0, uptake: null });
  });
});

describe('every piece of advice', () => {
  it('has a sentence and a reason, for every material and house', () => {
    for (const material of MATERIALS) {
      const of = line(material, 0.3);
      const rules = USUAL_HOUSE_RULES;
      const all = [
        gapAdvice(0.3, 'fixed-spool', plain, rules),
        gripAdvice(material, 'bare', rules),
        joinAdvice(of, of, rules),
        arborKnotAdvice(of),
        tensionAdvice(material, 'fixed-spool', rules),
        memoryAdvice(material, rules),
        serviceAdvice(of, { trips: 1, months: 1 }, rules),
        reverseAdvice(of, { length: 120, fished: 40 }, { trips: 1, months: 1 }, rules),
        soakAdvice(of, rules),
        dragAdvice([50], rules),
      ];
      for (const advice of all) {
        if (advice === null) continue;
        expect(said(advice.sentence)).toMatch(/\.$/);
        expect(advice.why).toMatch(/\.$/);
      }
    }
  });
});
