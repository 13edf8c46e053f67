import { MOST_STANDS, type MendFact, type Person } from '@yard-spool/contract';
import type { Model } from 'sequelize';
import type { ServerContext } from '../context/context';
import type { Table } from '../db/table';
import { managersOnly, noteHouseChange } from '../shop/house-changes';
import { ProblemError } from '../problem-error';
import { unit } from '../context/unit';
import { BOOK_TABLES } from './book-facts';
import { factText, readTyped, wrongWith } from './fact-text';

/** As much as a change of the house says of what was there, characters. */
const MOST_NOTED = 120;

/**
 * Puts something that can be read in the place of a fact that cannot, against what was looked at. A fact that can be read is
 * changed on its own screen and not here.
 *
 * @throws `bad-request` where what was typed does not fit, `not-found`, `stale-version`
 */
export async function mendFact(
  context: ServerContext,
  person: Person,
  { table, id, field, stands, is }: MendFact,
): Promise<object> {
  managersOnly(person, 'mends what cannot be read');
  const one = BOOK_TABLES.find((book) => book.table === table);
  const fact = one?.facts.find((found) => found.field === field);
  if (!one || !fact) throw new ProblemError('not-found', 'There is no such fact in the books.');
  const value = readTyped(fact, is);
  await unit(context, person, async (u) => {
    const rows = u.tables[one.table] as unknown as Table<Model>;
    const row = await rows.lock(id);
    if (!row) throw new ProblemError('not-found', 'This entry is not there any more.');
    const stored = row.get(field);
    if (factText(fact, stored).slice(0, MOST_STANDS) !== stands)
      throw new ProblemError('stale-version', 'Somebody changed this meanwhile. Look again.');
    if (wrongWith(fact, stored) === '')
      throw new ProblemError('bad-request', 'This can be read. Change it on its own screen.');
    await rows.change(row, { [field]: value });
    await noteHouseChange(u, {
      about: `${one.entry} ${String(id)}: ${fact.says}`,
      was: stands.slice(0, MOST_NOTED),
      is: is.slice(0, MOST_NOTED),
    });
    u.afterCommit(() => context.held.forget());
  });
  return {};
}
