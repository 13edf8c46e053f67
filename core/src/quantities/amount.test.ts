import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseAmount } from './amount';
import { levelText, packText } from './amount-text';

const allowed = { length: { min: 1, max: 5000 }, depth: { min: 0, max: 60 } };
const read = (text: string, system: 'metric' | 'imperial' = 'metric') => {
  const found = parseAmount(text, system, allowed);
  return found.ok ? found.value : (found.issues[0]?.code ?? '');
};

describe('an amount as people say it', () => {
  it.each([
    ['120 m', { kind: 'length', metres: 120 }],
    ['120', { kind: 'length', metres: 120 }],
    ['as much as fits', { kind: 'fits' }],
    ['Fits', { kind: 'fits' }],
    ['the whole pack', { kind: 'pack', share: 1 }],
    ['all of it', { kind: 'pack', share: 1 }],
    ['half the pack', { kind: 'pack', share: 0.5 }],
    ['1/2 pack', { kind: 'pack', share: 0.5 }],
    ['a third of the pack', { kind: 'pack', share: 1 / 3 }],
    ['what is left', { kind: 'rest' }],
    ['what is left on this piece', { kind: 'rest' }],
    ['the rest', { kind: 'rest' }],
    ['a quarter of the spool', { kind: 'level', level: { share: [0.25, 0.25] } }],
    ['half of the spool by depth', { kind: 'level', level: { share: [0.5, 0.5] } }],
    ['half of the spool by length', { kind: 'level', level: { share: [0.5, 0.5], of: 'length' } }],
    ['a third of what it holds', { kind: 'level', level: { share: [1 / 3, 1 / 3], of: 'length' } }],
    ['40 to 50 % of its capacity', { kind: 'level', level: { share: [0.4, 0.5], of: 'length' } }],
    ['half by length', { kind: 'level', level: { share: [0.5, 0.5], of: 'length' } }],
    ['half full', { kind: 'level', level: { share: [0.5, 0.5] } }],
    ['half to five eighths', { kind: 'level', level: { share: [0.5, 0.625] } }],
    ['half to five eighths of the spool', { kind: 'level', level: { share: [0.5, 0.625] } }],
    ['15–20 %', { kind: 'level', level: { share: [0.15, 0.2] } }],
    ['15-20%', { kind: 'level', level: { share: [0.15, 0.2] } }],
    ['25 %', { kind: 'level', level: { share: [0.25, 0.25] } }],
    ['3 mm below the lip', { kind: 'level', level: { depth: 3 } }],
    ['to 3.5 mm', { kind: 'level', level: { depth: 3.5 } }],
    ['up to 2 mm below', { kind: 'level', level: { depth: 2 } }],
    ['flush', { kind: 'level', level: { depth: 0 } }],
    ['flush with the lip', { kind: 'level', level: { depth: 0 } }],
    ['to the brim', { kind: 'level', level: { depth: 0 } }],
    ['just under the lip', { kind: 'level', level: { depth: 1.5875 } }],
    ['a sixteenth', { kind: 'level', level: { depth: 1.5875 } }],
    ['full', { kind: 'fits' }],
    ['fill it', { kind: 'fits' }],
    ['exactly 300 m', { kind: 'length', metres: 300 }],
    ['1,200 m', { kind: 'length', metres: 1200 }],
    ['between half and five eighths', { kind: 'level', level: { share: [0.5, 0.625] } }],
    ['as little as I can get away with', { kind: 'least' }],
    ['the 150 m pack', { kind: 'pack', share: 1, held: 150 }],
    ['a 150m pack', { kind: 'pack', share: 1, held: 150 }],
    ['the pack', { kind: 'pack', share: 1 }],
  ])('reads %s', (text, amount) => {
    expect(read(text)).toEqual(amount);
  });

  it('takes bare figures in the person’s own units', () => {
    expect(read('100', 'imperial')).toEqual({ kind: 'length', metres: 91.44 });
    expect(read('1/8 below the lip', 'imperial')).toEqual({ kind: 'level', level: { depth: 3.175 } });
  });

  it('asks what a bare share is of', () => {
    expect(read('half')).toBe('share-of-what');
    expect(read('1/3')).toBe('share-of-what');
  });

  it.each([
    ['much', 'not-an-amount'],
    ['9/8 of the spool', 'not-a-share'],
    ['20-15 %', 'not-a-share'],
    ['15-20 % of the pack', 'not-a-share'],
    ['0.2 m', 'out-of-range'],
    ['120 kg', 'unknown-unit'],
    ['to 300 mm', 'out-of-range'],
  ])('refuses %s', (text, code) => {
    expect(read(text)).toBe(code);
  });

  it('reads or refuses anything, and never a figure that is none', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 40 }), (text) => {
        const found = parseAmount(text, 'metric', allowed);
        if (!found.ok) expect(found.issues[0]?.sentence).toBeTruthy();
        else if (found.value.kind === 'length') expect(found.value.metres).toBeGreaterThanOrEqual(1);
        else if (found.value.kind === 'pack') expect(found.value.share).toBeGreaterThan(0);
      }),
    );
  });
});

describe('an amount written again', () => {
  it.each([1, 1 / 2, 1 / 3, 0.25, 0.35, 2 / 3])('a share of the pack, %d', (share) => {
    const back = read(packText(share));
    expect(back).toMatchObject({ kind: 'pack' });
    expect((back as { share: number }).share).toBeCloseTo(share, 6);
    const held = read(packText(share, '150 yd'));
    expect(held).toMatchObject({ kind: 'pack', held: 137.16 });
    expect((held as { share: number }).share).toBeCloseTo(share, 6);
  });

  it.each([[[0.25, 0.25]], [[0.5, 0.625]], [[0.15, 0.2]], [[1 / 3, 1 / 2]]] as [[number, number]][])(
    'a share of the spool, %j',
    (share) => {
      const back = read(levelText({ share }, String)) as { kind: string; level: { share: number[] } };
      expect(back.kind).toBe('level');
      expect(back.level.share[0]).toBeCloseTo(share[0], 6);
      expect(back.level.share[1]).toBeCloseTo(share[1], 6);
    },
  );

  it('a share of what it holds', () => {
    const level = { share: [0.25, 0.5], of: 'length' } as const;
    expect(read(levelText(level, String))).toEqual({ kind: 'level', level });
  });

  it('a depth', () => {
    expect(read(levelText({ depth: 3.5 }, (mm) => `${mm} mm`))).toEqual({
      kind: 'level',
      level: { depth: 3.5 },
    });
  });
});
