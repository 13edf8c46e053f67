import type { Pack, Piece } from '@yard-spool/contract';
import { describe, expect, it } from 'vitest';
import { codeOf, lineOf, receive, type Ask } from '../testing/rack';
import { inShop } from '../testing/in-shop';

let ask: Ask;
inShop('Ada', (opened) => ({ ask } = opened));

const pack = (code: string) => ask<Pack>('GET', `/packs/${code}`);

describe('a bar code on a pack', () => {
  it('is new once, and stands from then on for the line and length it was typed for', async () => {
    const unknown = await pack('4900000000017');
    expect([unknown.status, codeOf(unknown)]).toEqual([404, 'not-found']);
    await receive(ask, 'F-099', 150, {
      packCode: '4900000000017',
      kind: 'pack',
      place: 'Drawer 4',
      tareG: 24,
    });
    const { body } = await pack('4900000000017');
    expect(body).toMatchObject({
      kind: 'pack',
      place: 'Drawer 4',
      lengthMm: 150_000,
      tareG: 24,
      nextCode: 'F-100',
    });
    expect(body.product).toMatchObject(lineOf('L-F-099'));
  });

  it('stands for what it was scanned for last, and passes over codes that are taken', async () => {
    await receive(ask, 'F-100', 10);
    const { body: known } = await pack('4900000000017');
    expect(known.nextCode).toBe('F-101');
    const asked = {
      code: known.nextCode,
      product: { id: known.product.id },
      kind: 'pack',
      place: '',
      lengthMm: 300_000,
    };
    const { body: piece } = await ask<Piece>('POST', '/pieces', { ...asked, packCode: '4900000000017' });
    expect(piece.product.id).toBe(known.product.id);
    expect((await pack('4900000000017')).body).toMatchObject({ lengthMm: 300_000, nextCode: 'F-102' });
  });

  it('of a piece whose code does not end in a number proposes none', async () => {
    await receive(ask, 'LAST-ONE', 10, { packCode: 'wide_7-B' });
    expect((await pack('wide_7-B')).body.nextCode).toBe('');
  });

  it('is letters, digits and dashes, and refused otherwise; nothing is received', async () => {
    for (const packCode of ['abc', '=1+1-2', 'a b c d', 'x'.repeat(41)]) {
      const body = {
        code: 'F-500',
        product: lineOf('L-500'),
        kind: 'pack',
        place: '',
        lengthMm: 1000,
        packCode,
      };
      expect((await ask('POST', '/pieces', body)).status).toBe(400);
    }
    expect((await ask('GET', '/pieces/F-500')).status).toBe(404);
    expect((await pack('a%20b%20c')).status).toBe(400);
  });
});
