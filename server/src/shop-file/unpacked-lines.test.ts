import { existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { afterAll, describe, expect, it } from 'vitest';
import { clearPassingFiles, withPassingFile } from './passing-file';
import { MOST_OF_A_FILE, unpackedLines } from './unpacked-lines';

const folder = mkdtempSync(join(tmpdir(), 'yard-spool-'));
afterAll(() => rmSync(folder, { recursive: true }));

const packed = (name: string, text: string | Buffer): string => {
  const file = join(folder, name);
  writeFileSync(file, gzipSync(text));
  return file;
};
async function read(file: string, most?: { line: number; all: number }): Promise<string[]> {
  const lines: string[] = [];
  for await (const line of unpackedLines(file, most)) lines.push(line);
  return lines;
}

describe('a packed file', () => {
  it('is read line by line, whatever the lines hold', async () => {
    const lines = ['{"a":1}', '["\u2028\u2029é","x\\r"]', '', 'z'.repeat(100_000), 'the end'];
    expect(await read(packed('whole', `${lines.join('\n')}\n`))).toEqual(lines);
    expect(await read(packed('no-end', lines.join('\n')))).toEqual(lines);
  });

  it('that grows without end in one line, or in all, is left as soon as that is seen', async () => {
    const grows = 'This file grows beyond what a shop’s file can be when it is unpacked.';
    const bomb = packed('bomb', Buffer.alloc(2 * MOST_OF_A_FILE.line, 'a'));
    await expect(read(bomb)).rejects.toThrow(grows);
    await expect(read(packed('lines', 'ab\n'.repeat(5000)), { line: 10, all: 9000 })).rejects.toThrow(grows);
    await expect(
      read(packed('long', `ab\n${'x'.repeat(11)}\nab\n`), { line: 10, all: 9000 }),
    ).rejects.toThrow(grows);
  });

  it('that is none, is broken or is not there is said to be so', async () => {
    const plain = join(folder, 'plain');
    writeFileSync(plain, 'not packed');
    await expect(read(plain)).rejects.toThrow('This is no file of a shop: those are made by a backup');
    const cut = join(folder, 'cut');
    writeFileSync(cut, gzipSync('x'.repeat(5000)).subarray(0, 30));
    await expect(read(cut)).rejects.toThrow('ends too early');
    await expect(read(join(folder, 'none'))).rejects.toThrow('There is no file');
  });
});

describe('a file on its way', () => {
  it('is gone when the work is done, however it ended', async () => {
    const at = join(folder, 'passing');
    mkdirSync(at);
    const there = await withPassingFile((file) => {
      writeFileSync(file, 'x');
      return Promise.resolve(file);
    }, at);
    expect(existsSync(there)).toBe(false);
    await expect(withPassingFile(() => Promise.reject(new Error('no')), at)).rejects.toThrow('no');
    expect(readdirSync(at)).toEqual([]);
  });

  it('that an ended process left behind is removed, and no other', async () => {
    const at = join(folder, 'left');
    // No machine has so many processes.
    for (const name of [
      'yard-spool-passing-99999999-abc',
      `yard-spool-passing-${String(process.pid)}-abc`,
      'other',
    ])
      mkdirSync(join(at, name), { recursive: true });
    writeFileSync(join(at, 'yard-spool-passing-99999999-abc', 'shop.jsonl.gz'), 'names');
    expect(await clearPassingFiles(at)).toBe(1);
    expect(readdirSync(at).sort()).toEqual(['other', `yard-spool-passing-${String(process.pid)}-abc`]);
  });
});
