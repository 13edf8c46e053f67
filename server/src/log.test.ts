import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, expect, it, vi } from 'vitest';
import { openLog } from './log';

const folder = mkdtempSync(join(tmpdir(), 'yard-spool-log-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

it('tells what went wrong and where, in none of the words people typed, to its owner alone', async () => {
  const logFile = join(folder, 'server.log');
  const log = openLog({ logFile, logLevel: 'info' });
  const parent = Object.assign(new Error("Duplicate entry 'Nell Harrow'"), {
    errno: 1062,
    sql: 'INSERT … Nell Harrow',
  });
  log.error(
    { err: Object.assign(new Error("Nell Harrow's quay"), { parent, sql: 'Nell Harrow' }) },
    'request failed',
  );
  await vi.waitFor(() => expect(readFileSync(logFile, 'utf8')).toContain('request failed'), 30_000);
  const text = readFileSync(logFile, 'utf8');
  expect(text).not.toContain('Nell');
  expect(text).toContain('1062');
  expect(text).toContain('log.test.ts');
  expect(statSync(logFile).mode & 0o777).toBe(0o600);
});
