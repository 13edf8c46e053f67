import type { Audit, SavedHouseRules, Member, SignedIn } from '@yard-spool/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Ask } from '../testing/rack';
import { TestShop } from '../testing/test-shop';
import { TODAYS_COST } from '../context/passcode-cost';
import { checkPasscode, hashPasscode, isOfAnotherCost } from './passcode';
import { SESSIONS_TOPIC } from './sessions';

const MINUTE = 60_000;
let shop: TestShop;
let now = new Date('2031-03-01T08:00:00.000Z');
let ada: Ask;
let bo: Ask;
beforeAll(async () => {
  shop = await TestShop.open(() => now);
  ada = await shop.as('Ada');
  bo = await shop.as('Bo');
});
afterAll(() => shop.close());

const later = (minutes: number): void => {
  now = new Date(now.getTime() + minutes * MINUTE);
};

describe('a session', () => {
  it('ends when it was not used for as long as the house says, and not while it is', async () => {
    const { body: rules } = await ada<SavedHouseRules>('GET', '/house-rules');
    await ada('PUT', '/house-rules', { ...rules, idleMinutes: 30 });
    const used = await shop.as('Ada');
    const idle = await shop.as('Ada');
    later(20);
    expect((await used('GET', '/session')).status).toBe(200);
    later(20);
    expect([(await used('GET', '/session')).status, (await idle('GET', '/session')).status]).toEqual([
      200, 401,
    ]);
    ada = await shop.as('Ada');
    bo = await shop.as('Bo');
  });

  it('that is none rings nobody: signing out without one makes no stream look again', async () => {
    let runChanged = 0;
    const heard = (): void => {
      runChanged += 1;
    };
    shop.context.notifier.on(SESSIONS_TOPIC, heard);
    for (let i = 0; i < 3; i += 1) expect((await shop.ask('DELETE', '/session')).status).toBe(200);
    expect(runChanged).toBe(0);
    const cookie = await shop.cookieOf('Bo');
    await shop.ask('DELETE', '/session', undefined, { cookie });
    expect(runChanged).toBe(1);
    // The same one again is none any more.
    await shop.ask('DELETE', '/session', undefined, { cookie });
    expect(runChanged).toBe(1);
    shop.context.notifier.off(SESSIONS_TOPIC, heard);
  });

  it('is listed with its device, one’s own for everybody, all for a manager, and can be ended from elsewhere', async () => {
    const lost = await shop.as('Bo');
    expect((await bo<SignedIn[]>('GET', '/sessions')).body.every(({ name }) => name === 'Bo')).toBe(true);
    const mine = (await ada<SignedIn[]>('GET', '/sessions')).body;
    expect(mine.filter(({ here }) => here)).toHaveLength(1);
    expect(mine.some(({ name }) => name === 'Bo')).toBe(true);
    expect(mine[0]?.place).toContain('at 127.0.0.1');
    expect(JSON.stringify(mine)).not.toMatch(/[0-9a-f]{64}/);
    for (const { key } of mine.filter(({ name }) => name === 'Bo')) await ada('DELETE', `/sessions/${key}`);
    expect((await lost('GET', '/session')).status).toBe(401);
    const adas = mine.find(({ name }) => name === 'Ada');
    bo = await shop.as('Bo');
    expect((await bo('DELETE', `/sessions/${adas!.key}`)).status).toBe(404);
  });

  it('takes what is told live with it: at sign-out at once, and from no other site’s page', async () => {
    const signedIn = await shop.ask('POST', '/session', { name: 'Bo', passcode: 'right-passcode' });
    const cookie = signedIn.headers.get('set-cookie')?.split(';')[0] ?? '';
    const foreign = await shop.ask('GET', '/live?runs=1:0', undefined, {
      cookie,
      origin: 'http://elsewhere.example',
    });
    expect([foreign.status, foreign.body.code]).toEqual([403, 'not-allowed']);
    const stream = await fetch(`${shop.address}/api/live?runs=1:0`, { headers: { cookie } });
    const ended = stream.text();
    await shop.ask('DELETE', '/session', undefined, { cookie });
    expect(await ended).toContain(':');
  });
});

