import type { LineOrder, Person } from '@yard-spool/contract';
import type { Reading, ServerContext } from '../context/context';
import { heldAnswer } from '../context/held-answer';
import { unit } from '../context/unit';
import { peopleNames } from '../people/people';
import { ProblemError } from '../problem-error';
import { listProducts } from '../rack/products';
import { endOfDay } from '../shop/shop-day';

/** Line that is on order, what comes first foremost. */
export const listOrders = heldAnswer(readOrders, ['lineOrders', 'products', 'massSamples', 'people']).ask;

async function readOrders(from: Reading): Promise<LineOrder[]> {
  const [rows, products, names] = await Promise.all([
    from.tables.lineOrders.findAll({ where: { state: 'open' }, order: ['expectedAt', 'id'] }),
    listProducts(from),
    peopleNames(from),
  ]);
  const byId = new Map(products.map((product) => [product.id, product]));
  return rows.flatMap(({ id, productId, lengthMm, count, minor, expectedAt, at, byId: by }) => {
    const product = byId.get(productId);
    if (!product) return [];
    const times = { expectedAt: expectedAt.toISOString(), at: at.toISOString() };
    return [{ id, product, lengthMm, count, minor, ...times, by: names.get(by) ?? '' }];
  });
}

/** Writes down that packs of a line were ordered. */
export async function addOrder(
  context: ServerContext,
  person: Person,
  { productId, lengthMm, count, minor, expectedOn }: NewOrder,
): Promise<LineOrder[]> {
  await unit(context, person, async (u) => {
    if (!(await listProducts(u)).some(({ id }) => id === productId))
      throw new ProblemError('not-found', 'This line is not on the list any more. Choose again.');
    const at = u.clock();
    const expectedAt = await endOfDay(u, expectedOn);
    if (expectedAt < at)
      throw new ProblemError('bad-request', 'That day has passed.', [
        { path: 'expectedOn', message: 'Choose today or a later day.' },
      ]);
    await u.tables.lineOrders.create({ productId, lengthMm, count, minor, expectedAt, at, byId: u.actor.id });
  });
  return listOrders(context);
}

interface NewOrder {
  readonly productId: number;
  readonly lengthMm: number;
  readonly count: number;
  readonly minor: number | null;
  /** ISO date. */
  readonly expectedOn: string;
}

/** An order that has come, or will not. What came is received on the rack piece by piece. */
export async function endOrder(
  context: ServerContext,
  person: Person,
  id: number,
  how: 'come' | 'cancelled',
): Promise<LineOrder[]> {
  await unit(context, person, async (u) => {
    const order = await u.tables.lineOrders.lock(id);
    if (!order) throw new ProblemError('not-found', 'There is no such order.');
    if (order.state !== 'open')
      throw new ProblemError('already-closed', 'This order is done already. Nothing was changed.');
    await u.tables.lineOrders.change(order, { state: how, doneAt: u.clock() });
  });
  return listOrders(context);
}
