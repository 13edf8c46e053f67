import type { KeptHouseRules, Person } from '@yard-spool/contract';
import { USUAL_HOUSE_RULES } from '@yard-spool/core';
import type { Transaction } from 'sequelize';
import { USUAL_MONEY } from '../db/models/house-rules';
import { inTransaction } from '../db/transaction';
import type { House } from '../house';
import { ProblemError } from '../problem-error';

/** The only row there is. */
const ROW = 1;

/** The shop's schools; the usual ones until somebody chooses. */
export async function readHouseRules({ tables }: House, transaction?: Transaction): Promise<KeptHouseRules> {
  const row = await tables.houseRules.findByPk(ROW, transaction ? { transaction } : {});
  return {
    rules: { ...USUAL_HOUSE_RULES, ...row?.rules },
    money: row?.money ?? USUAL_MONEY,
    version: row?.version ?? 1,
  };
}

/** Chooses the shop's schools: a manager's, and on the rules as they were looked at. */
export async function changeHouseRules(
  house: House,
  person: Person,
  { rules, money, version }: KeptHouseRules,
): Promise<KeptHouseRules> {
  if (person.role !== 'manager')
    throw new ProblemError('not-allowed', 'Only a manager changes the house rules.');
  return inTransaction(house.sequelize, async (transaction) => {
    const [row] = await house.tables.houseRules.findOrCreate({
      where: { id: ROW },
      defaults: { id: ROW, rules: USUAL_HOUSE_RULES },
      transaction,
      lock: transaction.LOCK.UPDATE,
    });
    if (row.version !== version)
      throw new ProblemError('stale-version', 'Somebody changed the house rules meanwhile. Look again.');
    await row.update({ rules, money, version: version + 1 }, { transaction });
    return { rules, money, version: version + 1 };
  });
}
