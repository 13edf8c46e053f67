import { DatabaseError, QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import type { Migration } from './migration';

/**
 * MariaDB's numbers for what is there already, or gone already: a table, a column, a key, a constraint. A statement that
 * changes the schema is done as a whole or not at all, but nothing else can be written down in the same breath.
 */
const DONE_BEFORE = new Set([1050, 1060, 1061, 1091, 1826]);

/** Whether a statement changes rows, and so can be taken back with what is written beside it. */
const changesRows = (statement: string): boolean => /^\s*(INSERT|UPDATE|DELETE)\b/i.test(statement);

/** Where a schema step stands is written down with each of its statements. */
export const makeProgressTable = (sequelize: Sequelize): Promise<unknown> =>
  sequelize.query(
    'CREATE TABLE IF NOT EXISTS schema_progress (name VARCHAR(100) NOT NULL PRIMARY KEY, done INT NOT NULL)',
  );

/**
 * Does the statements of a schema step, from where it was left: a start that was killed half-way is taken up at the
 * statement it was at. That one may have been done and not written down; then it fails as done before, and is passed over.
 */
export async function takeUp(sequelize: Sequelize, { name, statements }: Migration): Promise<void> {
  const from = await doneOf(sequelize, name);
  for (const [i, statement] of statements.entries()) {
    if (i < from) continue;
    if (changesRows(statement)) {
      await sequelize.transaction(async (transaction) => {
        await sequelize.query(statement, { transaction });
        await writeDown(sequelize, name, i + 1, { transaction });
      });
      continue;
    }
    try {
      await sequelize.query(statement);
    } catch (error) {
      if (i !== from || !wasDoneBefore(error)) throw error;
    }
    await writeDown(sequelize, name, i + 1);
  }
}

const wasDoneBefore = (error: unknown): boolean =>
  error instanceof DatabaseError && DONE_BEFORE.has((error.original as { errno?: number }).errno ?? 0);

async function doneOf(sequelize: Sequelize, name: string): Promise<number> {
  const [row] = await sequelize.query<{ done: number }>(
    'SELECT done FROM schema_progress WHERE name = :name',
    {
      replacements: { name },
      type: QueryTypes.SELECT,
    },
  );
  return row?.done ?? 0;
}

const writeDown = (
  sequelize: Sequelize,
  name: string,
  done: number,
  inside: { transaction?: Transaction } = {},
) =>
  sequelize.query(
    'INSERT INTO schema_progress (name, done) VALUES (:name, :done) ON DUPLICATE KEY UPDATE done = VALUES(done)',
    { replacements: { name, done }, ...inside },
  );
