import { execFileSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, expect, it } from 'vitest';

const LOCK = join(import.meta.dirname, '..', '..', '..', 'tools', 'lib', 'folder-lock.mjs');
const base = mkdtempSync(join(tmpdir(), 'yard-spool-lock-'));
afterAll(() => {
  rmSync(base, { recursive: true });
});

/** Who holds a folder, as another process sees it: its number, or nothing. */
const holder = (folder: string): string =>
  execFileSync(process.execPath, [
    '--input-type=module',
    '-e',
    `import { holderOf } from ${JSON.stringify(LOCK)}; console.log(holderOf(${JSON.stringify(folder)})?.pid ?? '');`,
  ])
    .toString()
    .trim();

it('a lock that came along with a copied folder holds nobody up', () => {
  const folder = join(base, 'shop');
  const copy = join(base, 'copy');
  execFileSync(process.execPath, [
    '--input-type=module',
    '-e',
    `import { lockFolder } from ${JSON.stringify(LOCK)}; lockFolder(${JSON.stringify(folder)});`,
  ]);
  // As this very process would have written it, which lives.
  const file = join(folder, 'in-use.json');
  const script = process.argv[1]?.split('/').at(-1) ?? 'node';
  const lock = JSON.parse(readFileSync(file, 'utf8')) as object;
  writeFileSync(file, JSON.stringify({ ...lock, pid: process.pid, script }));
  expect(holder(folder)).toBe(String(process.pid));
  cpSync(folder, copy, { recursive: true });
  expect(holder(copy)).toBe('');
});
