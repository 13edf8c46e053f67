import type { Page, Piece, PieceWithLedger, Product } from '@yard-spool/contract';
import { expect, it } from 'vitest';
import { numbered, receiveTwo, runOf } from '../testing/bookings';
import { lineOf, type Ask } from '../testing/rack';
import type { TestShop } from '../testing/test-shop';
import { inShop } from '../testing/in-shop';

let shop: TestShop;
let ask: Ask;
inShop('Bo', (opened) => ({ shop, ask } = opened));

it('what nobody sees is not kept of what is typed, in a field or a file', async () => {
  const { status, body } = await ask<Piece>('POST', '/pieces', {
    code: 'HID-1',
    kind: 'bulk',
    product: lineOf('HID', { name: 'Moss\u202E line\u0000' }),
    lengthMm: 100_000,
    lot: 'L\u0007 7',
    place: 'shelf\r\n2\u2066',
  });
  expect([status, body.lot, body.place, body.product.name]).toEqual([200, 'L 7', 'shelf 2', 'Moss line']);
  const row = {
    code: 'HID-2',
    product: 'HID',
    kind: 'bulk',
    received_m: '50',
    left_m: '50',
    price: '',
    tare_g: '',
    flange_mm: '',
    core_mm: '',
    wound: 'unknown',
    leaves: 'unknown',
    new_on: '',
  };
  const text = JSON.stringify([{ ...row, lot: 'A\u202EB', place: 'low\u0000er' }]);
  const base64 = Buffer.from(text).toString('base64');
  const file = { what: 'pieces', format: 'json', base64, preview: false };
  const imported = await ask<{ taken: boolean }>('POST', '/rack-files', file);
  expect(imported.body).toMatchObject({ errors: [], taken: true });
  const { piece } = (await ask<PieceWithLedger>('GET', '/pieces/HID-2')).body;
  expect([piece.lot, piece.place]).toEqual(['AB', 'lower']);
});

it('halves of characters are not kept either, wherever they are written, and whole ones are', async () => {
  const { product } = (await ask<PieceWithLedger>('GET', '/pieces/HID-1')).body.piece;
  const maker = {
    soakHours: null,
    labelSide: null,
    strength: '5 \ud800kg',
    diameter: '',
    says: 'soak 🎣\udc00',
  };
  const { status, body } = await ask<Product>('PUT', `/products/${product.id}/maker`, maker);
  expect([status, body.maker?.strength, body.maker?.says]).toEqual([200, '5 kg', 'soak 🎣']);
  const run = await runOf(ask, await receiveTwo(ask, 900, 'HH'));
  const settled = { kind: 'settled', payload: { cause: 'none', about: 'gap\ud83d' } };
  const sent = await ask('POST', `/runs/${run.id}/events`, { events: numbered(run, 1, [settled]) });
  expect(sent.status).toBeLessThan(500);
});

it('what stands in old books is shown where it stands', async () => {
  await shop.force(({ tables }) =>
    tables.pieces.changeAll({ place: 'left\u202Ethgir', lot: 'tab\tand\u0001' }, { code: 'HID-1' }),
  );
  const { rows } = (await ask<Page<Piece>>('GET', '/rack?find=hid-1')).body;
  expect([rows[0]!.place, rows[0]!.lot]).toEqual(['left␦thgir', 'tab\tand␦']);
});
