import type { Unit } from '../context/context';
import type { RackFile, RowError } from '@yard-spool/contract';
import type { Checked } from './check-rows';
import type { FileRows } from './read-rows';

/** What a kind of file does with its good rows: finds what is wrong with the shop's books in mind, and if nothing is, writes them. */
export type TakeIn<K extends RackFile> = (
  u: Unit,
  good: readonly Checked<FileRows[K]>[],
) => Promise<{ readonly errors: RowError[]; readonly write: () => Promise<void> }>;
