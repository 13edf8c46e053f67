import { QueryTypes, type Sequelize } from 'sequelize';

/**
 * Counts rows that the database reads for one shop, whatever others ask it meanwhile. It keeps them by table as each
 * statement is through (MariaDB's user statistics), which may be just after it answered: every connection of the shop
 * answers once more before they are looked at.
 *
 * @param admin may switch the statistics on
 * @param asked the shop's own pool
 */
export async function rowsReadOf(
  admin: Sequelize,
  asked: Sequelize,
  name: string,
): Promise<(work: () => Promise<unknown>) => Promise<number>> {
  await admin.query('SET GLOBAL userstat = 1');
  const now = async (): Promise<number> => {
    await everyConnectionAnswers(asked);
    const [row] = await admin.query<{ read: number | string | null }>(
      'SELECT SUM(rows_read) AS `read` FROM information_schema.table_statistics WHERE table_schema = :name',
      { type: QueryTypes.SELECT, replacements: { name } },
    );
    return Number(row?.read ?? 0);
  };
  return async (work) => {
    const before = await now();
    await work();
    return (await now()) - before;
  };
}

/** Each begins something and holds it until all of them have, so that none is asked twice and none is left out. */
async function everyConnectionAnswers(asked: Sequelize): Promise<void> {
  const all = await Promise.all(
    Array.from({ length: asked.config.pool?.max ?? 1 }, () => asked.transaction()),
  );
  await Promise.all(all.map((begun) => begun.rollback()));
}
