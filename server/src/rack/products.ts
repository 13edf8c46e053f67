import { OWN_PREFIX, type NewProduct, type Person, type Product } from '@yard-spool/contract';
import type { Reading, ServerContext } from '../context';
import { unit, type Unit } from '../unit';
import { noteWords } from '../search/index-words';
import { ProblemError } from '../problem-error';
import { toProduct } from './to-piece';

/** All lines the shop knows, by code; customers' own among them. */
export async function listProducts({ tables }: Reading): Promise<Product[]> {
  const [rows, samples] = await Promise.all([
    tables.products.findAll({ order: ['code'] }),
    tables.massSamples.findAll(),
  ]);
  return rows.map((row) => toProduct(row, samples));
}

/** The lines the shop sells or keeps. */
export const listShopLines = async (from: Reading): Promise<Product[]> =>
  (await listProducts(from)).filter(({ code }) => !code.startsWith(OWN_PREFIX));

/** The columns of a new product. */
export const productValues = ({ diameter, strengthKg, ...rest }: NewProduct) => ({
  ...rest,
  diameter: String(diameter),
  strengthKg: strengthKg === null ? null : String(strengthKg),
});

/** The product a new piece is of: one that is known, or one made for it. */
export async function productFor(u: Unit, asked: { id: number } | NewProduct): Promise<number> {
  if (!('id' in asked)) {
    const { id } = await u.tables.products.create(productValues(asked));
    await noteWords(u, 'line', [id]);
    return id;
  }
  if (await u.tables.products.findByPk(asked.id)) return asked.id;
  throw new ProblemError('not-found', 'This line is not on the list any more. Choose again.');
}

/** Keeps a weighed, measured length, from which the line's grams per metre are learned. */
export async function addMassSample(
  context: ServerContext,
  person: Person,
  productId: number,
  { lengthMm, grams }: { lengthMm: number; grams: number },
): Promise<Product> {
  await unit(context, person, async ({ tables, clock, actor }) => {
    if (!(await tables.products.findByPk(productId)))
      throw new ProblemError('not-found', 'This line is not on the list any more.');
    const weighed = { lengthMm, grams: grams.toFixed(2) };
    await tables.massSamples.create({ productId, ...weighed, at: clock(), byId: actor.id });
  });
  const product = (await listProducts(context)).find(({ id }) => id === productId);
  if (!product) throw new Error('A product that was just there is there.');
  return product;
}
