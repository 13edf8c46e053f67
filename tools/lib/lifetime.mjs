import { readFileSync } from 'node:fs';
import { setInterval } from 'node:timers';
import { Told } from './progress.mjs';

/** @type {{ work: () => unknown, what: string }[]} */
const endings = [];
let ending = false;

/**
 * Something to be undone at the end, in reverse order.
 * @param {() => unknown} work @param {string} [what] is ended, where that may take a moment
 */
export const atEnd = (work, what = '') => endings.push({ work, what });

/** Ends everything in reverse order, then the process. @param {number} code */
export async function endAll(code) {
  if (ending) return;
  ending = true;
  const named = endings.flatMap(({ what }) => (what === '' ? [] : [what]));
  if (code > 128) process.stdout.write(`\nEnding ${named.reverse().join(', then ') || 'what was begun'}.\n`);
  for (const { work } of endings.reverse()) {
    try {
      await work();
    } catch (error) {
      process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
    }
  }
  if (code > 128) process.stdout.write('All of it has ended.\n');
  process.exit(code);
}

/** Whose child a process is; 0 where that cannot be said. @param {number} pid */
function parentOf(pid) {
  try {
    // The name before it may hold anything, a bracket among it.
    return Number(readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ').at(-1)?.split(' ')[1] ?? 0);
  } catch {
    return 0;
  }
}

/**
 * Runs a command's main work: ends everything on Ctrl-C, on a crash and at the end; tells errors meant for people
 * without a stack.
 * @param {() => Promise<number | undefined>} main the exit code, or undefined to go on until a signal
 */
export function live(main) {
  process.on('SIGINT', () => void endAll(130));
  process.on('SIGTERM', () => void endAll(143));
  process.on('SIGHUP', () => void endAll(129));
  // npm hands a signal on, but cannot when it is killed itself: what it started ends with it.
  if (process.env.npm_lifecycle_event) {
    const shell = process.ppid;
    const npm = parentOf(process.ppid);
    setInterval(() => {
      if (process.ppid !== shell || parentOf(shell) !== npm) void endAll(143);
    }, 1000).unref();
  }
  const fail = (/** @type {unknown} */ error) => {
    process.stderr.write(
      `\n${error instanceof Told ? error.message : String(error instanceof Error ? error.stack : error)}\n`,
    );
    void endAll(1);
  };
  process.on('uncaughtException', fail);
  process.on('unhandledRejection', fail);
  main().then((code) => (code === undefined ? undefined : endAll(code)), fail);
}
