import { CODE_PATTERN, type Pack } from '@yard-spool/contract';
import type { Reading } from '../context/context';
import { ProblemError } from '../problem-error';
import { onePiece } from './rack';
import { newestOf } from '../context/newest-of';

/** How many codes on from the last one are tried before it is left to whoever receives the piece. */
const TRIES = 50;

/** What a bar code stands for here, by the last piece it was scanned for. */
export async function readPack(from: Reading, packCode: string): Promise<Pack> {
  const last = await from.tables.pieces.findOne({ where: { packCode }, ...newestOf('pieces_by_pack') });
  if (!last) throw new ProblemError('not-found', 'This bar code is new here. Say once what it stands for.');
  return another(from, last.code);
}

/** What another piece of a line is, by the last one that came of it; stripped line and remnants come of nothing new. */
export async function readNextOf(from: Reading, productId: number): Promise<Pack | null> {
  const last = await from.tables.pieces.findOne({
    where: { productId, kind: ['bulk', 'pack'] },
    ...newestOf('product_id'),
  });
  return last && another(from, last.code);
}

/** Another piece like one that is there, under the next code that is free. */
async function another(from: Reading, code: string): Promise<Pack> {
  const piece = await onePiece(from, { code });
  const { product, kind, place, receivedMm, lot, priceMinor, tareG, flangeMm, coreMm, wound, leaves, newOn } =
    piece;
  return {
    product,
    kind,
    place,
    lengthMm: receivedMm,
    nextCode: await freeCodeAfter(from, code),
    lot,
    priceMinor,
    tareG,
    flangeMm,
    coreMm,
    wound,
    leaves,
    newOn,
  };
}

/** The next code like it that no piece has: P-9 and P-10; empty where it does not end in a number. */
async function freeCodeAfter({ tables }: Reading, code: string): Promise<string> {
  const [, before = '', digits = ''] = /^(.*?)(\d+)$/.exec(code) ?? [];
  if (digits === '') return '';
  const next = Array.from({ length: TRIES }, (_, i) => {
    const number = String(Number(digits) + 1 + i);
    return before + number.padStart(digits.length, '0');
  }).filter((one) => CODE_PATTERN.test(one));
  const taken = new Set((await tables.pieces.findAll({ where: { code: next } })).map((piece) => piece.code));
  return next.find((one) => !taken.has(one)) ?? '';
}
