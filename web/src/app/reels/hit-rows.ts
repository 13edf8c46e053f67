import type { Drawing, SearchHit } from '@yard-spool/contract';
import type { LineStyle } from '@yard-spool/core';
import { promisedText } from '../words/promised-text';
import type { UnitsService } from '../data/units.service';
import { dayText } from '../ui/day-text';

/** A hit as a row: where it leads, what it is called and what tells it from others. */
export interface HitRow {
  readonly kind: string;
  readonly link: readonly (string | number)[];
  readonly query: Readonly<Record<string, string>>;
  readonly name: string;
  readonly beside: string;
  readonly drawing: Drawing | null;
  /** A line as it is drawn; null for what is none. */
  readonly lineStyle: LineStyle | null;
}

export const KIND_NAMES: Readonly<Record<SearchHit['kind'], string>> = {
  reel: 'Reels',
  customer: 'Customers',
  line: 'Lines: which reels got them',
  lot: 'Lots: which reels got them',
  piece: 'Pieces on the rack',
  bag: 'Bags',
  note: 'In notes',
  day: 'Days',
};

const count = (many: number, one: string): string => `${String(many)} ${one}${many === 1 ? '' : 's'}`;

type RowOf = {
  readonly [K in SearchHit['kind']]: (
    hit: Extract<SearchHit, { kind: K }>,
    units: UnitsService,
  ) => Omit<HitRow, 'kind'>;
};

const NONE = { query: {}, drawing: null, lineStyle: null } as const;
const got = (query: Readonly<Record<string, string>>) => ({ ...NONE, link: ['/reels/got'], query });

const ROWS: RowOf = {
  reel: ({ tag, label, customer, filledAt, was, drawing }) => ({
    ...NONE,
    link: ['/reels', tag],
    drawing,
    name: `${tag} · ${label}`,
    beside: [
      customer,
      filledAt ? `filled ${dayText(filledAt)}` : 'not filled here yet',
      was ? `was ${was} before` : '',
    ]
      .filter(Boolean)
      .join(' · '),
  }),
  customer: ({ id, name, contact, reels }) => ({
    ...NONE,
    link: ['/reels/customer', id],
    name,
    beside: [count(reels, 'reel'), contact].filter(Boolean).join(' · '),
  }),
  line: ({ code, name, tint, material }) => ({
    ...got({ line: code }),
    lineStyle: { texture: material, tint },
    name,
    beside: `${code} · ${material.replace('-', ' ')}`,
  }),
  lot: ({ lot, name, pieces }) => ({
    ...got({ lot }),
    name: `Lot ${lot}`,
    beside: `${name} · ${count(pieces, 'piece')}`,
  }),
  piece: ({ code, name, lot, lengthMm, writtenOff }, units) => ({
    ...(writtenOff ? got({ piece: code }) : { ...NONE, link: ['/rack'], query: { piece: code } }),
    name: code,
    beside: [name, lot ? `lot ${lot}` : '', writtenOff ? 'off the rack' : units.length(lengthMm / 1000)]
      .filter(Boolean)
      .join(' · '),
  }),
  bag: ({ number, customer, promisedAt, notes }) => ({
    ...NONE,
    link: ['/bags', number],
    name: `Bag ${String(number)}, ${customer}`,
    beside: [promisedText(promisedAt), notes].filter(Boolean).join(' · '),
  }),
  note: ({ tag, label, customer, at, words }) => ({
    ...NONE,
    link: ['/reels', tag],
    name: `${tag} · ${label}`,
    beside: `${words} · ${customer}, ${dayText(at)}`,
  }),
  day: ({ day, fills }) => ({
    ...got({ on: day }),
    name: dayText(day),
    beside: `${count(fills, 'reel')} filled`,
  }),
};

/** What a kind is called beside its rows. */
const SHORT: Readonly<Record<SearchHit['kind'], string>> = {
  reel: 'reel',
  customer: 'customer',
  line: 'line',
  lot: 'lot',
  piece: 'piece',
  bag: 'bag',
  note: 'note',
  day: 'day',
};

export function hitRow(hit: SearchHit, units: UnitsService): HitRow {
  const row = ROWS[hit.kind] as (hit: SearchHit, units: UnitsService) => Omit<HitRow, 'kind'>;
  return { kind: SHORT[hit.kind], ...row(hit, units) };
}
