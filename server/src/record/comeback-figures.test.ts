import type { Comeback, ComebackFigures, Fill, Reel, Run, Tub } from '@yard-spool/contract';
import { expect, it } from 'vitest';
import { filledReel } from '../testing/filled';
import { inShop } from '../testing/in-shop';
import type { Ask } from '../testing/rack';
import type { TestShop } from '../testing/test-shop';

let shop: TestShop;
let ask: Ask;
inShop('Bo', (opened) => ({ shop, ask } = opened));

const figures = async (): Promise<ComebackFigures> =>
  (await ask<ComebackFigures>('GET', '/comebacks/figures')).body;
const saw = { complaint: 'breaks', saw: 'parted in mid-line' };
const comesBack = async ({ id }: Fill): Promise<Comeback> =>
  (await ask<Comeback>('POST', `/fills/${id}/comebacks`, saw)).body;

it('a comeback keeps what it turned out to be, by which looks, and whether it was cured; the rates move with it', async () => {
  const [run, fill] = await filledReel(shop, ask, 'F1');
  const back = await comesBack(fill);
  expect(back).toMatchObject({ fault: null, second: null, looks: [], worked: null });
  const looks = [
    { look: 'where', answer: 'middle' },
    { look: 'rings', answer: 'catches' },
  ];
  const told = {
    ...saw,
    cause: 'the-reel',
    found: 'a nick',
    did: 'new line',
    fault: 'rings',
    second: 'worn',
    looks,
  };
  const change = (body: object) => ask<Comeback>('PUT', `/comebacks/${back.id}`, body);
  expect((await change({ ...told, version: 1, worked: null })).body).toMatchObject({ ...told, worked: null });
  const { type } = (await ask<Reel>('GET', `/reels/${run.job.tag}`)).body;
  const seen = [
    { type, fault: 'rings', count: 1 },
    { type, fault: 'worn', count: 1 },
  ];
  expect((await figures()).seen.toSorted((a, b) => a.fault.localeCompare(b.fault))).toEqual(seen);
  const [month] = (await figures()).months.slice(-1);
  expect(month?.causes).toEqual([{ cause: 'the-reel', count: 1 }]);
  // What did not cure it was not it.
  expect((await change({ ...told, version: 2, worked: false })).body.worked).toBe(false);
  expect((await figures()).seen).toEqual([]);
  expect((await change({ ...told, version: 3, fault: 'gremlins' })).status).toBe(400);
  expect((await change({ ...told, version: 3, second: 'rings' })).status).toBe(400);
  expect((await change({ ...told, version: 3, cause: null })).status).toBe(400);
  expect((await change({ ...told, version: 3, looks: [{ look: 'tea', answer: 'cold' }] })).status).toBe(400);
});

it('a lot of which more came back than chance allows is told, with its reels, those that came back first', async () => {
  const filled: [Run, Fill][] = [];
  for (let i = 0; i < 11; i += 1) filled.push(await filledReel(shop, ask, `G${String(i)}`));
  for (const i of [0, 1, 2, 3])
    await shop.force(({ tables }) => tables.pieces.changeAll({ lot: 'LOT-9' }, { code: `G${String(i)}-26` }));
  for (const [, fill] of filled.slice(0, 3)) await comesBack(fill);
  const { standsOut } = await figures();
  expect(standsOut.map(({ what, name, filled: of, back }) => [what, name, of, back])).toEqual([
    ['lot', 'LOT-9', 4, 3],
  ]);
  expect(standsOut[0]?.odds).toBeGreaterThan(20);
  expect(standsOut[0]?.reels.map(({ tag, back }) => [tag, back])).toEqual([
    ...[2, 1, 0].map((i) => [filled[i]![0].job.tag, true]),
    [filled[3]![0].job.tag, false],
  ]);
}, 60_000);

it('line that was in the water while it was wound, or came out within a day before, is known to have gone on wet', async () => {
  const [run, { closedAt }] = await filledReel(shop, ask, 'W1');
  const { body: tub } = await ask<Tub>('POST', '/tubs', { name: 'Left' });
  await ask('POST', `/tubs/${tub.id}/soaks`, { code: 'W1-26' });
  const hours = (count: number): Date => new Date(Date.parse(closedAt) + count * 3_600_000);
  const wetWhere = async (inAt: Date, outAt: Date | null): Promise<boolean[]> => {
    await shop.force(({ tables }) => tables.soaks.changeAll({ inAt, outAt }, {}));
    const { body } = await ask<Reel>('GET', `/reels/${run.job.tag}`);
    return body.fills[0]!.layers.map(({ wet }) => wet);
  };
  const wet = (await wetWhere(hours(-1), null)).indexOf(true);
  expect(wet).toBeGreaterThanOrEqual(0);
  expect((await wetWhere(hours(-30), hours(-20)))[wet]).toBe(true);
  expect(await wetWhere(hours(-30), hours(-26))).not.toContain(true);
  expect(await wetWhere(hours(1), null)).not.toContain(true);
});
