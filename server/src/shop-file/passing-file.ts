import { mkdtemp, readdir, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Whose it is stands in its name: the process that will remove it. */
const PREFIX = 'yard-spool-passing-';

/** Does something with a file that is there no longer than that. */
export async function withPassingFile<T>(work: (file: string) => Promise<T>, within = tmpdir()): Promise<T> {
  const folder = await mkdtemp(join(within, `${PREFIX}${String(process.pid)}-`));
  try {
    return await work(join(folder, 'shop.jsonl.gz'));
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** Whether a process is there, anybody's. */
function isThere(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}

/**
 * Removes what a process that was ended left behind half-way: whole shops, with everybody's names in them.
 *
 * @returns how many were removed
 */
export async function clearPassingFiles(within = tmpdir()): Promise<number> {
  const left = (await readdir(within)).filter((name) => {
    const [, pid] = new RegExp(`^${PREFIX}(\\d+)-`).exec(name) ?? [];
    return pid !== undefined && !isThere(Number(pid));
  });
  // Somebody else's on the same machine cannot be removed, and is not ours to.
  await Promise.all(
    left.map((name) => rm(join(within, name), { recursive: true, force: true }).catch(() => undefined)),
  );
  return left.length;
}
