import { FILE_COLUMNS, type ImportResult } from '@yard-spool/contract';
import type { MakerWords, Piece, Problem, Product, SearchHit, Tub } from '@yard-spool/contract';
import { describe, expect, it } from 'vitest';
import { booking, receiveTwo } from '../testing/bookings';
import type { Ask } from '../testing/rack';
import type { TestShop } from '../testing/test-shop';
import { inShop } from '../testing/in-shop';
import { said } from '../testing/said';

let shop: TestShop;
let ask: Ask;
inShop('Bo', (opened) => ({ shop, ask } = opened));

const SAID: MakerWords = {
  soakHours: 2.5,
  labelSide: 'down',
  strength: '20 lb test',
  diameter: '.012"',
  says: 'Wet before you fish it',
};
const NOTHING: MakerWords = { soakHours: null, labelSide: null, strength: '', diameter: '', says: '' };
const BULK = {
  kind: 'bulk',
  place: '',
  lengthMm: 100_000,
  lot: '',
  priceMinor: null,
  tareG: null,
  flangeMm: null,
  coreMm: null,
  wound: 'unknown',
  leaves: 'unknown',
  newOn: null,
  fromReel: null,
  packCode: null,
};
const productOf = async (code: string): Promise<Product> =>
  (await ask<{ piece: Piece }>('GET', `/pieces/${code}`)).body.piece.product;
const pathOf = (body: object): string | undefined => (body as Partial<Problem>).errors?.[0]?.path;
const write = (id: number, words: object) => ask<Product>('PUT', `/products/${String(id)}/maker`, words);

const importProducts = async (text: string): Promise<ImportResult> => {
  const base64 = Buffer.from(text).toString('base64');
  const file = { what: 'products', format: 'csv', base64, preview: false };
  return (await ask<ImportResult>('POST', '/rack-files', file)).body;
};

describe('what its maker says of a line', () => {
  it('is on every piece of it, is found by what is printed, and is taken away with nothing', async () => {
    const { main } = await receiveTwo(ask, 500, 'MW');
    expect('maker' in main.product).toBe(false);
    expect((await write(main.product.id, SAID)).body.maker).toEqual(SAID);
    expect((await productOf(main.code)).maker).toEqual(SAID);
    const { body } = await ask<{ hits: SearchHit[] }>('GET', '/search?q=20%20lb%20test');
    expect(body.hits.some((hit) => hit.kind === 'line' && hit.code === main.product.code)).toBe(true);
    expect('maker' in (await write(main.product.id, NOTHING)).body).toBe(false);
    expect('maker' in (await productOf(main.code))).toBe(false);
  });

  it('is how long it soaks in the tub, before what the house does', async () => {
    const { main } = await receiveTwo(ask, 500, 'MS');
    await write(main.product.id, SAID);
    const tub = (await (await shop.as('Ada'))<Tub>('POST', '/tubs', { name: 'Maker' })).body;
    const soak = (code: string) => ask<Tub>('POST', `/tubs/${String(tub.id)}/soaks`, { code });
    const soaked = (await soak(main.code)).body.soaks[0]!;
    expect(Date.parse(soaked.readyAt) - Date.parse(soaked.inAt)).toBe(2.5 * 3_600_000);
    expect(said(soaked.advice)).toMatch(/^2\.5 h in water/);
    expect(soaked.why).toMatch(/^Its maker says 2\.5 h/);
    await write(main.product.id, { ...SAID, soakHours: 0 });
    await ask('POST', '/pieces', { ...BULK, code: 'MS-27', product: { id: main.product.id } });
    const dry = (await soak('MS-27')).body as { detail?: string };
    expect(dry.detail).toContain('Its maker says not to soak it');
  });

  it('goes along to the bench with its supply', async () => {
    const pieces = await receiveTwo(ask, 900, 'MB');
    await write(pieces.main.product.id, SAID);
    const { body: bag } = await ask<{ jobs: { id: number }[] }>('POST', '/bags', booking(pieces));
    const asked = { jobId: bag.jobs[0]!.id, benchId: 1 };
    const { body: run } = await ask<{ supplies: { layer: string; maker?: MakerWords }[] }>(
      ...(['POST', '/runs', asked] as const),
    );
    expect(run.supplies.find(({ layer }) => layer === 'main')?.maker).toEqual(SAID);
    expect(run.supplies.find(({ layer }) => layer === 'backing')?.maker).toBeUndefined();
  });

  it('of line that takes up no water has no soak; too many hours and strange sides are refused', async () => {
    const fluoro = { name: 'Pale fluoro', material: 'fluorocarbon', diameter: 0.3, tint: '#aabbcc' };
    const receive = (maker: MakerWords) =>
      ask<Piece>('POST', '/pieces', {
        ...BULK,
        code: 'MF-1',
        product: { ...fluoro, code: 'MW-F', strengthKg: null, maker },
      });
    const wet = await receive(SAID);
    expect([wet.status, pathOf(wet.body)]).toEqual([400, 'product.maker']);
    const { body: taken } = await receive({ ...SAID, soakHours: null });
    expect(taken.product.maker?.labelSide).toBe('down');
    const refused = await write(taken.product.id, SAID);
    expect([refused.status, pathOf(refused.body)]).toEqual([400, 'soakHours']);
    expect((await productOf('MF-1')).maker?.soakHours).toBeNull();
    for (const wrong of [
      { soakHours: 73 },
      { soakHours: -1 },
      { labelSide: 'left' },
      { says: 'x'.repeat(201) },
    ])
      expect((await write(taken.product.id, { ...NOTHING, ...wrong })).status).toBe(400);
    expect((await write(999_999, NOTHING)).status).toBe(404);
  });

  it('takes what a line’s maker says, and a file without those columns as well', async () => {
    const head = `${FILE_COLUMNS.products.join(',')}\n`;
    const rows = `FM-30,Said,nylon,0.3,,#aabbcc,3,up,20 lb,.31 mm,Wet it\nFM-31,Unsaid,nylon,0.3,,#aabbcc,,,,,\n`;
    expect(await importProducts(head + rows)).toMatchObject({ taken: true, errors: [] });
    const { products } = shop.context.tables;
    expect((await products.findOne({ where: { code: 'FM-30' } }))?.maker).toEqual({
      soakHours: 3,
      labelSide: 'up',
      strength: '20 lb',
      diameter: '.31 mm',
      says: 'Wet it',
    });
    expect((await products.findOne({ where: { code: 'FM-31' } }))?.maker).toBeNull();
    const wrong = await importProducts(
      `${head}FM-32,Dry,braid,0.3,,#aabbcc,3,,,,\nFM-33,Odd,nylon,0.3,,#aabbcc,99,left,,,\n`,
    );
    expect(wrong.errors.map(({ row, column }) => [row, column])).toEqual([
      [2, 'soak_hours'],
      [3, 'soak_hours'],
      [3, 'label_side'],
    ]);
  });
});
