import { execFileSync } from 'node:child_process';
import { X509Certificate } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { createServer, type Server as HttpServer } from 'node:http';
import { createServer as createSecureServer, get as getSecure } from 'node:https';
import { connect as connectPlain, type AddressInfo, type Server } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { connect as connectSecure, type ConnectionOptions } from 'node:tls';
import { pino } from 'pino';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { frontDoor } from './front-door';
import { createPlainApp } from './plain-app';
import { STRONG } from './tls';

const TOOLS = join(import.meta.dirname, '..', '..', '..', 'tools', 'lib');
const folder = mkdtempSync(join(tmpdir(), 'yard-spool-tls-'));
const NAMES = ['shop-desk', 'shop-desk.local', '192.168.3.4', 'localhost', '127.0.0.1'];

/** What the starter does, as the starter does it: in plain Node. */
function tool(from: string, expression: string): unknown {
  const code = `import * as t from ${JSON.stringify(join(TOOLS, from))}; console.log(JSON.stringify(await (${expression})));`;
  return JSON.parse(execFileSync(process.execPath, ['--input-type=module', '-e', code]).toString());
}
interface Made {
  readonly cert: string;
  readonly key: string;
  readonly authority: string;
  readonly fingerprint: string;
}
const certificateFor = (names: readonly string[], at = folder): Made =>
  tool('certificate.mjs', `t.certificateFor(${JSON.stringify(at)}, ${JSON.stringify(names)}, {})`) as Made;

let made: Made;
let door: Server;
let port: number;
const servers: HttpServer[] = [];
beforeAll(async () => {
  made = certificateFor(NAMES);
  const secure = createSecureServer(
    { cert: readFileSync(made.cert), key: readFileSync(made.key), ...STRONG },
    (_request, response) => void response.end('the shop'),
  );
  const authority = readFileSync(made.authority, 'utf8');
  const log = pino({ level: 'silent' });
  const plain = createServer(createPlainApp({ names: NAMES, authority, log }));
  servers.push(secure, plain);
  door = frontDoor(secure, plain);
  await new Promise<void>((resolve) => door.listen(0, '127.0.0.1', resolve));
  ({ port } = door.address() as AddressInfo);
});
afterAll(() => {
  door.close();
  for (const one of servers) one.closeAllConnections();
  rmSync(folder, { recursive: true, force: true });
});

/** Asks as a device that knows the authority, and no other. */
const asks = (servername: string, more: ConnectionOptions = {}): Promise<string> =>
  new Promise((resolve) => {
    const ca = readFileSync(made.authority);
    getSecure({ host: '127.0.0.1', port, path: '/', ca, servername, agent: false, ...more }, (response) => {
      response.setEncoding('utf8');
      response.on('data', (text: string) => resolve(text));
    }).on('error', (error) => resolve(`${(error as NodeJS.ErrnoException).code ?? ''} ${error.message}`));
  });
const http = (path: string, init: RequestInit = {}) =>
  fetch(`http://127.0.0.1:${String(port)}${path}`, { redirect: 'manual', ...init });

describe('the shop’s own authority', () => {
  it('is known to a device that installed it, by each of the shop’s names and by no other', async () => {
    for (const name of ['shop-desk', 'shop-desk.local', 'localhost'])
      expect([name, await asks(name)]).toEqual([name, 'the shop']);
    expect(await asks('elsewhere.example')).toContain('ERR_TLS_CERT_ALTNAME_INVALID');
  });

  it('is kept over starts and new addresses, where only its owner reads it', () => {
    const again = certificateFor([...NAMES, '10.1.2.3', 'other.local']);
    expect(again.fingerprint).toBe(made.fingerprint);
    const now = new X509Certificate(readFileSync(again.cert));
    expect(now.checkIP('10.1.2.3')).toBe('10.1.2.3');
    expect(now.verify(new X509Certificate(readFileSync(again.authority)).publicKey)).toBe(true);
    for (const file of [made.key, join(folder, 'authority-key.pem')])
      expect(statSync(file).mode & 0o077).toBe(0);
  });

  it('is another where it could not vouch for a name, and where its key cannot be read', () => {
    const elsewhere = mkdtempSync(join(tmpdir(), 'yard-spool-tls-'));
    const first = certificateFor(['shop-desk'], elsewhere);
    const named = certificateFor(['shop-desk', 'shop.example'], elsewhere);
    expect(named.fingerprint).not.toBe(first.fingerprint);
    expect(certificateFor(['shop-desk'], elsewhere).fingerprint).toBe(named.fingerprint);
    rmSync(join(elsewhere, 'authority-key.pem'));
    expect(certificateFor(['shop-desk'], elsewhere).fingerprint).not.toBe(named.fingerprint);
    rmSync(elsewhere, { recursive: true });
  });

  it('cannot stand for anybody on the internet, even with its key in the wrong hands', async () => {
    const names = ['bank.example', '203.0.113.9'];
    const forged = tool(
      'authority.mjs',
      `t.certify(await t.shopAuthority(${JSON.stringify(folder)}, ${JSON.stringify(NAMES)}), ${JSON.stringify(names)})`,
    ) as { certificate: string; key: string };
    const bank = createSecureServer({ cert: forged.certificate, key: forged.key }, (_request, response) => {
      response.end('your money');
    });
    servers.push(bank);
    await new Promise<void>((resolve) => bank.listen(0, '127.0.0.1', resolve));
    const at = (bank.address() as AddressInfo).port;
    expect(await asks('bank.example', { port: at })).toContain('permitted subtree violation');
    bank.close();
  });
});

