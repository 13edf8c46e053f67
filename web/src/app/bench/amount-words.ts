import type { CountedAmount } from '@yard-spool/core';
import type { UnitsService } from '../data/units.service';

/** A stretch of line as it is counted and as it is long: "31 turns, 7.8 m"; over a meter only its length. */
export function amountWords(
  { unit, amount }: CountedAmount,
  length: number,
  units: Pick<UnitsService, 'show'>,
): string {
  const long = units.show(length, 'line-length', length < 20 ? 1 : 0).text;
  if (unit === 'metres') return long;
  const turns = Math.round(amount);
  const of = unit === 'winder-turns' ? 'winder turn' : 'turn';
  return `${String(turns)} ${of}${turns === 1 ? '' : 's'}, ${long}`;
}
