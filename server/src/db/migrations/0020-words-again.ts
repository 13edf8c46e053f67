import type { Migration } from '../migration';

/** Codes are found however they are written, reels by their type and lines by their strength: all words are kept again. */
export const wordsAgain: Migration = {
  name: '0020-words-again',
  statements: ['DELETE FROM search_words'],
};
