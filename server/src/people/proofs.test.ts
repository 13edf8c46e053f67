import { api, asksAgain, type BegunStep, type SavedHouseRules, type Member } from '@yard-spool/contract';
import { generate } from 'otplib';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { codeOf } from '../testing/rack';
import { TestShop } from '../testing/test-shop';

const START = new Date('2031-04-25T09:00:00.000Z');
const PASSCODE = 'right-passcode';
let now = START;
let shop: TestShop;
beforeAll(async () => {
  shop = await TestShop.open(() => now, { proofMinutes: 10 });
});
beforeEach(() => void (now = new Date(now.getTime() + 3_600_000)));
afterAll(() => shop.close());
const later = (minutes: number): void => void (now = new Date(now.getTime() + minutes * 60_000));

describe('a manager’s act', () => {
  const wren = { name: 'Wren', role: 'technician', passcode: 'herring-gull-9' };

  it('asks for the passcode again ten minutes after it was typed, and changes nothing before', async () => {
    const ada = await shop.as('Ada');
    later(9);
    expect((await ada('POST', '/people', wren)).status).toBe(200);
    later(2);
    const next = { ...wren, name: 'Rail' };
    const refused = await ada('POST', '/people', next);
    expect([refused.status, codeOf(refused)]).toEqual([403, 'passcode-again']);
    const { body: rules } = await ada<SavedHouseRules>('GET', '/house-rules');
    expect(codeOf(await ada('PUT', '/house-rules', rules))).toBe('passcode-again');
    expect(codeOf(await ada('GET', '/shop-file'))).toBe('passcode-again');
    expect((await ada<Member[]>('GET', '/people')).body.map(({ name }) => name)).not.toContain('Rail');

    const wrong = await ada('POST', '/session/again', { passcode: 'left-passcode' });
    expect([wrong.status, codeOf(wrong)]).toEqual([401, 'wrong-passcode']);
    expect(codeOf(await ada('POST', '/people', next))).toBe('passcode-again');
    expect((await ada('POST', '/session/again', { passcode: PASSCODE })).status).toBe(200);
    expect((await ada('POST', '/people', next)).status).toBe(200);
    later(11);
    expect(codeOf(await ada('POST', '/people', { ...wren, name: 'Coot' }))).toBe('passcode-again');
  });

  it('asks at the screen it is done at: another one’s proof is none', async () => {
    const one = await shop.as('Ada');
    const other = await shop.as('Ada');
    later(11);
    await one('POST', '/session/again', { passcode: PASSCODE });
    expect(codeOf(await other('PUT', '/people/2', {}))).toBe('passcode-again');
    expect(codeOf(await one('PUT', '/people/2', {}))).toBe('bad-request');
  });

  it('is all that asks: everybody’s own work goes on', async () => {
    const ada = await shop.as('Ada');
    const bo = await shop.as('Bo');
    later(60);
    for (const ask of [ada, bo]) {
      expect((await ask('GET', '/bags?group=waiting')).status).toBe(200);
      expect(
        (await ask('POST', '/recycling', { stream: 'nylon', grams: 5, tubes: 0, piece: null })).status,
      ).toBe(200);
    }
    expect(codeOf(await bo('POST', '/people', wren))).toBe('not-allowed');
    // One's own passcode is changed with the one that holds now.
    const own = await ada('POST', '/people/1/passcode', { passcode: 'kittiwake-77-bay', now: PASSCODE });
    expect(own.status).toBe(200);
    await ada('POST', '/people/1/passcode', { passcode: PASSCODE, now: 'kittiwake-77-bay' });
  });

  it('is every act that only a manager may do', () => {
    const all = Object.values(api).filter((one) => asksAgain(one));
    expect(all.map(({ method, path }) => `${method} ${path}`).sort()).toEqual([
      'DELETE /benches/:id',
      'DELETE /calendar',
      'DELETE /exceptions/:id',
      'DELETE /people/:id/second-step',
      'POST /benches',
      'POST /calendar',
      'POST /people',
      'POST /people/:id/passcode',
      'POST /people/:id/second-step',
      'PUT /benches/:id',
      'PUT /exceptions',
      'PUT /house-rules',
      'PUT /people/:id',
      'PUT /unread',
    ]);
  });

  it('is guessed at eight times and no more', async () => {
    const ada = await shop.as('Ada');
    const tries = [];
    for (let i = 0; i < 10; i++)
      tries.push((await ada('POST', '/session/again', { passcode: `guess-${String(i)}` })).status);
    expect(tries.slice(-2)).toEqual([429, 429]);
  });
});

describe('a second step', () => {
  const codeNow = (secret: string): Promise<string> =>
    generate({ secret, epoch: Math.floor(now.getTime() / 1000) });
  const signIn = (more: object = {}) =>
    shop.ask('POST', '/session', { name: 'Ada', passcode: PASSCODE, ...more });

  it('is on once a code was typed, is asked for at signing in, and no code is taken twice', async () => {
    const ada = await shop.as('Ada');
    const { body: begun } = await ada<BegunStep>('POST', '/people/1/second-step', {});
    expect(begun.address).toMatch(/^otpauth:\/\/totp\/.*Ada.*secret=/);
    // Begun and not confirmed, it locks nobody out.
    expect((await signIn()).status).toBe(200);
    const missed = await ada('PUT', '/people/1/second-step', { code: '000000' });
    expect(codeOf(missed)).toBe('code-needed');
    const first = await codeNow(begun.secret);
    const on = await ada<Member>('PUT', '/people/1/second-step', { code: first });
    expect([on.status, on.body.secondStep]).toEqual([200, true]);

    const without = await signIn();
    expect([without.status, codeOf(without)]).toEqual([401, 'code-needed']);
    expect(codeOf(await signIn({ passcode: 'wrong-one', code: first }))).toBe('wrong-passcode');
    expect(codeOf(await signIn({ code: first }))).toBe('code-needed');
    later(1);
    const code = await codeNow(begun.secret);
    const both = await Promise.all([
      signIn({ code }),
      signIn({ code: `${code.slice(0, 3)} ${code.slice(3)}` }),
    ]);
    expect(both.map(({ status }) => status).sort()).toEqual([200, 401]);
    later(2);
    expect(codeOf(await signIn({ code }))).toBe('code-needed');
    expect((await signIn({ code: await codeNow(begun.secret) })).status).toBe(200);

    later(60);
    const stale = await ada('DELETE', '/people/1/second-step');
    expect(codeOf(stale)).toBe('passcode-again');
  });

  it('is ended by a manager, and nobody begins one for another', async () => {
    await shop.force(({ tables }) =>
      tables.people.changeAll({ stepSecret: null, stepLast: null }, { id: 1 }),
    );
    const ada = await shop.as('Ada');
    const bo = await shop.as('Bo');
    expect(codeOf(await bo('POST', '/people/2/second-step', {}))).toBe('not-allowed');
    expect(codeOf(await ada('POST', '/people/2/second-step', {}))).toBe('not-allowed');
    const { body: begun } = await ada<BegunStep>('POST', '/people/1/second-step', {});
    await ada('PUT', '/people/1/second-step', { code: await codeNow(begun.secret) });
    expect((await signIn()).status).toBe(401);
    const ended = await ada<Member>('DELETE', '/people/1/second-step');
    expect(ended.body.secondStep).toBeUndefined();
    expect((await signIn()).status).toBe(200);
    expect(codeOf(await ada('PUT', '/people/1/second-step', { code: '123456' }))).toBe('not-found');
  });
});
