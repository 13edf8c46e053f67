import type { Piece } from '@yard-spool/contract';
import { PLAN_INPUT } from './bookings';
import { lineOf, receive, type Ask } from './rack';
import type { TestShop } from './test-shop';

/** A shop by the clock of UTC that soaks nothing. */
export async function soakNothing(ask: Ask): Promise<void> {
  const rules = (await ask<{ rules: object }>('GET', '/house-rules')).body;
  await ask('PUT', '/house-rules', { ...rules, zone: 'UTC', rules: { ...rules.rules, soak: 'none' } });
}

/** Nothing waits, and nothing is on the rack. */
export async function cleared(shop: TestShop): Promise<void> {
  await shop.force(({ tables }) => tables.jobs.changeAll({ state: 'cancelled' }, { state: 'booked' }));
  await shop.force(({ tables }) => tables.pieces.changeAll({ writtenOff: true }, {}));
}

export type Receives = (code: string, metres: number, more?: object) => Promise<Piece>;

/** Receives pieces that are all of one line. */
export function ofOneLine(ask: Ask, line: string, diameter: number): Receives {
  let product: unknown = lineOf(line, { diameter });
  return async (code, metres, more = {}) => {
    const piece = await receive(ask, code, metres, { product, ...more });
    product = { id: piece.product.id };
    return piece;
  };
}

/** 120 m of main over as much backing as fits, of these lines. */
export function plannedOn(backing: Piece['product'], main: Piece['product']): typeof PLAN_INPUT {
  const line = ({ code: key, diameter }: Piece['product']) => ({ key, material: 'nylon', diameter });
  const planInput = structuredClone(PLAN_INPUT) as typeof PLAN_INPUT & {
    request: { layers: { line: object }[] };
  };
  planInput.request.layers[0]!.line = line(backing);
  planInput.request.layers[1]!.line = line(main);
  return planInput;
}
