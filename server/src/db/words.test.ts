import { describe, expect, it } from 'vitest';
import { wordsAsked, wordsOf } from './words';

describe('words', () => {
  it('are kept in lower case without accents, codes whole and in their parts, figures with their point', () => {
    expect(wordsOf('R-0042 Åse’s 0,19 Moss')).toEqual([
      'r-0042',
      'r',
      '0042',
      'r42',
      'ase',
      's',
      '0.19',
      'moss',
    ]);
  });

  it('of a long note are kept to its end, each once, and of an endless one as many as are worth it', () => {
    const note = Array.from({ length: 200 }, (_, i) => `word${String(i)} and`).join(' ');
    expect(wordsOf(note)).toHaveLength(201);
    expect(wordsOf(note).at(-1)).toBe('word199');
    expect(wordsOf(Array.from({ length: 9999 }, (_, i) => `w${String(i)}`).join(' '))).toHaveLength(300);
  });

  it('that only ask are left out of a question, where others are left', () => {
    expect(wordsAsked('Who has the 0.19 moss braid?')).toEqual(['0.19', 'moss', 'braid']);
    expect(wordsAsked('who is it')).toEqual(['who', 'is', 'it']);
    expect(wordsAsked('a b c d e f g h i')).toHaveLength(6);
  });
});
