import type { Person } from '@yard-spool/contract';
import { formatQuantity, waitsText } from '@yard-spool/core';
import { readBag } from '../bags/bags';
import type { ServerContext } from '../context/context';
import { unit } from '../context/unit';
import { ProblemError } from '../problem-error';
import { readHouseRules } from '../shop/read-house-rules';
import { LONGEST } from './tell-ready';

/**
 * Puts the text for a bag whose line is not there among those that wait to be sent: in the place of one that waits
 * already, since what it waits for may be another by now.
 *
 * @returns the message's id
 */
export async function tellWaits(context: ServerContext, person: Person, number: number): Promise<number> {
  const [bag, { shopName, wordings, units }] = await Promise.all([
    readBag(context, number),
    readHouseRules(context),
  ]);
  const reels = bag.jobs
    .filter(({ state }) => state === 'booked')
    .flatMap(({ tag, label, cuts }) => {
      const missing = cuts.filter(({ pieceId }) => pieceId === null);
      const lines = missing.map(
        ({ lengthMm, productName }) =>
          `${formatQuantity(lengthMm / 1000, 'line-length', units).text} ${productName}`,
      );
      return lines.length > 0 ? [{ tag, label, waitsFor: `waits for ${lines.join(' and ')}` }] : [];
    });
  if (reels.length === 0)
    throw new ProblemError('not-allowed', 'All of this bag’s line is there by now. Look at the bag again.');
  const facts = { customer: bag.customer.name, bag: number, reels, shop: shopName };
  const text = waitsText(facts, wordings.waits).slice(0, LONGEST);
  return unit(context, person, async (u) => {
    const { bags, messages } = u.tables;
    await bags.lock(number);
    const there = await messages.findOne({ where: { bagId: number, kind: 'waits', state: 'waiting' } });
    if (there && there.text !== text) await messages.change(there, { text, version: there.version + 1 });
    if (there) return there.id;
    const message = { kind: 'waits' as const, customerId: bag.customer.id, bagId: number, text };
    return (await messages.create({ ...message, at: u.clock(), byId: u.actor.id })).id;
  });
}
