import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, realpathSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { holderOf, lockFolder } from './folder-lock.mjs';
import { Told } from './progress.mjs';

let folder = '';
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'yard-spool-lock-'))));
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const lockFile = () => join(folder, 'in-use.json');

it('a folder is one process’s at a time, and says where it is used', () => {
  const other = spawn(process.execPath, ['-e', 'setInterval(() => undefined, 1e6)', 'holds-a-folder'], {
    stdio: 'ignore',
  });
  try {
    const held = { pid: other.pid, script: 'holds-a-folder', address: 'http://127.0.0.1:4300' };
    writeFileSync(lockFile(), JSON.stringify({ ...held, folder: realpathSync(folder) }));
    expect(() => lockFolder(folder)).toThrow(Told);
    expect(() => lockFolder(folder)).toThrow(/already running on this folder at http:\/\/127\.0\.0\.1:4300/);
    // The same lock in a copy of the folder holds the one it was made in.
    writeFileSync(lockFile(), JSON.stringify({ ...held, folder: '/elsewhere' }));
    expect(holderOf(folder)).toBeNull();
  } finally {
    other.kill('SIGKILL');
  }
});

it('a lock names its process while it is held, and is gone with it', () => {
  const lock = lockFolder(folder);
  lock.tell('http://127.0.0.1:4300');
  const there = { pid: process.pid, address: 'http://127.0.0.1:4300' };
  expect(JSON.parse(readFileSync(lockFile(), 'utf8'))).toMatchObject(there);
  lock.release();
  expect(existsSync(lockFile())).toBe(false);
});

it('a lock whose process is gone, and one that cannot be read, hold nobody up', () => {
  writeFileSync(
    lockFile(),
    JSON.stringify({ pid: 2 ** 22 + 12345, script: 'start.mjs', address: '', folder }),
  );
  expect(holderOf(folder)).toBeNull();
  writeFileSync(lockFile(), '{"pid":');
  expect(holderOf(folder)).toBeNull();
  lockFolder(folder).release();
});
