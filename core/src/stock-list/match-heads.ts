import { TO_BASE, UNIT_SPELLINGS } from '../quantities/units';
import { STOCK_FIELDS, STOCK_TRAITS, type StockField } from './stock-fields';

/** What a column is taken for, and the unit its heading names; null where nothing says. */
export interface Column {
  readonly field: StockField | null;
  readonly unit: string | null;
}

/** A heading in words, and the unit in it. */
interface Head {
  readonly words: readonly string[];
  readonly unit: string | null;
}

const UNITS: ReadonlySet<string> = new Set(Object.values(TO_BASE).flatMap((factors) => Object.keys(factors)));

function headOf(text: string): Head {
  const words = text
    .toLowerCase()
    .split(/[^\p{L}\p{N}µμ"'″]+/u)
    .filter((word) => word !== '');
  const unitOf = (word: string): string => UNIT_SPELLINGS[word] ?? word;
  const last = words.findLast((word) => UNITS.has(unitOf(word)));
  // "in stock" is no column of inches.
  const isUnit = last !== undefined && !(last === 'in' && words[0] === 'in' && words.length > 1);
  return isUnit
    ? { words: words.filter((word) => word !== last), unit: unitOf(last) }
    : { words, unit: null };
}

/** How well a heading means a field: 0 not at all. A whole heading goes before a word of it. */
function fits({ words, unit }: Head, field: StockField): number {
  const { heads, dimension } = STOCK_TRAITS[field];
  const measures = dimension !== undefined && unit !== null && unit in TO_BASE[dimension];
  if (unit !== null && !measures) return 0;
  if (heads.includes(words.join(' '))) return 4;
  // A heading that is a unit alone is what is usually measured in it.
  if (words.length === 0) return measures && BARE[unit] === field ? 3 : 0;
  const most = heads.filter((head) => head.split(' ').every((word) => words.includes(word)));
  return most.length > 0
    ? 1 + Math.max(...most.map((head) => head.split(' ').length)) / 10 + (measures ? 1 : 0)
    : 0;
}

const BARE: Readonly<Record<string, StockField>> = {
  m: 'length',
  yd: 'length',
  ft: 'length',
  mm: 'diameter',
  in: 'diameter',
  lb: 'strength',
  kg: 'strength',
};

/**
 * What the columns of a list are, by their headings: each field once, where it fits best. Anybody may say otherwise.
 *
 * @param heads the headings, as they are written
 */
export function matchHeads(heads: readonly string[]): Column[] {
  const read = heads.map(headOf);
  const fitting = read
    .flatMap((head, at) => STOCK_FIELDS.map((field) => ({ at, field, fit: fits(head, field) })))
    .filter(({ fit }) => fit > 0)
    .sort((a, b) => b.fit - a.fit || a.at - b.at);
  const fields = new Map<number, StockField>();
  for (const { at, field } of fitting)
    if (!fields.has(at) && ![...fields.values()].includes(field)) fields.set(at, field);
  return read.map(({ unit }, at) => ({ field: fields.get(at) ?? null, unit }));
}
