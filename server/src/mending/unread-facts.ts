import { setImmediate as breathe } from 'node:timers/promises';
import { MOST_STANDS, type Person, type UnreadFact } from '@yard-spool/contract';
import { Op, type Model } from 'sequelize';
import type { Reading } from '../context/context';
import type { ReadTable } from '../db/table';
import { managersOnly } from '../shop/house-changes';
import { BOOK_TABLES, type BookTable } from './book-facts';
import { choicesOf, factText, wrongWith } from './fact-text';

/** The most that are shown at once: the next come when some are mended. */
const MOST = 100;
/** Rows looked at in one go: few enough that nobody else waits. */
const AT_ONCE = 50;

/** Facts of the books that cannot be read, with what stands there: a manager's. */
export async function listUnreadFacts(from: Reading, person: Person): Promise<UnreadFact[]> {
  managersOnly(person, 'reads what cannot be read');
  const found: UnreadFact[] = [];
  for (const one of BOOK_TABLES) {
    const table = from.tables[one.table] as unknown as ReadTable<Model>;
    const attributes = [...new Set(['id', ...one.named, ...one.facts.map(({ field }) => field)])];
    for (let after = 0; found.length < MOST;) {
      const rows = await table.findAll({
        attributes,
        order: ['id'],
        limit: AT_ONCE,
        where: { id: { [Op.gt]: after } },
      });
      found.push(...rows.flatMap((row) => unreadOf(one, row)));
      const last = rows.at(-1);
      if (!last || rows.length < AT_ONCE) break;
      after = Number(last.get('id'));
      await breathe();
    }
  }
  return found.slice(0, MOST);
}

function unreadOf({ table, entry, named, facts }: BookTable, row: Model): UnreadFact[] {
  const id = Number(row.get('id'));
  return facts.flatMap((fact) => {
    const stored = row.get(fact.field);
    const wrong = wrongWith(fact, stored);
    if (wrong === '') return [];
    return [
      {
        table,
        id,
        field: fact.field,
        says: fact.says,
        wrong,
        entry: [`${entry} ${String(id)}`, ...named.map((name) => String(row.get(name)))].join(', '),
        stands: factText(fact, stored).slice(0, MOST_STANDS),
        choices: choicesOf(fact),
      },
    ];
  });
}
