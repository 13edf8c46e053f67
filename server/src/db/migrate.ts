import type { QueryInterface, Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import type { Migration } from './migration';
import { firstHouse } from './migrations/0001-first-house';
import { lineRack } from './migrations/0002-line-rack';
import { bags } from './migrations/0003-bags';
import { house } from './migrations/0004-house';
import { bench } from './migrations/0005-bench';
import { bestEstimate } from './migrations/0006-best-estimate';
import { runLog } from './migrations/0007-run-log';
import { exceptions } from './migrations/0008-exceptions';
import { counters } from './migrations/0009-counters';
import { footSwitch } from './migrations/0012-foot-switch';
import { makeProgressTable, takeUp } from './take-up';
import { heard } from './migrations/0013-heard';
import { givenUp } from './migrations/0011-given-up';
import { ownAndComingLine } from './migrations/0010-own-and-coming-line';

const MIGRATIONS: readonly Migration[] = [
  firstHouse,
  lineRack,
  bags,
  house,
  bench,
  bestEstimate,
  runLog,
  exceptions,
  counters,
  ownAndComingLine,
  givenUp,
  footSwitch,
  heard,
];

/**
 * Brings the schema up to date. What was left half-way by a kill is taken up where it was left.
 *
 * @param to the migration to stop behind; all where none is named
 */
export async function migrate(sequelize: Sequelize, to?: string): Promise<string[]> {
  await makeProgressTable(sequelize);
  const umzug = new Umzug<QueryInterface>({
    migrations: MIGRATIONS.map((step) => ({
      name: step.name,
      up: ({ context }) => takeUp(context.sequelize, step),
    })),
    context: sequelize.getQueryInterface(),
    storage: new SequelizeStorage({ sequelize, tableName: 'schema_steps' }),
    logger: undefined,
  });
  const done = await umzug.up(to === undefined ? {} : { to });
  return done.map(({ name }) => name);
}
