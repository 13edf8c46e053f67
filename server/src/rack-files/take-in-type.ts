import type { Person, RowError } from '@yard-spool/contract';
import type { Transaction } from 'sequelize';
import type { House } from '../house';

/** What a kind of file does with its rows: finds what is wrong, and if nothing is, writes them. */
export type TakeIn = (
  house: House,
  person: Person,
  rows: readonly Readonly<Record<string, string>>[],
  transaction: Transaction,
) => Promise<{ readonly errors: RowError[]; readonly write: () => Promise<void> }>;
