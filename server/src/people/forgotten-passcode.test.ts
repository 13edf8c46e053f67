import { execFile } from 'node:child_process';
import { join } from 'node:path';
import type { Audit } from '@yard-spool/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestShop } from '../testing/test-shop';
import { CannotSet, setForgotten } from './forgotten-passcode';

const ROOT = join(import.meta.dirname, '..', '..', '..');
let shop: TestShop;
beforeAll(async () => {
  shop = await TestShop.open();
});
afterAll(() => shop.close());

const signIn = async (name: string, passcode: string): Promise<number> =>
  (await shop.ask('POST', '/session', { name, passcode })).status;

/** The command as npm starts it; the passcode comes over standard input. */
const command = (name: string, passcode: string): Promise<{ code: number; said: string }> =>
  new Promise((resolve) => {
    const address = new URL(process.env.YARD_SPOOL_TEST_DATABASE ?? '');
    address.pathname = `/${shop.name}`;
    const env = { ...process.env, YARD_SPOOL_DATABASE: address.href };
    const child = execFile(
      'node',
      [join(ROOT, 'tools', 'passcode.mjs'), name],
      { env },
      (error, out, problems) => {
        resolve({ code: error ? Number(error.code ?? 1) : 0, said: `${out}${problems}` });
      },
    );
    child.stdin?.end(`${passcode}\n`);
  });

describe('a passcode that was forgotten', () => {
  it('is set on the shop’s own machine: the old one and every session end, and it is written down', async () => {
    const before = await shop.as('Ada');
    expect(await setForgotten(shop.context, { name: ' ADA ', passcode: 'herring-gull-9' })).toEqual({
      name: 'Ada',
      role: 'manager',
    });
    expect((await before('GET', '/session')).status).toBe(401);
    expect(await signIn('Ada', 'herring-gull-9')).toBe(200);
    const cookie = (await shop.ask('POST', '/session', { name: 'Ada', passcode: 'herring-gull-9' })).headers
      .get('set-cookie')!
      .split(';')[0]!;
    const { body } = await shop.ask<Audit[]>('GET', '/audit', undefined, { cookie });
    expect(body.find(({ kind }) => kind === 'passcode-set')).toMatchObject({
      name: 'Ada',
      place: 'the shop’s machine',
      what: 'Ada',
    });
    expect(JSON.stringify(body)).not.toContain('herring-gull');
  });

  it('is refused for nobody, and where it is none that would be taken on the screen', async () => {
    const refusal = (name: string, passcode: string): Promise<string> =>
      setForgotten(shop.context, { name, passcode }).then(
        () => '',
        (error: unknown) => (error instanceof CannotSet ? error.message : 'another error'),
      );
    expect(await refusal('Zed', 'herring-gull-8')).toBe('Nobody here is called Zed. These are: Ada, Bo.');
    expect(await refusal('Bo', 'short')).toContain('at least 6 characters');
    expect(await refusal('Bo', 'password1')).toContain('first anybody would try');
    expect(await refusal('Bo', 'bo-123456')).toContain('not the name it belongs to');
    await shop.as('Bo');
  });

  it('by the command, from a pipe; what is wrong is one sentence', { timeout: 120_000 }, async () => {
    expect(await command('Bo', 'kittiwake-77')).toEqual({
      code: 0,
      said: 'Bo, technician, has a new passcode, and is signed out everywhere.\n',
    });
    expect(await signIn('Bo', 'kittiwake-77')).toBe(200);
    const nobody = await command('Zed', 'kittiwake-77');
    expect(nobody.code).toBe(1);
    expect(nobody.said.trim()).toBe('Nobody here is called Zed. These are: Ada, Bo.');
  });
});
