import type { NewOverride, Override, Person } from '@yard-spool/contract';
import { HOUSE_QUESTIONS, schoolOf } from '@yard-spool/core';
import type { ServerContext } from '../context';
import { type Unit, unit } from '../unit';
import { ProblemError } from '../problem-error';
import { managersOnly, noteHouseChange } from './house-changes';
import { planAgain, rulingNow } from './plan-again';
import { listOverrides } from './list-overrides';
import { lockHouse } from './read-house-rules';

/** Sets a rule otherwise for one line, customer or reel; what was set before for the same gives way. */
export async function setOverride(
  context: ServerContext,
  person: Person,
  asked: NewOverride,
): Promise<Override> {
  managersOnly(person, 'sets a rule otherwise');
  const id = await unit(context, person, async (u) => {
    await lockHouse(u);
    const before = await rulingNow(u);
    const target = await targetOf(u, asked.target);
    const where = { ...target, question: asked.question };
    const { ruleOverrides } = u.tables;
    const there = await ruleOverrides.lockOne({ where });
    const { question, school, why } = asked;
    const now = { school, why, at: u.clock(), byId: u.actor.id };
    const none = { productId: null, customerId: null, reelId: null };
    const row = there
      ? await ruleOverrides.change(there, now)
      : await ruleOverrides.create({ ...none, ...where, ...now });
    const was = before.overrides.find((one) => one.id === row.id)?.school;
    await noteOverride(u, row.id, { question, was, is: school });
    await planAgain(u, before);
    return row.id;
  });
  const set = (await listOverrides(context)).find((one) => one.id === id);
  if (!set) throw new Error('What was set is there.');
  return set;
}

/** Takes back what was set otherwise: the house's rule holds again. */
export async function dropOverride(context: ServerContext, person: Person, id: number): Promise<object> {
  managersOnly(person, 'takes back what was set otherwise');
  await unit(context, person, async (u) => {
    await lockHouse(u);
    const before = await rulingNow(u);
    const row = await u.tables.ruleOverrides.lock(id);
    if (!row) throw new ProblemError('not-found', 'This was taken back already.');
    const { question, school } = row;
    await noteOverride(u, id, { question, was: school, is: undefined });
    await u.tables.ruleOverrides.remove(row);
    await planAgain(u, before);
  });
  return {};
}

interface Turned {
  readonly question: Override['question'];
  readonly was: string | undefined;
  readonly is: string | undefined;
}

async function noteOverride(u: Unit, id: number, { question, was, is }: Turned): Promise<void> {
  const name = (await listOverrides(u)).find((one) => one.id === id)?.name ?? '';
  const said = (school: string | undefined): string =>
    school === undefined ? 'as the house' : schoolOf({ [question]: school }, question).name;
  const about = `${name}: ${HOUSE_QUESTIONS[question].ask}`.slice(0, 120);
  await noteHouseChange(u, { about, was: said(was), is: said(is) });
}

type Target =
  | { readonly scope: 'line'; readonly productId: number }
  | { readonly scope: 'customer'; readonly customerId: number }
  | { readonly scope: 'reel'; readonly reelId: number };

async function targetOf({ tables }: Unit, target: NewOverride['target']): Promise<Target> {
  switch (target.scope) {
    case 'line': {
      const product = await tables.products.findOne({ where: { code: target.code } });
      if (product) return { scope: 'line', productId: product.id };
      throw notThere(`No line has the code ${target.code}.`);
    }
    case 'customer': {
      const customer = await tables.customers.findByPk(target.id);
      if (customer) return { scope: 'customer', customerId: customer.id };
      throw notThere('This customer is not known.');
    }
    case 'reel': {
      const reel = await tables.reels.findOne({ where: { tag: target.tag } });
      if (reel) return { scope: 'reel', reelId: reel.id };
      throw notThere(`No reel has the tag ${target.tag}.`);
    }
  }
}

const notThere = (sentence: string): ProblemError =>
  new ProblemError('not-found', sentence, [{ path: 'target', message: sentence }]);
