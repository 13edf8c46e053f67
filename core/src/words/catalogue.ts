import { ADVICE_WORDS } from './advice-words';
import { BENCH_WORDS } from './bench-words';
import { COUNT_WORDS } from './count-words';
import { FAULT_WORDS } from './fault-words';
import { LIMIT_WORDS } from './limit-words';
import { PLAN_WORDS } from './plan-words';
import { RACK_WORDS } from './rack-words';
import { SPOOL_WORDS } from './spool-words';

/**
 * Every sentence that holds a figure, by its code. `{name dimension}` is where a value stands; it is told in the reader's own
 * units. A sentence without figures stands where it is said.
 */
export const CATALOGUE = {
  ...ADVICE_WORDS,
  ...BENCH_WORDS,
  ...COUNT_WORDS,
  ...FAULT_WORDS,
  ...LIMIT_WORDS,
  ...PLAN_WORDS,
  ...RACK_WORDS,
  ...SPOOL_WORDS,
} as const;

export type MessageCode = keyof typeof CATALOGUE;

export const isCode = (code: string): code is MessageCode => Object.hasOwn(CATALOGUE, code);
