import {
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { MOST_FILE_BYTES } from '@yard-spool/contract';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { listWaitingFiles, putAwayFile, readWaitingFile } from './waiting-files';

let folder: string;
const clock = () => new Date('2031-04-25T09:30:00.000Z');
const inbox = () => ({ inboxFolder: join(folder, 'inbox'), clock });
const put = (name: string, text: string | Buffer, minute = 0): void => {
  const file = join(folder, 'inbox', name);
  writeFileSync(file, text);
  const at = new Date(Date.UTC(2031, 3, 25, 8, minute));
  utimesSync(file, at, at);
};
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'yard-spool-'));
  mkdirSync(join(folder, 'inbox'));
});
afterEach(() => {
  rmSync(folder, { recursive: true });
});

describe('the inbox folder', () => {
  it('shows what can be imported, the latest first, and nothing else that lies there', async () => {
    put('Delivery of this morning.csv', 'code,product\n', 1);
    put('päckchen.JSON', '[]', 5);
    put('Lieferung #3, 50 %.csv', 'x', 7);
    put('notes.txt', 'x');
    put('.hidden.csv', 'x');
    mkdirSync(join(folder, 'inbox', 'folder.csv'));
    writeFileSync(join(folder, 'secret.csv'), 'code');
    symlinkSync(join(folder, 'secret.csv'), join(folder, 'inbox', 'link.csv'));
    expect(await listWaitingFiles(inbox())).toEqual([
      { name: 'Lieferung #3, 50 %.csv', bytes: 1, at: '2031-04-25T08:07:00.000Z' },
      { name: 'päckchen.JSON', bytes: 2, at: '2031-04-25T08:05:00.000Z' },
      { name: 'Delivery of this morning.csv', bytes: 13, at: '2031-04-25T08:01:00.000Z' },
    ]);
  });

  it('gives a file’s bytes as they are, and nothing that lies elsewhere', async () => {
    const bytes = Buffer.from([0xff, 0xfe, 0x00, 0x41]);
    put('odd.csv', bytes);
    writeFileSync(join(folder, 'secret.csv'), 'code');
    symlinkSync(join(folder, 'secret.csv'), join(folder, 'inbox', 'link.csv'));
    const { base64 } = await readWaitingFile(inbox(), 'odd.csv');
    expect(Buffer.from(base64, 'base64')).toEqual(bytes);
    for (const name of [
      '../secret.csv',
      'link.csv',
      '/etc/hostname.csv',
      'imported/x.csv',
      'gone.csv',
      '..csv',
    ])
      await expect(readWaitingFile(inbox(), name)).rejects.toMatchObject({ code: 'not-found' });
  });

  it('shows a file that is too large, and refuses to read it in a sentence', async () => {
    put('large.csv', Buffer.alloc(MOST_FILE_BYTES + 1));
    expect(await listWaitingFiles(inbox())).toMatchObject([{ name: 'large.csv' }]);
    await expect(readWaitingFile(inbox(), 'large.csv')).rejects.toMatchObject({
      code: 'bad-request',
      message: expect.stringContaining('3 MB at most') as string,
    });
  });

  it('keeps what was imported out of the way, also two of one name', async () => {
    for (const text of ['first', 'second']) {
      put('pieces.csv', text);
      const later = { ...inbox(), clock: () => new Date(text === 'first' ? 0 : 1000) };
      expect(await putAwayFile(later, 'pieces.csv')).toEqual({});
    }
    expect(await listWaitingFiles(inbox())).toEqual([]);
    const kept = join(folder, 'inbox', 'imported');
    expect(readdirSync(kept).map((name) => readFileSync(join(kept, name), 'utf8'))).toEqual([
      'first',
      'second',
    ]);
    await expect(putAwayFile(inbox(), 'pieces.csv')).rejects.toMatchObject({ code: 'not-found' });
  });

  it('that is not there, or that nobody named, is empty', async () => {
    expect(await listWaitingFiles({ clock })).toEqual([]);
    expect(await listWaitingFiles({ inboxFolder: join(folder, 'nowhere'), clock })).toEqual([]);
    await expect(readWaitingFile({ clock }, 'a.csv')).rejects.toMatchObject({ code: 'not-found' });
  });
});
