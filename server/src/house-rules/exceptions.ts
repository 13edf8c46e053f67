import type { NewException, Exception, Person } from '@yard-spool/contract';
import { HOUSE_QUESTIONS, schoolOf, sortKey, type Words } from '@yard-spool/core';
import type { ServerContext, Unit } from '../context/context';
import { unit } from '../context/unit';
import { ProblemError } from '../problem-error';
import { managersOnly, noteHouseChange } from '../shop/house-changes';
import { rulingNow } from './ruling';
import { listExceptions } from './list-exceptions';
import { lockHouse } from '../shop/read-house-rules';

/** Sets an exception for a sort of reel, one line, customer or reel; what was set before for the same gives way. */
export async function setException(
  context: ServerContext,
  person: Person,
  asked: NewException,
): Promise<Exception> {
  managersOnly(person, 'sets an exception');
  const id = await unit(context, person, async (u) => {
    await lockHouse(u);
    const before = await rulingNow(u);
    const target = await targetOf(u, asked.target);
    const where = { ...target, question: asked.question };
    const { ruleExceptions } = u.tables;
    const there = await ruleExceptions.lockOne({ where });
    const { question, school, why } = asked;
    const now = { school, why, at: u.clock(), byId: u.actor.id };
    const none = { sort: null, productId: null, customerId: null, reelId: null };
    const row = there
      ? await ruleExceptions.change(there, now)
      : await ruleExceptions.create({ ...none, ...where, ...now });
    const was = before.exceptions.find((one) => one.id === row.id)?.school;
    await noteException(u, row.id, { question, was, is: school });
    await u.happened.rulesChanged(before);
    return row.id;
  });
  const set = (await listExceptions(context)).find((one) => one.id === id);
  if (!set) throw new Error('What was set is there.');
  return set;
}

/** Takes an exception back: the house rule holds again. */
export async function dropException(context: ServerContext, person: Person, id: number): Promise<object> {
  managersOnly(person, 'takes an exception back');
  await unit(context, person, async (u) => {
    await lockHouse(u);
    const before = await rulingNow(u);
    const row = await u.tables.ruleExceptions.lock(id);
    if (!row) throw new ProblemError('not-found', 'This was taken back already.');
    const { question, school } = row;
    await noteException(u, id, { question, was: school, is: undefined });
    await u.tables.ruleExceptions.remove(row);
    await u.happened.rulesChanged(before);
  });
  return {};
}

interface Turned {
  readonly question: Exception['question'];
  readonly was: string | undefined;
  readonly is: string | undefined;
}

async function noteException(u: Unit, id: number, { question, was, is }: Turned): Promise<void> {
  const name = (await listExceptions(u)).find((one) => one.id === id)?.name ?? '';
  const said = (school: string | undefined): Words =>
    school === undefined ? 'shop default' : schoolOf({ [question]: school }, question).name;
  const about = `${name}: ${HOUSE_QUESTIONS[question].ask}`.slice(0, 120);
  await noteHouseChange(u, { about, was: said(was), is: said(is) });
}

type Target =
  | { readonly scope: 'type' | 'material' | 'material-on-type'; readonly sort: string }
  | { readonly scope: 'line'; readonly productId: number }
  | { readonly scope: 'customer'; readonly customerId: number }
  | { readonly scope: 'reel'; readonly reelId: number };

async function targetOf({ tables }: Unit, target: NewException['target']): Promise<Target> {
  switch (target.scope) {
    case 'type':
    case 'material':
    case 'material-on-type':
      return { scope: target.scope, sort: sortKey(target) };
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
