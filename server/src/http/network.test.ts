import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Network } from '@yard-spool/contract';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { readConfig } from '../config';
import { TestShop } from '../testing/test-shop';

const NETWORK: Network = { addresses: ['https://shop-desk:4310'], fingerprint: 'AA:BB' };
const folder = mkdtempSync(join(tmpdir(), 'yard-spool-screens-'));
let shop: TestShop;
beforeAll(async () => {
  writeFileSync(join(folder, 'index.html'), '<html><app-root></app-root></html>');
  writeFileSync(join(folder, 'main-ABCD1234.js'), '1');
  writeFileSync(join(folder, 'icon.svg'), '<svg/>');
  shop = await TestShop.open(undefined, { network: NETWORK, names: ['shop-desk'], webFolder: folder });
});
afterAll(async () => {
  await shop.close();
  rmSync(folder, { recursive: true, force: true });
});

/** Asks under a name of its own, which no page can choose and a rebound one brings. */
const under = (host: string): Promise<number> =>
  new Promise((resolve, reject) => {
    const { hostname, port } = new URL(shop.address);
    request({ hostname, port, path: '/api/sign-in', headers: { host } }, (response) => {
      response.resume();
      resolve(response.statusCode ?? 0);
    })
      .on('error', reject)
      .end();
  });

it('the server answers to the names it was told alone', async () => {
  expect(await under('shop-desk:4310')).toBe(200);
  expect(await under('SHOP-DESK')).toBe(200);
  expect(await under('localhost:1')).toBe(200);
  for (const host of ['evil.example', 'shop-desk.evil.example', '127.0.0.1.evil.example:4310'])
    expect([host, await under(host)]).toEqual([host, 403]);
});

it('over HTTPS the session is a cookie no other host sets, and never goes in the clear', async () => {
  const { headers } = await shop.ask('POST', '/session', { name: 'Ada', passcode: 'right-passcode' });
  expect(headers.get('set-cookie')).toMatch(
    /^__Host-yard_spool_session_\d+=.*; Path=\/; .*HttpOnly; Secure; SameSite=Strict/,
  );
  expect(headers.get('strict-transport-security')).toBe('max-age=31536000');
  const cookie = headers.get('set-cookie')?.split(';')[0] ?? '';
  expect((await shop.ask<Network>('GET', '/network', undefined, { cookie })).body).toEqual(NETWORK);
  // The cookie of plain HTTP is none here.
  const plain = cookie.replace('__Host-', '');
  expect((await shop.ask('GET', '/network', undefined, { cookie: plain })).status).toBe(401);
});

it('the page is never kept, by whatever name; what changes its name with its content is', async () => {
  const cached = async (path: string) => (await fetch(`${shop.address}${path}`)).headers.get('cache-control');
  for (const path of ['/', '/bench', '/index.html'])
    expect([path, await cached(path)]).toEqual([path, 'no-store']);
  expect(await cached('/main-ABCD1234.js')).toContain('immutable');
  expect(await cached('/icon.svg')).toBe('no-cache');
});

it('beyond this machine it speaks HTTPS or not at all', () => {
  const env = { YARD_SPOOL_DATABASE: 'mariadb://a:b@127.0.0.1:1/c', YARD_SPOOL_HOST: '0.0.0.0' };
  expect(() => readConfig(env)).toThrow(/HTTPS alone/);
  expect(() => readConfig({ ...env, YARD_SPOOL_DATABASE: 'here' })).toThrow(/^YARD_SPOOL_DATABASE/);
  expect(readConfig({ ...env, YARD_SPOOL_TLS_CERT: 'c', YARD_SPOOL_TLS_KEY: 'k' }).tls).toMatchObject({
    cert: 'c',
  });
});