describe('the shop’s port in its network', () => {
  it('leads whoever types it without https to https, and does nothing that was asked for in the clear', async () => {
    const led = await http('/bags?find=heron');
    expect([led.status, led.headers.get('location')]).toEqual([
      307,
      `https://127.0.0.1:${String(port)}/bags?find=heron`,
    ]);
    const asked = await http('/api/session', { method: 'POST', body: '{}' });
    expect([asked.status, await asked.json()]).toMatchObject([403, { code: 'not-allowed' }]);
  });

  it('has a page with the certificate and its fingerprint, and the bytes of it', async () => {
    const page = await http('/certificate');
    expect(page.status).toBe(200);
    const text = await page.text();
    expect(text.replaceAll('<wbr>', '')).toContain(made.fingerprint);
    expect(text).toContain(`https://127.0.0.1:${String(port)}/`);
    expect(page.headers.get('content-security-policy')).toContain("script-src 'self'");
    const file = await http(/href="([^"]+\.crt)"/.exec(text)![1]!);
    expect(file.headers.get('content-type')).toBe('application/x-x509-ca-cert');
    const got = new X509Certificate(Buffer.from(await file.arrayBuffer()));
    expect([got.fingerprint256, got.ca]).toEqual([made.fingerprint, true]);
  });

  it('answers to its own names alone in plain HTTP too', async () => {
    const status = await new Promise<string>((resolve) => {
      const socket = connectPlain(port, '127.0.0.1', () => {
        socket.write('GET /certificate HTTP/1.1\r\nHost: evil.example\r\nConnection: close\r\n\r\n');
      });
      socket.once('data', (data: Buffer) => resolve(data.toString().split('\r\n')[0] ?? ''));
    });
    expect(status).toBe('HTTP/1.1 403 Forbidden');
  });

  it('speaks no TLS before 1.2 and no CBC; what is modern is spoken', async () => {
    expect(await asks('shop-desk', { maxVersion: 'TLSv1.1', minVersion: 'TLSv1' })).not.toBe('the shop');
    const only = (ciphers: string): ConnectionOptions => ({ maxVersion: 'TLSv1.2', ciphers });
    for (const cbc of ['ECDHE-ECDSA-AES128-SHA', 'ECDHE-ECDSA-AES256-SHA384', 'ECDHE-ECDSA-AES128-SHA256'])
      expect([cbc, await asks('shop-desk', only(cbc))]).not.toContain('the shop');
    for (const modern of ['ECDHE-ECDSA-AES128-GCM-SHA256', 'ECDHE-ECDSA-CHACHA20-POLY1305'])
      expect([modern, await asks('shop-desk', only(modern))]).toEqual([modern, 'the shop']);
    const protocol = await new Promise<string | null>((resolve) => {
      const socket = connectSecure(
        { port, host: '127.0.0.1', servername: 'shop-desk', ca: readFileSync(made.authority) },
        () => {
          resolve(socket.getProtocol());
          socket.destroy();
        },
      );
    });
    expect(protocol).toBe('TLSv1.3');
  });

  it('is not stopped by who connects and says nothing, rubbish, or half of it', async () => {
    const strangers = ['', '\x00\x01', '\x16\x03', 'GET / HT'].map((text) => {
      const socket = connectPlain(port, '127.0.0.1').on('error', () => undefined);
      if (text !== '') socket.write(text, 'latin1');
      return socket;
    });
    expect(await asks('shop-desk')).toBe('the shop');
    for (const socket of strangers) socket.resetAndDestroy();
    expect(await asks('shop-desk')).toBe('the shop');
  });
});
