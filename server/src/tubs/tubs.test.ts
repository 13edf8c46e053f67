import type { SavedHouseRules, Piece, Tub } from '@yard-spool/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { codeOf, ledgerOf, lineOf, receive, type Ask } from '../testing/rack';
import { TestShop } from '../testing/test-shop';
import { said } from '../testing/said';

let shop: TestShop;
let ask: Ask;
let bo: Ask;
let now = new Date('2031-03-10T08:00:00.000Z');
const HOUR = 3_600_000;
const later = (hours: number): void => {
  now = new Date(now.getTime() + hours * HOUR);
};
beforeAll(async () => {
  shop = await TestShop.open(() => now);
  ask = await shop.as('Ada');
  bo = await shop.as('Bo');
});
afterAll(() => shop.close());

const tubCalled = async (name: string): Promise<Tub> => (await ask<Tub>('POST', '/tubs', { name })).body;
const tubs = async (): Promise<Tub[]> => (await ask<Tub[]>('GET', '/tubs')).body;

describe('a soak tub', () => {
  it('says what went in when, when it is ready, and what it has taken up', async () => {
    const { id } = await tubCalled('Left');
    await receive(ask, 'T-1', 300);
    const put = await bo<Tub>('POST', `/tubs/${id}/soaks`, { code: 'T-1' });
    expect(put.body.soaks[0]).toMatchObject({ code: 'T-1', by: 'Bo', inAt: now.toISOString() });
    expect(put.body.soaks[0]!.uptake.share).toBe(0);
    const { readyAt, tooLongAt } = put.body.soaks[0]!;
    expect(Date.parse(readyAt) - now.getTime()).toBe(1.5 * HOUR);
    expect(Date.parse(tooLongAt) - now.getTime()).toBe(4 * HOUR);
    later(1.5);
    const [soak] = (await tubs())[0]!.soaks;
    expect(soak!.uptake.share).toBeGreaterThan(0.4);
    expect(soak!.uptake.low).toBeLessThan(soak!.uptake.share);
    expect(said(soak!.advice)).toContain('a strand of 0.25 mm');
  });

  it('marks the piece wherever it appears: in the water, then wet for a day, then dry', async () => {
    const piece = async (): Promise<Piece> => (await ledgerOf(ask, 'T-1')).piece;
    expect((await piece()).soaking?.tub).toBe('Left');
    const soakId = (await tubs())[0]!.soaks[0]!.id;
    await ask('POST', `/soaks/${soakId}/out`, {});
    const out = await piece();
    expect(out.soaking).toBeNull();
    expect(Date.parse(out.wetUntil!) - now.getTime()).toBe(24 * HOUR);
    later(25);
    ask = await shop.as('Ada');
    bo = await shop.as('Bo');
    expect((await piece()).wetUntil).toBeNull();
  });

  it('taken out twice stays as it was the first time', async () => {
    const { id } = await tubCalled('Twice');
    await receive(ask, 'T-2', 300);
    const soak = (await ask<Tub>('POST', `/tubs/${id}/soaks`, { code: 'T-2' })).body.soaks[0]!;
    await ask('POST', `/soaks/${soak.id}/out`, {});
    const first = (await ledgerOf(ask, 'T-2')).piece.wetUntil;
    later(1);
    expect((await ask('POST', `/soaks/${soak.id}/out`, {})).status).toBe(200);
    expect((await ledgerOf(ask, 'T-2')).piece.wetUntil).toBe(first);
    const back = await ask<Tub>('POST', `/soaks/${soak.id}/back`, {});
    expect(back.body.soaks).toMatchObject([{ id: soak.id, inAt: soak.inAt }]);
  });

  it('refuses what is in the water already, what does not soak, and a tub that is not there', async () => {
    const { id } = await tubCalled('Right');
    await receive(ask, 'T-3', 300);
    await ask('POST', `/tubs/${id}/soaks`, { code: 'T-3' });
    const again = await ask('POST', `/tubs/${id}/soaks`, { code: 'T-3' });
    expect(codeOf(again)).toBe('in-the-water');
    expect(again.body.detail).toBe('T-3 is in Right already.');
    await receive(ask, 'T-4', 300, { product: lineOf('L-T4', { material: 'braid' }) });
    expect((await ask('POST', `/tubs/${id}/soaks`, { code: 'T-4' })).body.detail).toContain('Keep it dry');
    expect(codeOf(await ask('POST', '/tubs/999/soaks', { code: 'T-3' }))).toBe('not-found');
    expect(codeOf(await ask('POST', '/tubs', { name: 'Right' }))).toBe('already-exists');
  });

  it('refuses to weigh a wet spool, unless somebody knows it to be dry', async () => {
    const weigh = (dry: boolean) =>
      ask('POST', '/pieces/T-3/weigh', { grossG: 60, tareG: 50, dry, by: 'scale' });
    const refused = await weigh(false);
    expect(codeOf(refused)).toBe('in-the-water');
    expect(refused.body.errors?.[0]?.path).toBe('dry');
    expect((await weigh(true)).status).toBe(200);
  });
});

describe('the house rules', () => {
  const read = async (): Promise<SavedHouseRules> => (await ask<SavedHouseRules>('GET', '/house-rules')).body;

  it('decide how long line lies in the water', async () => {
    const kept = await read();
    const { rules } = kept;
    const changed = await ask('PUT', '/house-rules', { ...kept, rules: { ...rules, soak: 'full-day' } });
    expect(changed.status).toBe(200);
    const { id } = await tubCalled('By rule');
    await receive(ask, 'T-6', 300);
    const soak = (await ask<Tub>('POST', `/tubs/${id}/soaks`, { code: 'T-6' })).body.soaks[0]!;
    expect(Date.parse(soak.readyAt) - now.getTime()).toBe(24 * HOUR);
  });

  it('are a manager’s to change, on the rules as they stand, among the schools there are', async () => {
    const kept = await read();
    const { rules, version } = kept;
    expect(codeOf(await bo('PUT', '/house-rules', kept))).toBe('not-allowed');
    expect(codeOf(await ask('PUT', '/house-rules', { ...kept, version: version - 1 }))).toBe('stale-version');
    const odd = await ask('PUT', '/house-rules', { ...kept, rules: { ...rules, soak: 'forever' } });
    expect(codeOf(odd)).toBe('bad-request');
  });

  it('of a house that does not soak keep everything dry', async () => {
    const kept = await read();
    const { rules } = kept;
    await ask('PUT', '/house-rules', { ...kept, rules: { ...rules, soak: 'none' } });
    const { id } = await tubCalled('Dry');
    await receive(ask, 'T-7', 300);
    expect((await ask('POST', `/tubs/${id}/soaks`, { code: 'T-7' })).body.detail).toContain('does not soak');
  });
});
