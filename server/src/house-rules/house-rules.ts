import { STREAMS, type HouseChange, type KeptHouseRules, type Person } from '@yard-spool/contract';
import {
  BUILT_IN_CAUTIONS,
  HOUSE_QUESTIONS,
  schoolOf,
  USUAL_HOUSE_RULES,
  type HouseQuestion,
} from '@yard-spool/core';
import { inTransaction } from '../db/transaction';
import type { House } from '../house';
import { ProblemError } from '../problem-error';
import { managersOnly, noteHouseChange } from './house-changes';
import { planAgain } from './plan-again';
import { HOUSE_ROW, readHouseRules, type HouseSheet } from './read-house-rules';

/**
 * Changes what the shop has settled: a manager's, and on the sheet as it was looked at. Reels that wait and follow the
 * house are planned again with it; every difference is written down.
 */
export async function changeHouseRules(
  house: House,
  person: Person,
  { version, ...sheet }: KeptHouseRules,
): Promise<KeptHouseRules> {
  managersOnly(person, 'changes the house rules');
  return inTransaction(house.sequelize, async (transaction) => {
    const [row] = await house.tables.houseRules.findOrCreate({
      where: { id: HOUSE_ROW },
      defaults: { id: HOUSE_ROW, rules: USUAL_HOUSE_RULES },
      transaction,
      lock: transaction.LOCK.UPDATE,
    });
    if (row.version !== version)
      throw new ProblemError('stale-version', 'Somebody changed the house rules meanwhile. Look again.');
    const before = await readHouseRules(house, transaction);
    for (const change of differences(before, sheet))
      await noteHouseChange(house, person, change, transaction);
    await row.update({ ...sheet, version: version + 1 }, { transaction });
    await planAgain(house, person, before.rules, transaction);
    return { ...sheet, version: version + 1 };
  });
}

type Difference = Pick<HouseChange, 'about' | 'was' | 'is'>;

const UNITS = { metric: 'metres, millimetres, kilograms', imperial: 'yards, inches, pounds' } as const;

function differences(before: HouseSheet, after: HouseSheet): Difference[] {
  const questions = (Object.keys(HOUSE_QUESTIONS) as HouseQuestion[]).map((name) => ({
    about: HOUSE_QUESTIONS[name].ask,
    was: schoolOf(before.rules, name).name,
    is: schoolOf(after.rules, name).name,
  }));
  const bins = STREAMS.map((stream) => ({
    about: `Where old ${stream} goes`,
    was: before.bins[stream],
    is: after.bins[stream],
  }));
  const words = BUILT_IN_CAUTIONS.map(({ id, title }) => ({
    about: `Caution: ${title}`,
    was: before.cautions.words[id] ?? '',
    is: after.cautions.words[id] ?? '',
  }));
  const metres = ({ tailMm }: HouseSheet): string => `${(tailMm / 1000).toFixed(2)} m`;
  const more = ({ cautions }: HouseSheet): string =>
    cautions.more
      .map(({ title, text }) => `${title}: ${text}`)
      .join('; ')
      .slice(0, 400);
  return [
    ...questions,
    ...bins,
    ...words,
    { about: 'Cautions of the shop’s own', was: more(before), is: more(after) },
    { about: 'Money', was: before.money, is: after.money },
    { about: 'Tail lost with each cut', was: metres(before), is: metres(after) },
    { about: 'Units a new screen begins with', was: UNITS[before.units], is: UNITS[after.units] },
    { about: 'Time zone', was: before.zone, is: after.zone },
  ].filter(({ was, is }) => was !== is);
}
