import type { RowError } from '@yard-spool/contract';
import type { Unit } from '../unit';

/** What a kind of file does with its rows: finds what is wrong, and if nothing is, writes them. */
export type TakeIn = (
  u: Unit,
  rows: readonly Readonly<Record<string, string>>[],
) => Promise<{ readonly errors: RowError[]; readonly write: () => Promise<void> }>;
