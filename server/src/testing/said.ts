import { tell, type Words } from '@yard-spool/core';

/** A sentence as a metric reader has it, with plain spaces. */
export const said = (words: Words): string => tell(words, 'metric').replaceAll('\u00a0', ' ');
