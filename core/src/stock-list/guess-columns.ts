import { matchHeads, type Column } from './match-heads';
import { usualUnit } from './read-stock';
import type { StockField } from './stock-fields';

/** Nothing that is wound is thinner, mm, or thicker, in. From memory. */
const THINNEST_MM = 0.05;
const THICKEST_IN = 0.12;

/**
 * What the columns of a list are, by their headings, and by what stands in them where those say nothing: names are the
 * line, and diameters no line has in the shop’s unit are in the other one.
 *
 * @param table rows of cells, the headings first
 * @param comma whether a comma stands before decimals
 * @param imperial whether the shop reckons in yards, inches and pounds
 */
export function guessColumns(
  table: readonly (readonly string[])[],
  { comma, imperial }: { readonly comma: boolean; readonly imperial: boolean },
): Column[] {
  const [heads = [], ...rows] = table;
  const valuesOf = (at: number): string[] =>
    rows.map((row) => row[at]?.trim() ?? '').filter((value) => value !== '');
  const matched = matchHeads(heads);
  const line = matched.some(({ field }) => field === 'line')
    ? -1
    : matched.findIndex(({ field }, at) => field === null && areNames(valuesOf(at)));
  return matched.map(({ field, unit }, at) => {
    const is = at === line ? 'line' : field;
    return { field: is, unit: unit ?? unitOf(is, valuesOf(at), { comma, imperial }) };
  });
}

/** Words, and hardly one of them twice as often as another: a bin or a maker is said again and again. */
const areNames = (values: readonly string[]): boolean =>
  values.length > 0 &&
  values.every((value) => /\p{L}{3}/u.test(value)) &&
  2 * new Set(values.map((value) => value.toLowerCase())).size > values.length;

/** The unit of bare numbers in a column: the shop’s, unless they can be nothing of it. */
function unitOf(
  field: StockField | null,
  values: readonly string[],
  { comma, imperial }: { readonly comma: boolean; readonly imperial: boolean },
): string | null {
  const numbers = values.map((value) => Number(comma ? value.replace(',', '.') : value)).filter((n) => n > 0);
  if (field === 'diameter' && numbers.length > 0) {
    if (Math.max(...numbers) < THINNEST_MM) return 'in';
    if (Math.min(...numbers) > THICKEST_IN) return 'mm';
  }
  return usualUnit(field, imperial);
}