describe('a passcode', () => {
  it('is none of the first anybody would try, and not the name it belongs to', async () => {
    const add = async (passcode: string) =>
      (await ada('POST', '/people', { name: 'Herring', role: 'technician', passcode })).status;
    for (const passcode of [
      'short',
      '123456',
      'PASSWORD',
      'aaaaaa',
      'abcdefg',
      '987654',
      'herring',
      'Herring7',
    ])
      expect([passcode, await add(passcode)]).toEqual([passcode, 400]);
    expect(await add('gannet-over-7')).toBe(200);
    const { body: people } = await ada<Member[]>('GET', '/people');
    const { id } = people.find(({ name }) => name === 'Herring')!;
    expect((await ada('POST', `/people/${id}/passcode`, { passcode: 'herring1' })).status).toBe(400);
  });

  it('costs what it should today, and one kept at less is hashed again when it is next typed', async () => {
    const kept = await hashPasscode('gannet-over-7', TODAYS_COST);
    expect(kept).toMatch(/^scrypt\$32768,8,3\$/);
    expect(await checkPasscode('gannet-over-7', kept)).toBe(true);
    expect(await checkPasscode('gannet-over-8', kept)).toBe(false);
    const first = (await hashPasscode('right-passcode', { N: 16_384, r: 8, p: 1 })).replace('16384,8,1$', '');
    expect(isOfAnotherCost(first, TODAYS_COST)).toBe(true);
    await shop.force(({ tables }) => tables.people.changeAll({ passcodeHash: first }, { name: 'Bo' }));
    bo = await shop.as('Bo');
    expect((await bo('GET', '/session')).status).toBe(200);
    const row = await shop.context.tables.people.findOne({ where: { name: 'Bo' } });
    expect(row!.passcodeHash).toMatch(/^scrypt\$1024,8,1\$/);
  });

  it('guessed at for one name locks that name there, and nobody else', async () => {
    const tryOn = async (name: string, passcode: string) =>
      (await shop.ask('POST', '/session', { name, passcode })).status;
    const tries = [];
    for (let i = 0; i < 10; i += 1) tries.push(await tryOn('Bo', `guess-${i}`));
    expect(tries.at(-1)).toBe(429);
    expect(await tryOn('Ada', 'right-passcode')).toBe(200);
  });
});

describe('the audit trail', () => {
  it('tells a manager of sign-ins, failures, exports and role changes, and nobody else', async () => {
    await ada('GET', '/rack-files?what=pieces&format=csv');
    const { body: people } = await ada<Member[]>('GET', '/people');
    const herring = people.find(({ name }) => name === 'Herring')!;
    await ada('PUT', `/people/${herring.id}`, { ...herring, here: true, role: 'manager' });
    await shop.ask('POST', '/session', { name: 'my-secret-passcode', passcode: 'x' });
    const { body: trail } = await ada<Audit[]>('GET', '/audit');
    const kinds = new Set(trail.map(({ kind }) => kind));
    for (const kind of [
      'signed-in',
      'sign-in-failed',
      'signed-out',
      'session-ended',
      'exported',
      'person-changed',
    ])
      expect([kind, kinds.has(kind as Audit['kind'])]).toEqual([kind, true]);
    expect(trail.find(({ kind }) => kind === 'exported')?.what).toBe('pieces, csv');
    expect(trail.find(({ kind }) => kind === 'person-changed')?.what).toContain(
      'technician to Herring, manager',
    );
    // What was typed for a name may be a passcode.
    expect(JSON.stringify(trail)).not.toContain('my-secret');
    expect((await bo('GET', '/audit')).status).toBe(403);
  });
});
