import {
  saysNothing,
  type MakerWords,
  type NewProduct,
  type Person,
  type Product,
} from '@yard-spool/contract';
import { mayBeSoaked, OWN_PREFIX } from '@yard-spool/core';
import type { Reading, ServerContext, Unit } from '../context/context';
import { heldAnswer } from '../context/held-answer';
import { readOnce } from '../context/read-once';
import { unit } from '../context/unit';
import { ProblemError } from '../problem-error';
import { toProduct } from './to-piece';

/** All lines the shop knows, by code; customers' own among them. */
export const listProducts = (from: Reading): Promise<readonly Product[]> =>
  readOnce(listProducts, () => PRODUCTS.ask(from));

const PRODUCTS = heldAnswer(readProducts, ['products', 'massSamples']);

async function readProducts({ tables, tellUnread }: Reading): Promise<Product[]> {
  const [rows, samples] = await Promise.all([
    tables.products.findAll({ order: ['code'] }),
    tables.massSamples.findAll(),
  ]);
  const products = rows.map((row) => toProduct(row, samples));
  for (const { code, unread } of products)
    if (unread) tellUnread({ table: 'products', key: code, fields: unread });
  return products;
}

/** The lines the shop sells or keeps. */
export const listShopLines = async (from: Reading): Promise<Product[]> =>
  (await listProducts(from)).filter(({ code }) => !code.startsWith(OWN_PREFIX));

/** The columns of a new product. */
export const productValues = ({ diameter, strengthKg, maker, ...rest }: NewProduct) => ({
  ...rest,
  maker: maker && !saysNothing(maker) ? maker : null,
  diameter: String(diameter),
  strengthKg: strengthKg === null ? null : String(strengthKg),
});

/** A code that somebody else has, told at its field. */
export const taken = (sentence: string, path: string): ProblemError =>
  new ProblemError('already-exists', sentence, [{ path, message: sentence }]);

/** The product a new piece is of: one that is known, or one made for it. */
export async function productFor(u: Unit, asked: { id: number } | NewProduct): Promise<number> {
  if (!('id' in asked)) {
    if (await u.tables.products.findOne({ where: { code: asked.code } }))
      throw taken(`There is a line ${asked.code} already. Choose it in the list.`, 'product.code');
    const { id } = await u.tables.products.create(productValues(asked));
    await u.happened.renamed('line', [id]);
    return id;
  }
  if (await u.tables.products.findByPk(asked.id)) return asked.id;
  throw new ProblemError('not-found', 'This line is not on the list any more. Choose again.');
}

/** Writes down what its maker says of a line. */
export async function writeMaker(
  context: ServerContext,
  person: Person,
  id: number,
  maker: MakerWords,
): Promise<Product> {
  await unit(context, person, async (u) => {
    const row = await u.tables.products.lock(id);
    if (!row || row.code.startsWith(OWN_PREFIX)) throw notListed();
    if (!mayBeSoaked(row.material, maker.soakHours)) {
      const sentence = `${row.name} is ${row.material.replace('-', ' ')}: it takes up next to no water. Leave the hours empty.`;
      throw new ProblemError('bad-request', sentence, [{ path: 'soakHours', message: sentence }]);
    }
    await u.tables.products.change(row, { maker: saysNothing(maker) ? null : maker });
    await u.happened.renamed('line', [id]);
  });
  return oneProduct(context, id);
}

const notListed = (): ProblemError => new ProblemError('not-found', 'This line is not on the list any more.');

async function oneProduct(from: Reading, id: number): Promise<Product> {
  const product = (await listProducts(from)).find((one) => one.id === id);
  if (!product) throw new Error('A product that was just there is there.');
  return product;
}

/** Keeps a weighed, measured length, from which the line's grams per metre are learned. */
export async function addMassSample(
  context: ServerContext,
  person: Person,
  productId: number,
  { lengthMm, grams }: { lengthMm: number; grams: number },
): Promise<Product> {
  await unit(context, person, async ({ tables, clock, actor }) => {
    if (!(await tables.products.findByPk(productId))) throw notListed();
    const weighed = { lengthMm, grams: grams.toFixed(2) };
    await tables.massSamples.create({ productId, ...weighed, at: clock(), byId: actor.id });
  });
  return oneProduct(context, productId);
}
