import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Postings } from './postings';

/** Few words and few entries, so that they meet. */
const word = fc.stringMatching(/^[abé0-]{1,3}$/);
const step = fc.record({ adds: fc.boolean(), word, ref: fc.integer({ min: 1, max: 12 }) });

describe('words and the entries that have them', () => {
  it('find what looking at every entry finds, whatever was added and removed before', () => {
    const property = fc.property(
      fc.array(step, { maxLength: 60 }),
      fc.array(word, { minLength: 1, maxLength: 4 }),
      fc.integer({ min: 1, max: 14 }),
      (steps, asked, most) => {
        const postings = new Postings();
        const plainly = new Map<number, Set<string>>();
        for (const { adds, word: one, ref } of steps) {
          const words = plainly.get(ref) ?? new Set();
          plainly.set(ref, words);
          if (adds) words.add(one);
          else words.delete(one);
          if (adds) postings.add(one, ref);
          else postings.remove(one, ref);
        }
        const expected = [...plainly]
          .filter(([, words]) =>
            asked.every((beginning) => [...words].some((one) => one.startsWith(beginning))),
          )
          .map(([ref]) => ref)
          .sort((a, b) => b - a)
          .slice(0, most);
        expect(postings.withAll(asked, most)).toEqual(expected);
      },
    );
    fc.assert(property, { numRuns: 500 });
  });

  it('name each entry once, however many of its words begin so, and nobody where nothing is asked', () => {
    const postings = new Postings();
    for (const one of ['smoke', 'smooth', 'slate']) postings.add(one, 7);
    postings.add('smoke', 7);
    expect(postings.withAll(['s', 'sm'], 9)).toEqual([7]);
    expect(postings.withAll([], 9)).toEqual([]);
    expect(postings.withAll(['smoked'], 9)).toEqual([]);
    postings.remove('smoke', 8);
    postings.remove('smock', 7);
    expect(postings.withAll(['smoke'], 9)).toEqual([7]);
  });
});
