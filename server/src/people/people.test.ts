import type { SignInSheet } from '@yard-spool/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestShop } from '../testing/test-shop';

let shop: TestShop;
let now = new Date('2030-01-02T08:00:00.000Z');
beforeAll(async () => {
  shop = await TestShop.open(() => now);
});
afterAll(() => shop.close());

describe('signing in', () => {
  it('lists names, never passcodes', async () => {
    const { body } = await shop.ask<SignInSheet>('GET', '/sign-in');
    expect(body.people.map(({ name }) => name)).toEqual(['Ada', 'Bo']);
    expect(JSON.stringify(body)).not.toMatch(/passcode|scrypt|hash/);
  });

  it('refuses everything else to nobody', async () => {
    for (const path of ['/bags', '/pieces', '/session', '/runs/1', '/nothing-here']) {
      const { status, body, headers } = await shop.ask('GET', path);
      expect([path, status, body.code]).toEqual([path, 401, 'not-signed-in']);
      expect(headers.get('content-type')).toContain('application/problem+json');
    }
  });

  it('refuses a wrong passcode and an unknown name alike', async () => {
    const wrong = await shop.ask('POST', '/session', { name: 'Ada', passcode: 'wrong-one' });
    const unknown = await shop.ask('POST', '/session', { name: 'Nobody', passcode: 'wrong-one' });
    expect(wrong.status).toBe(401);
    expect(wrong.body).toEqual(unknown.body);
  });

  it('gives an HttpOnly, SameSite cookie and knows who it belongs to', async () => {
    const { headers } = await shop.ask('POST', '/session', { name: 'Ada', passcode: 'right-passcode' });
    expect(headers.get('set-cookie')).toMatch(/HttpOnly; SameSite=Strict/);
    const ask = await shop.as('Bo');
    expect((await ask('GET', '/session')).body).toMatchObject({ name: 'Bo', role: 'technician' });
  });

  it('ends with signing out, and by itself after its hours', async () => {
    const ask = await shop.as('Ada');
    await ask('DELETE', '/session');
    expect((await ask('GET', '/session')).status).toBe(401);
    const later = await shop.as('Ada');
    now = new Date(now.getTime() + 17 * 3_600_000);
    expect((await later('GET', '/session')).status).toBe(401);
  });

  it('takes a first person only while there is nobody', async () => {
    const { status, body } = await shop.ask('POST', '/sign-in/first', {
      name: 'Intruder',
      passcode: 'herring-9',
    });
    expect([status, body.code]).toEqual([403, 'not-allowed']);
  });

  it('refuses a change asked for by another site', async () => {
    const body = { name: 'Ada', passcode: 'right-passcode' };
    const foreign = await shop.ask('POST', '/session', body, { origin: 'http://elsewhere.example' });
    expect([foreign.status, foreign.body.code]).toEqual([403, 'not-allowed']);
    const own = await shop.ask('POST', '/session', body, { origin: shop.address });
    expect(own.status).toBe(200);
  });

  it('says what is wrong with what cannot be read', async () => {
    expect((await shop.ask('POST', '/session', '{"name":')).body).toMatchObject({
      status: 400,
      code: 'bad-request',
    });
    const { body } = await shop.ask('POST', '/session', { passcode: 'x' });
    expect(body.errors?.[0]?.path).toBe('name');
  });

  // Last, for it uses the tries up.
  it('lets nobody try on and on', async () => {
    const tries = [];
    for (let i = 0; i < 12; i += 1)
      tries.push((await shop.ask('POST', '/session', { name: 'Ada', passcode: `guess-${i}` })).status);
    expect(tries.at(-1)).toBe(429);
  });
});
