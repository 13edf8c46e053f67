import { mkdtempSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { get } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import express from 'express';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { packed } from './packed';
import { screens } from './screens';

const folder = mkdtempSync(join(tmpdir(), 'yard-spool-packed-'));
const script = 'const turns = 1;\n'.repeat(400);
const app = express();
const server = createServer(app);

beforeAll(async () => {
  writeFileSync(join(folder, 'index.html'), `<app-root></app-root>${' '.repeat(2000)}`);
  writeFileSync(join(folder, 'chunk-ABCDEFGH.js'), script);
  writeFileSync(join(folder, 'chunk-ABCDEFGH.js.gz'), gzipSync(script));
  writeFileSync(join(folder, 'plain-ABCDEFGH.js'), script);
  app.use(packed);
  app.get('/api/list', (_request, response) => void response.json(Array.from({ length: 500 }, () => 'line')));
  app.get('/api/file', (_request, response) => {
    response.attachment('list.json').type('application/json').send(JSON.stringify(script));
  });
  app.get('/api/live', (_request, response) => {
    response.writeHead(200, { 'content-type': 'text/event-stream' });
    response.write('data: one\n\n');
  });
  app.use(screens(folder));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
});
afterAll(() => server.close());

/** What comes back as it is on the wire, up to its first part where the answer does not end. */
const ask = (path: string, accept = 'gzip') =>
  new Promise<{ encoding: string; kept: string; bytes: Buffer }>((resolve, reject) => {
    const { port } = server.address() as AddressInfo;
    const asked = get({ port, path, headers: { 'accept-encoding': accept } }, (response) => {
      const parts: Buffer[] = [];
      const done = (): void => {
        const { 'content-encoding': encoding = '', 'cache-control': kept = '' } = response.headers;
        resolve({ encoding, kept, bytes: Buffer.concat(parts) });
        asked.destroy();
      };
      response.on('data', (part: Buffer) => {
        parts.push(part);
        if (path === '/api/live') done();
      });
      response.on('end', done);
    });
    asked.on('error', reject);
  });

describe('what goes over the wire', () => {
  it('is packed where it is told at once', async () => {
    const list = await ask('/api/list');
    expect([list.encoding, (JSON.parse(gunzipSync(list.bytes).toString()) as unknown[]).length]).toEqual([
      'gzip',
      500,
    ]);
    expect((await ask('/')).encoding).toBe('gzip');
    expect((await ask('/api/list', 'identity')).encoding).toBe('');
  });

  it('is as it is where it is told as it happens, or is a file', async () => {
    const live = await ask('/api/live');
    expect([live.encoding, live.bytes.toString()]).toEqual(['', 'data: one\n\n']);
    expect((await ask('/api/file')).encoding).toBe('');
  });

  it('of the screens was packed as they were built, and is kept for good like the file itself', async () => {
    const { encoding, kept, bytes } = await ask('/chunk-ABCDEFGH.js');
    expect([encoding, kept, gunzipSync(bytes).toString()]).toEqual([
      'gzip',
      'public, max-age=31536000, immutable',
      script,
    ]);
    expect((await ask('/chunk-ABCDEFGH.js', 'identity')).bytes.toString()).toBe(script);
    expect((await ask('/plain-ABCDEFGH.js')).encoding).toBe('');
  });
});
