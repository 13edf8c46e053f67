import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, expect, it, vi } from 'vitest';
import { UnfitReply } from './http/unfit-reply';
import { openLog } from './log';

const folder = mkdtempSync(join(tmpdir(), 'yard-spool-log-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

it('tells what went wrong and where, in none of the words people typed, to its owner alone', async () => {
  const logFile = join(folder, 'server.log');
  const log = await openLog({ logFile, logLevel: 'info' });
  const parent = Object.assign(new Error("Duplicate entry 'Nell Harrow'"), {
    errno: 1062,
    sql: "INSERT INTO `customers` (`name`) VALUES ('Nell Harrow')",
  });
  log.error(
    {
      err: Object.assign(new Error("Nell Harrow's quay"), {
        parent,
        sql: 'Nell Harrow',
        table: 'customers',
        index: 'customers_name',
        fields: { name: 'Nell Harrow' },
      }),
      route: 'POST /bags',
    },
    'request failed',
  );
  log.error({ err: new UnfitReply('GET /rack', 'rows.3.newOn') }, 'request failed');
  await vi.waitFor(() => expect(readFileSync(logFile, 'utf8')).toContain('rows.3'), 30_000);
  const text = readFileSync(logFile, 'utf8');
  expect(text).not.toContain('Nell');
  const [first, second] = text
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as { err: object });
  expect(first).toMatchObject({
    route: 'POST /bags',
    err: {
      table: 'customers',
      key: 'customers_name',
      fields: ['name'],
      cause: { errno: 1062, table: 'customers' },
    },
  });
  expect(second!.err).toMatchObject({ message: 'The reply of GET /rack does not fit: rows.3.newOn' });
  expect(text).toContain('log.test.ts');
  expect(statSync(logFile).mode & 0o777).toBe(0o600);
});
