import type { HouseChange, Member } from '@yard-spool/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestShop } from '../testing/test-shop';

let shop: TestShop;
let ada: Awaited<ReturnType<TestShop['as']>>;
let bo: typeof ada;
beforeAll(async () => {
  shop = await TestShop.open();
  ada = await shop.as('Ada');
  bo = await shop.as('Bo');
});
afterAll(() => shop.close());

const member = async (name: string): Promise<Member> =>
  (await ada<Member[]>('GET', '/people')).body.find((one) => one.name === name)!;
const change = async (name: string, more: object) => {
  const { id, version, role } = await member(name);
  return ada<Member & { code?: string }>('PUT', `/people/${id}`, {
    version,
    name,
    role,
    here: true,
    ...more,
  });
};
const signIn = (name: string, passcode: string) => shop.ask('POST', '/session', { name, passcode });

describe('people', () => {
  it('are added by a manager and can sign in', async () => {
    const added = await ada<Member>('POST', '/people', {
      name: 'Cai',
      role: 'technician',
      passcode: 'tern-99',
    });
    expect(added.body).toMatchObject({ name: 'Cai', role: 'technician', left: null });
    expect((await signIn('Cai', 'tern-99')).status).toBe(200);
  });

  it('are added by nobody else, and not twice by one name', async () => {
    const body = { name: 'Dov', role: 'technician', passcode: 'tern-99' };
    expect((await bo('POST', '/people', body)).body.code).toBe('not-allowed');
    expect((await ada('POST', '/people', { ...body, name: 'Cai' })).body.code).toBe('already-exists');
    expect((await ada('POST', '/people', { ...body, passcode: '1' })).body.errors?.[0]?.path).toBe(
      'passcode',
    );
  });

  it('that leave cannot sign in, are signed out, keep their name, and may come back', async () => {
    await change('Bo', { here: false });
    expect((await bo('GET', '/session')).status).toBe(401);
    expect((await signIn('Bo', 'right-passcode')).body.code).toBe('wrong-passcode');
    const sheet = await shop.ask<{ people: { name: string }[] }>('GET', '/sign-in');
    expect(sheet.body.people.map(({ name }) => name)).not.toContain('Bo');
    expect((await member('Bo')).left).not.toBeNull();
    await change('Bo', { here: true });
    bo = await shop.as('Bo');
    expect((await bo('GET', '/session')).status).toBe(200);
  });

  it('that were changed meanwhile are not changed on an older look', async () => {
    const { id, version } = await member('Cai');
    await change('Cai', { role: 'manager' });
    const stale = await ada('PUT', `/people/${id}`, { version, name: 'Cai', role: 'technician', here: true });
    expect(stale.body.code).toBe('stale-version');
    await change('Cai', { role: 'technician' });
  });
});

describe('the last manager', () => {
  it('cannot be made a technician and cannot leave', async () => {
    expect((await change('Ada', { role: 'technician' })).body.code).toBe('last-manager');
    expect((await change('Ada', { here: false })).body.code).toBe('last-manager');
    expect(await member('Ada')).toMatchObject({ role: 'manager', left: null });
  });

  it('stays even when two managers leave at the same moment', async () => {
    await change('Cai', { role: 'manager' });
    const answers = await Promise.all([change('Ada', { here: false }), change('Cai', { here: false })]);
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
    const managers = await shop.context.tables.people.count({ where: { role: 'manager', leftAt: null } });
    expect(managers).toBe(1);
    await shop.force(({ tables }) => tables.people.changeAll({ leftAt: null }, { name: ['Ada', 'Cai'] }));
    ada = await shop.as('Ada');
  });
});

describe('a passcode', () => {
  it('of one’s own is changed with the one that holds now', async () => {
    const { id } = await member('Bo');
    const wrong = await bo('POST', `/people/${id}/passcode`, { passcode: 'new-one', now: 'guess' });
    expect([wrong.body.code, wrong.body.errors?.[0]?.path]).toEqual(['wrong-passcode', 'now']);
    expect(
      (await bo('POST', `/people/${id}/passcode`, { passcode: 'new-one', now: 'right-passcode' })).status,
    ).toBe(200);
    expect((await signIn('Bo', 'new-one')).status).toBe(200);
    expect((await bo('GET', '/session')).status).toBe(200);
  });

  it('of somebody else is a manager’s to set, ends their sessions, and is written down without itself', async () => {
    const { id } = await member('Bo');
    const { id: ownId } = await member('Ada');
    expect((await bo('POST', `/people/${ownId}/passcode`, { passcode: 'mine-now' })).body.code).toBe(
      'not-allowed',
    );
    await ada('POST', `/people/${id}/passcode`, { passcode: 'set-for-bo' });
    expect((await bo('GET', '/session')).status).toBe(401);
    const [latest] = (await ada<HouseChange[]>('GET', '/house-rules/changes')).body;
    expect(latest).toMatchObject({ about: 'Bo', is: 'A new passcode', by: 'Ada' });
    expect(JSON.stringify(latest)).not.toContain('set-for-bo');
  });
});
