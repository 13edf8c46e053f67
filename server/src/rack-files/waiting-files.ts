import { mkdir, lstat, readdir, readFile, rename } from 'node:fs/promises';
import { join } from 'node:path';
import { isWaitingName, MOST_FILE_BYTES, type WaitingFile } from '@yard-spool/contract';
import { ProblemError } from '../problem-error';
import type { ServerContext } from '../context/context';

/** Where files go that were imported, within the inbox. */
const DONE = 'imported';
/** So many are shown: whoever has more imports some first. */
const MOST_SHOWN = 100;

type Inbox = Pick<ServerContext, 'inboxFolder' | 'clock'>;

const gone = (name: string): ProblemError =>
  new ProblemError('not-found', `${name} is not in the inbox folder any more.`);

/** A file's size and time where it is one to be imported: no folder, no link. */
async function fileAt(folder: string, name: string): Promise<WaitingFile | null> {
  if (!isWaitingName(name)) return null;
  try {
    const found = await lstat(join(folder, name));
    if (!found.isFile()) return null;
    return { name, bytes: found.size, at: found.mtime.toISOString() };
  } catch {
    return null;
  }
}

/** What waits to be imported, the latest first. No folder is no file. */
export async function listWaitingFiles({ inboxFolder }: Inbox): Promise<WaitingFile[]> {
  if (inboxFolder === undefined) return [];
  const names = await readdir(inboxFolder).catch((): string[] => []);
  const found = await Promise.all(names.map((name) => fileAt(inboxFolder, name)));
  const files = found.filter((file) => file !== null);
  return files.sort((a, b) => b.at.localeCompare(a.at) || a.name.localeCompare(b.name)).slice(0, MOST_SHOWN);
}

/** The bytes of a file that waits, whatever its encoding. */
export async function readWaitingFile({ inboxFolder }: Inbox, name: string): Promise<{ base64: string }> {
  const file = inboxFolder === undefined ? null : await fileAt(inboxFolder, name);
  if (inboxFolder === undefined || !file) throw gone(name);
  if (file.bytes > MOST_FILE_BYTES)
    throw new ProblemError('bad-request', `${name} is too large: 3 MB at most. Import it in parts.`);
  return { base64: (await readFile(join(inboxFolder, name))).toString('base64') };
}

/** Puts a file that was imported out of the way, under the moment it was: nothing of the shop's is thrown away. */
export async function putAwayFile({ inboxFolder, clock }: Inbox, name: string): Promise<object> {
  if (inboxFolder === undefined || !(await fileAt(inboxFolder, name))) throw gone(name);
  const folder = join(inboxFolder, DONE);
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const moment = clock().toISOString().replaceAll(':', '.');
  await rename(join(inboxFolder, name), join(folder, `${moment} ${name}`));
  return {};
}
