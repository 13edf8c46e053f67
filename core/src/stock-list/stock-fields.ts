import type { Dimension } from '../quantities/units';

/** What a column of a shop's own stock list can be. */
export const STOCK_FIELDS = [
  'line',
  'material',
  'diameter',
  'strength',
  'colour',
  'length',
  'left',
  'spools',
  'piece-code',
  'line-code',
  'place',
  'lot',
  'price',
] as const;
export type StockField = (typeof STOCK_FIELDS)[number];

/** How a column is known: what it is called here, the words it is headed with elsewhere, and what it is measured in. */
interface FieldTraits {
  readonly name: string;
  /** Headings that mean it, in lower case: a whole heading before a word of one. */
  readonly heads: readonly string[];
  readonly dimension?: Extract<Dimension, 'line-length' | 'small-length' | 'strength'>;
}

/** Each column: what follows from it anywhere follows from here. Headings are common practice, no source. */
export const STOCK_TRAITS: Readonly<Record<StockField, FieldTraits>> = {
  line: { name: 'Line', heads: ['line', 'name', 'line name', 'product', 'description', 'item', 'article'] },
  material: { name: 'Material', heads: ['material', 'type', 'made of', 'fibre'] },
  diameter: {
    name: 'Diameter',
    heads: ['diameter', 'dia', 'diam', 'thickness', 'gauge', 'ø'],
    dimension: 'small-length',
  },
  strength: {
    name: 'Strength',
    heads: ['strength', 'test', 'breaking strain', 'strain', 'breaking', 'rating'],
    dimension: 'strength',
  },
  colour: { name: 'Colour', heads: ['colour', 'color', 'tint', 'shade'] },
  length: {
    name: 'Length of a full one',
    heads: ['length', 'full length', 'received', 'spool size', 'size', 'yardage', 'put up'],
    dimension: 'line-length',
  },
  left: {
    name: 'Length left on it',
    heads: [
      'left',
      'remaining',
      'rest',
      'balance',
      'length left',
      'left on it',
      'on hand',
      'in stock',
      'stock',
    ],
    dimension: 'line-length',
  },
  spools: {
    name: 'How many of them',
    heads: ['qty', 'quantity', 'spools', 'pcs', 'pieces', 'count', 'how many'],
  },
  'piece-code': {
    name: 'Code of the spool',
    heads: ['code', 'piece', 'piece code', 'spool code', 'spool no', 'spool', 'tag', 'label', 'no', 'id'],
  },
  'line-code': {
    name: 'Code of the line',
    heads: ['line code', 'product code', 'sku', 'item no', 'item code', 'article no', 'art no', 'part no'],
  },
  place: { name: 'Place', heads: ['place', 'shelf', 'bin', 'location', 'where', 'rack', 'wall'] },
  lot: { name: 'Lot', heads: ['lot', 'batch', 'dye lot', 'lot no', 'batch no'] },
  price: { name: 'Price', heads: ['price', 'cost', 'paid', 'price paid'] },
};
