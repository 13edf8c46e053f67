import type { NewOverride, Override, Person } from '@yard-spool/contract';
import { HOUSE_QUESTIONS, schoolOf } from '@yard-spool/core';
import type { Transaction } from 'sequelize';
import { inTransaction } from '../db/transaction';
import type { House } from '../house';
import { ProblemError } from '../problem-error';
import { managersOnly, noteHouseChange } from './house-changes';
import { planAgain } from './plan-again';
import { listOverrides } from './list-overrides';
import { readHouseRules } from './read-house-rules';

/** Sets a rule otherwise for one line, customer or reel; what was set before for the same gives way. */
export async function setOverride(house: House, person: Person, asked: NewOverride): Promise<Override> {
  managersOnly(person, 'sets a rule otherwise');
  const id = await inTransaction(house.sequelize, async (transaction) => {
    const before = await readHouseRules(house, transaction);
    const overridesBefore = await listOverrides(house, transaction);
    const target = await targetOf(house, asked.target, transaction);
    const where = { ...target, question: asked.question };
    const there = await house.tables.ruleOverrides.findOne({
      where,
      transaction,
      lock: transaction.LOCK.UPDATE,
    });
    const { question, school, why } = asked;
    const now = { school, why, at: house.clock(), byId: person.id };
    const row =
      (await there?.update(now, { transaction })) ??
      (await house.tables.ruleOverrides.create(
        { productId: null, customerId: null, reelId: null, ...where, ...now },
        { transaction },
      ));
    const was = overridesBefore.find((one) => one.id === row.id)?.school;
    await noteOverride(house, person, row.id, { question, was, is: school }, transaction);
    await planAgain(house, person, before.rules, transaction, overridesBefore);
    return row.id;
  });
  const set = (await listOverrides(house)).find((one) => one.id === id);
  if (!set) throw new Error('What was set is there.');
  return set;
}

/** Takes back what was set otherwise: the house's rule holds again. */
export async function dropOverride(house: House, person: Person, id: number): Promise<object> {
  managersOnly(person, 'takes back what was set otherwise');
  await inTransaction(house.sequelize, async (transaction) => {
    const before = await readHouseRules(house, transaction);
    const overridesBefore = await listOverrides(house, transaction);
    const row = await house.tables.ruleOverrides.findByPk(id, {
      transaction,
      lock: transaction.LOCK.UPDATE,
    });
    if (!row) throw new ProblemError('not-found', 'This was taken back already.');
    const { question, school } = row;
    await noteOverride(house, person, id, { question, was: school, is: undefined }, transaction);
    await row.destroy({ transaction });
    await planAgain(house, person, before.rules, transaction, overridesBefore);
  });
  return {};
}

interface Turned {
  readonly question: Override['question'];
  readonly was: string | undefined;
  readonly is: string | undefined;
}

async function noteOverride(
  house: House,
  person: Person,
  id: number,
  { question, was, is }: Turned,
  transaction: Transaction,
): Promise<void> {
  const name = (await listOverrides(house, transaction)).find((one) => one.id === id)?.name ?? '';
  const said = (school: string | undefined): string =>
    school === undefined ? 'as the house' : schoolOf({ [question]: school }, question).name;
  const about = `${name}: ${HOUSE_QUESTIONS[question].ask}`.slice(0, 120);
  await noteHouseChange(house, person, { about, was: said(was), is: said(is) }, transaction);
}

type Target =
  | { readonly scope: 'line'; readonly productId: number }
  | { readonly scope: 'customer'; readonly customerId: number }
  | { readonly scope: 'reel'; readonly reelId: number };

async function targetOf(
  { tables }: House,
  target: NewOverride['target'],
  transaction: Transaction,
): Promise<Target> {
  switch (target.scope) {
    case 'line': {
      const product = await tables.products.findOne({ where: { code: target.code }, transaction });
      if (product) return { scope: 'line', productId: product.id };
      throw notThere(`No line has the code ${target.code}.`);
    }
    case 'customer': {
      const customer = await tables.customers.findByPk(target.id, { transaction });
      if (customer) return { scope: 'customer', customerId: customer.id };
      throw notThere('This customer is not known.');
    }
    case 'reel': {
      const reel = await tables.reels.findOne({ where: { tag: target.tag }, transaction });
      if (reel) return { scope: 'reel', reelId: reel.id };
      throw notThere(`No reel has the tag ${target.tag}.`);
    }
  }
}

const notThere = (sentence: string): ProblemError =>
  new ProblemError('not-found', sentence, [{ path: 'target', message: sentence }]);
