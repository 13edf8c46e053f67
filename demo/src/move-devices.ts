import { openShop, unit, type ServerContext } from '@yard-spool/server';
import { devicesOf, SECOND_BENCH, type BenchDevices } from './house-days';

/**
 * A shop that was loaded before stands again, and its simulated devices elsewhere: they are put where they are now, as if
 * they had always been there.
 */
export async function moveDevices(sequelize: ServerContext['sequelize'], where: BenchDevices): Promise<void> {
  const context = openShop(sequelize);
  const manager = await context.tables.people.findOne({ where: { role: 'manager' } });
  if (!manager) throw new Error('The kept demo has nobody in it.');
  await unit(context, manager, async ({ tables }) => {
    const bench = await tables.benches.lockOne({ where: { name: SECOND_BENCH } });
    const house = await tables.houseRules.lockOne({ where: { id: 1 } });
    if (bench) await tables.benches.change(bench, { devices: devicesOf(where) });
    if (house) await tables.houseRules.change(house, { printer: where.printer ?? '' });
  });
}
