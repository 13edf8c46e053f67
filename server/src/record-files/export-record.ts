import {
  RECORD_COLUMNS,
  RECORD_FORMAT,
  RECORD_VERSION,
  type RecordedReel,
  type RecordQuery,
} from '@yard-spool/contract';
import Papa from 'papaparse';
import type { Reading } from '../context/context';
import { ProblemError } from '../problem-error';
import { harmless } from '../rack-files/harmless';
import type { OutgoingFile } from '../rack-files/export-rack';
import { reelByTag } from '../record/reel-by-tag';
import { recordOfReel, tagsOfCustomer } from './record-rows';

/** The record of a reel, or of all of a customer's, as a file that is written while it is sent. */
export async function exportRecord(from: Reading, { of, which, format }: RecordQuery): Promise<OutgoingFile> {
  const tags = of === 'reel' ? await tagOf(from, which.toUpperCase()) : await tagsOf(from, which);
  const name = `yard-spool-${of}-${which}-${from.clock().toISOString().slice(0, 10)}.${format}`;
  return format === 'json'
    ? { name, type: 'application/json', text: asJson(from, tags) }
    : { name, type: 'text/csv', text: asCsv(from, tags) };
}

/** Whether it is there is known before the first piece is sent. */
async function tagOf(from: Reading, which: string): Promise<string[]> {
  const reel = await reelByTag(from, which);
  if (!reel) throw new ProblemError('not-found', `No reel has the tag ${which}.`);
  return [reel.tag];
}

async function tagsOf(from: Reading, which: string): Promise<string[]> {
  const customer = /^\d{1,12}$/.test(which) ? await from.tables.customers.findByPk(Number(which)) : null;
  if (!customer) throw new ProblemError('not-found', 'There is no such customer.');
  return tagsOfCustomer(from, customer.id);
}

async function* asJson(from: Reading, tags: readonly string[]): AsyncGenerator<string> {
  const head = { format: RECORD_FORMAT, version: RECORD_VERSION, at: from.clock().toISOString() };
  let before = `${JSON.stringify(head).slice(0, -1)},"reels":[`;
  for (const tag of tags) {
    yield `${before}\n${JSON.stringify(await recordOfReel(from, tag))}`;
    before = ',';
  }
  yield tags.length === 0 ? `${before}]}\n` : '\n]}\n';
}

type Layer = RecordedReel['spools'][number]['fills'][number]['layers'][number];

const LINE = { newline: '\r\n' } as const;
const cell = (value: string | number | null): string | number =>
  typeof value === 'string' ? harmless(value) : (value ?? '');

const rounded = (value: number, decimals: number): number => Number(value.toFixed(decimals));

/** A table is read by eye: a length has the digits that its likely range leaves it, m. The record's JSON has all. */
function lengthsOf({ length, likely: [least, most] }: Layer): number[] {
  const off = (most - least) / 2;
  const decimals = off >= 1 ? 0 : off >= 0.1 ? 1 : 2;
  return [length, least, most].map((value) => rounded(value, decimals));
}

async function* asCsv(from: Reading, tags: readonly string[]): AsyncGenerator<string> {
  yield `\uFEFF${Papa.unparse([[...RECORD_COLUMNS]], LINE)}\r\n`;
  for (const tag of tags) {
    const rows = rowsOf(await recordOfReel(from, tag));
    if (rows.length > 0) yield `${Papa.unparse(rows, LINE)}\r\n`;
  }
}

const rowsOf = ({ tag, type, label, customer, spools }: RecordedReel): (string | number)[][] =>
  spools.flatMap(({ name, dueAt, fills }) =>
    fills.flatMap((fill, i) =>
      fill.layers.map((layer) =>
        [
          tag,
          type,
          label,
          customer.name,
          customer.contact,
          name,
          fill.at,
          fill.by,
          fill.bag,
          rounded(fill.gapRead ?? fill.gapByCount, 1),
          layer.role,
          layer.line,
          layer.material,
          layer.diameter,
          layer.piece,
          layer.lot,
          ...lengthsOf(layer),
          rounded(layer.handleTurns, 0),
          // What is due is what lies on it now.
          i === 0 ? dueAt : '',
        ].map(cell),
      ),
    ),
  );
