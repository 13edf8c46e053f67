import { FIRST_WORDS_HEADER } from '@yard-spool/contract';

/** The words shown where the server was started, as they go along; nothing where none are asked for. */
export const withWords = (words: string): Record<string, string> =>
  words.trim() === '' ? {} : { [FIRST_WORDS_HEADER]: encodeURIComponent(words.trim()) };
