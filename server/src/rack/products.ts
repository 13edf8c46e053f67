import type { NewProduct, Person, Product } from '@yard-spool/contract';
import type { Transaction } from 'sequelize';
import type { House } from '../house';
import { ProblemError } from '../problem-error';
import { toProduct } from './to-piece';

/** All lines the shop knows, by code. */
export async function listProducts({ tables }: House, transaction?: Transaction): Promise<Product[]> {
  const inIt = transaction ? { transaction } : {};
  const [rows, samples] = await Promise.all([
    tables.products.findAll({ order: ['code'], ...inIt }),
    tables.massSamples.findAll(inIt),
  ]);
  return rows.map((row) => toProduct(row, samples));
}

/** The columns of a new product. */
export const productValues = ({ diameter, strengthKg, ...rest }: NewProduct) => ({
  ...rest,
  diameter: String(diameter),
  strengthKg: strengthKg === null ? null : String(strengthKg),
});

/** The product a new piece is of: one that is known, or one made for it. */
export async function productFor(
  { tables }: House,
  asked: { id: number } | NewProduct,
  transaction: Transaction,
): Promise<number> {
  if (!('id' in asked)) return (await tables.products.create(productValues(asked), { transaction })).id;
  if (await tables.products.findByPk(asked.id, { transaction })) return asked.id;
  throw new ProblemError('not-found', 'This line is not on the list any more. Choose again.');
}

/** Keeps a weighed, measured length, from which the line's grams per metre are learned. */
export async function addMassSample(
  house: House,
  person: Person,
  productId: number,
  { lengthMm, grams }: { lengthMm: number; grams: number },
): Promise<Product> {
  const { tables, clock } = house;
  if (!(await tables.products.findByPk(productId)))
    throw new ProblemError('not-found', 'This line is not on the list any more.');
  await tables.massSamples.create({
    productId,
    lengthMm,
    grams: grams.toFixed(2),
    at: clock(),
    byId: person.id,
  });
  const product = (await listProducts(house)).find(({ id }) => id === productId);
  if (!product) throw new Error('A product that was just there is there.');
  return product;
}
