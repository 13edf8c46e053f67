import { api, files, streams } from '@yard-spool/contract';
import { USUAL_HOUSE_RULES } from '@yard-spool/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestShop } from '../testing/test-shop';

let shop: TestShop;
beforeAll(async () => {
  shop = await TestShop.open();
});
afterAll(() => shop.close());

/** What is answered to whoever stands at the door. */
const OPEN = new Set<unknown>([
  api.health,
  api.signInSheet,
  api.listCountries,
  api.addFirstPerson,
  api.signIn,
  api.signOut,
  // Into a house that has nobody in it.
  api.importShop,
]);
const routes = Object.values(api).filter((one) => !OPEN.has(one));
const addressOf = (path: string): string => path.replace(/:\w+/g, '1');

describe('every route of the contract', () => {
  it('answers nobody, and no cookie that was made up', async () => {
    expect(routes.length).toBeGreaterThan(50);
    const ways = [
      ...routes.map(({ method, path }) => [method, addressOf(path)] as const),
      ...[...Object.values(files), ...Object.values(streams)].map(({ path }) => ['GET', path] as const),
    ];
    const [name = ''] = (await shop.cookieOf('Ada')).split('=');
    for (const [method, path] of ways)
      for (const cookie of ['', `${name}=`, `${name}=${'A'.repeat(43)}`]) {
        const body = method === 'GET' || method === 'DELETE' ? undefined : {};
        const { status } = await shop.ask(method, path, body, cookie ? { cookie } : {});
        expect([method, path, cookie, status]).toEqual([method, path, cookie, 401]);
      }
  });

  it('that changes something is closed to another site, signed in or not', async () => {
    const cookie = await shop.cookieOf('Ada');
    for (const { method, path } of routes.filter((one) => one.method !== 'GET')) {
      const headers = { cookie, origin: 'https://elsewhere.example' };
      const { status } = await shop.ask(
        method,
        addressOf(path),
        method === 'DELETE' ? undefined : {},
        headers,
      );
      expect([method, path, status]).toEqual([method, path, 403]);
    }
  });

  it('that is a manager’s is closed to a technician', async () => {
    const version = 1;
    const bench = { name: 'Mine', spanMm: 1500, hand: 'right', pedal: '', devices: [] };
    const asked: readonly (readonly [string, string, unknown?])[] = [
      [
        'PUT',
        '/exceptions',
        {
          target: { scope: 'reel', tag: 'R-1' },
          question: 'soak',
          school: 'none',
          why: 'mine',
        },
      ],
      ['DELETE', '/exceptions/1'],
      ['POST', '/benches', bench],
      ['DELETE', '/benches/1'],
      ['POST', '/people', { name: 'Mine', role: 'manager', passcode: 'herring-9' }],
      ['PUT', '/people/1', { version, name: 'Ada', role: 'technician', here: false }],
      ['POST', '/people/1/passcode', { passcode: 'herring-9' }],
      ['GET', '/audit'],
    ];
    const ask = await shop.as('Bo');
    for (const [method, path, body] of asked) {
      const { status } = await ask(method, path, body);
      expect([method, path, status]).toEqual([method, path, 403]);
    }
    const rules = (await ask<Record<string, unknown>>('GET', '/house-rules')).body;
    const { status } = await ask('PUT', '/house-rules', { ...rules, rules: USUAL_HOUSE_RULES });
    expect(status).toBe(403);
  });
});

describe('what is answered', () => {
  it('says what it is, is kept nowhere, runs nothing of another site and stands in no frame', async () => {
    const { headers } = await shop.ask('GET', '/sign-in');
    expect(headers.get('content-type')).toBe('application/json; charset=utf-8');
    expect(headers.get('cache-control')).toBe('no-store');
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('referrer-policy')).toBe('no-referrer');
    expect(headers.get('x-powered-by')).toBeNull();
    expect(headers.get('access-control-allow-origin')).toBeNull();
    const policy = headers.get('content-security-policy') ?? '';
    for (const rule of [
      "default-src 'self'",
      "frame-ancestors 'none'",
      "object-src 'none'",
      "base-uri 'self'",
    ])
      expect(policy).toContain(rule);
    expect(policy).not.toMatch(/unsafe-inline|'unsafe-eval'|https?:/);
  });

  it('to a method nobody offers, or what is no JSON, is a refusal', async () => {
    const cookie = await shop.cookieOf('Ada');
    for (const [method, path] of [
      ['PATCH', '/pieces'],
      ['DELETE', '/bags'],
      ['PUT', '/session'],
    ] as const)
      expect([method, path, (await shop.ask(method, path, {}, { cookie })).status]).toEqual([
        method,
        path,
        404,
      ]);
    const { status } = await shop.ask('POST', '/benches', 'name=Bench', {
      cookie,
      'content-type': 'application/x-www-form-urlencoded',
    });
    expect(status).toBe(400);
    // One name twice in an address is no list to whoever reads one.
    expect((await shop.ask('GET', '/runs?after=1&after=2', undefined, { cookie })).status).toBe(400);
  });
});
