import { DONE_AT, type OperationKind } from './day';

/** One thing to do, as it is told: its reels, its bags, and its line, arbor first. */
export interface RowToTell {
  readonly kind: OperationKind;
  readonly bags: readonly number[];
  readonly reels: readonly { readonly tag: string; readonly label: string }[];
  readonly lines: readonly { readonly code: string; readonly lengthMm: number }[];
}

/** What is done, in one line, and what belongs to it. */
export interface RowWords {
  readonly what: string;
  readonly more: string;
}

/** How a length is said, from metres. */
export type SaysLength = (metres: number) => string;

/** Bags named in a row; the rest of them are counted. */
const NAMED = 4;

const tagsOf = ({ reels }: RowToTell): string => reels.map(({ tag }) => tag).join(', ');
const codesOf = ({ lines }: RowToTell): string => lines.map(({ code }) => code).join(', ');
const nameOf = ({ reels }: RowToTell): string => [...new Set(reels.map(({ label }) => label))].join(', ');

function bagsOf({ bags }: RowToTell): string {
  const more = bags.length - NAMED;
  const named = `${bags.length === 1 ? 'bag' : 'bags'} ${bags.slice(0, NAMED).join(', ')}`;
  return more > 0 ? `${named} and ${String(more)} more` : named;
}

/** What goes on, the outermost first: 120 m N-207, over 77 m S-031. */
export const linesInWords = ({ lines }: Pick<RowToTell, 'lines'>, length: SaysLength): string[] =>
  [...lines]
    .reverse()
    .map(({ code, lengthMm }, i) => `${i > 0 ? 'over ' : ''}${length(lengthMm / 1000)} ${code}`);

const SAYS: Readonly<Record<OperationKind, (row: RowToTell, length: SaysLength) => RowWords>> = {
  soak: (row) => ({ what: `${codesOf(row)} into the water`, more: `for ${bagsOf(row)}` }),
  out: (row) => ({ what: `${codesOf(row)} out of the water`, more: `wound wet, for ${bagsOf(row)}` }),
  strip: (row) => ({ what: `Strip ${tagsOf(row)}`, more: bagsOf(row) }),
  fill: (row, length) => ({
    what: `${tagsOf(row)}, ${nameOf(row)}`,
    more: linesInWords(row, length).join(' '),
  }),
  walk: (row) => ({ what: `Walk the counter of ${tagsOf(row)}`, more: bagsOf(row) }),
  relief: (row) => ({ what: `Take memory out of ${tagsOf(row)}`, more: bagsOf(row) }),
  check: (row) => ({ what: `Check ${tagsOf(row)}`, more: bagsOf(row) }),
  shelf: ({ bags }) => ({ what: `Bag ${bags.join(', ')} to its shelf`, more: 'its message is ready then' }),
};

/** One thing to do in words, for screens, paper and the calendar. */
export const rowInWords = (row: RowToTell, length: SaysLength): RowWords => SAYS[row.kind](row, length);

/** Where a kind of thing is done, in one word. */
export const placeInWords = (kind: OperationKind): string => PLACES[DONE_AT[kind]];

const PLACES = { tub: 'Tub', bench: 'Bench', field: 'Field', counter: 'Counter' } as const;

/** Rows as they are listed: a check goes without saying where its bag goes to its shelf. */
export function listedRows<One extends Pick<RowToTell, 'kind' | 'bags'>>(
  rows: readonly One[],
): readonly One[] {
  const shelved = new Set(rows.flatMap(({ kind, bags }) => (kind === 'shelf' ? bags : [])));
  return rows.filter(({ kind, bags }) => kind !== 'check' || !bags.every((bag) => shelved.has(bag)));
}
