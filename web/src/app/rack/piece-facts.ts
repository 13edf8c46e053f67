import { FormGroup } from '@angular/forms';
import type { PieceFacts } from '@yard-spool/contract';
import { quantityReader } from '../ui/read-quantity';
import { text } from '../ui/text-control';
import { UNREAD } from '../ui/read-when';

export const FACT_RANGE = {
  price: { min: 0, max: 1_000_000 },
  tare: { min: 0, max: 50_000 },
  spool: { min: 5, max: 600 },
} as const;

const withUnit = (value: number | null | undefined, unit: string): string =>
  value === null || value === undefined ? '' : `${String(value)} ${unit}`;

/** What the fields of a piece show; of no piece, of one that nothing is known of. */
const shownFacts = (piece: PieceFacts | undefined) => ({
  lot: piece?.lot ?? '',
  price: typeof piece?.priceMinor === 'number' ? (piece.priceMinor / 100).toFixed(2) : '',
  tare: withUnit(piece?.tareG, 'g'),
  flange: withUnit(piece?.flangeMm, 'mm'),
  core: withUnit(piece?.coreMm, 'mm'),
});

/** Controls for what is printed on a piece, filled from one where there is one. */
export const factsForm = (piece?: PieceFacts) => {
  const { lot, price, tare, flange, core } = shownFacts(piece);
  return new FormGroup({
    lot: text(lot),
    price: text(price),
    tare: text(tare),
    flange: text(flange),
    core: text(core),
    wound: text(piece?.wound ?? 'unknown'),
    leaves: text(piece?.leaves ?? 'unknown'),
    newOn: text(piece?.newOn ?? ''),
  });
};

export type FactsForm = ReturnType<typeof factsForm>;
/** Reads the facts as they are sent; says which field is wrong. Must be made where `inject` works. */
export function factsReader(form: FactsForm): { read: () => PieceFacts; wrong: () => string } {
  const quantity = quantityReader();
  const { lot, price, tare, flange, core, wound, leaves, newOn } = form.controls;
  const priceOf = (): number | null => quantity(price, 'count', FACT_RANGE.price);
  const numbers = [
    { control: price, value: priceOf, name: 'price' },
    {
      control: tare,
      value: () => quantity(tare, 'mass', FACT_RANGE.tare),
      name: 'weight of the empty spool',
    },
    { control: flange, value: () => quantity(flange, 'small-length', FACT_RANGE.spool), name: 'flange' },
    { control: core, value: () => quantity(core, 'small-length', FACT_RANGE.spool), name: 'core' },
  ] as const;
  return {
    wrong: () => {
      if (newOn.value.startsWith(UNREAD)) return 'The day the line was new is not right yet.';
      const odd = numbers.find(({ control, value }) => control.value.trim() !== '' && value() === null);
      return odd ? `The ${odd.name} is not right yet.` : '';
    },
    read: () => {
      const paid = priceOf();
      return {
        lot: lot.value,
        priceMinor: paid === null ? null : Math.round(paid * 100),
        tareG: numbers[1].value(),
        flangeMm: numbers[2].value(),
        coreMm: numbers[3].value(),
        wound: wound.value as PieceFacts['wound'],
        leaves: leaves.value as PieceFacts['leaves'],
        newOn: newOn.value === '' ? null : newOn.value,
      };
    },
  };
}
