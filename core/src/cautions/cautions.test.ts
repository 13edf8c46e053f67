import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BUILT_IN_CAUTIONS, CAUTION_PLACES, cautionsOf } from './cautions';

const ids = BUILT_IN_CAUTIONS.map(({ id }) => id);

describe('the cautions of a shop', () => {
  it('cover each place of the work, one id each', () => {
    expect(new Set(ids).size).toBe(ids.length);
    expect(new Set(BUILT_IN_CAUTIONS.map(({ at }) => at))).toEqual(new Set(Object.keys(CAUTION_PLACES)));
  });

  it('are never fewer than the built-in ones, whatever words a shop has', () => {
    const words = fc.dictionary(fc.constantFrom(...ids), fc.string());
    fc.assert(
      fc.property(words, (own) => {
        const all = cautionsOf({ words: own, more: [] });
        expect(all.map(({ id }) => id)).toEqual(ids);
        for (const { text } of all) expect(text.trim()).not.toBe('');
      }),
    );
  });

  it('take the shop’s words where it has any, and its own beside them', () => {
    const all = cautionsOf({
      words: { scissors: 'Side cutters from the second drawer.' },
      more: [{ at: 'wind', title: 'Mind the step', text: 'Behind bench 2.' }],
    });
    expect(all.find(({ id }) => id === 'scissors')?.text).toBe('Side cutters from the second drawer.');
    expect(all.at(-1)).toEqual({ id: 'own-1', at: 'wind', title: 'Mind the step', text: 'Behind bench 2.' });
  });
});
