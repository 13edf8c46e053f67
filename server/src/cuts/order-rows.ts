import type { ReorderLine } from '@yard-spool/contract';

/** One row of an order: so many packs of one size of one line. */
export interface OrderRow {
  readonly code: string;
  readonly name: string;
  readonly packMetres: number;
  readonly count: number;
  /** What one and what all of them cost, in the shop's money. */
  readonly price: number;
  readonly total: number;
}

/** What a supplier is asked for. */
export const orderRows = (lines: readonly ReorderLine[]): OrderRow[] =>
  lines.flatMap(({ product, packs }) =>
    packs.map(({ lengthMm, count, minor }) => ({
      code: product.code,
      name: product.name,
      packMetres: lengthMm / 1000,
      count,
      price: minor / 100,
      total: (minor * count) / 100,
    })),
  );
