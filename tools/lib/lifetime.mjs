import { Told } from './progress.mjs';

/** @type {(() => unknown)[]} */
const endings = [];
let ending = false;

/** Something to be undone at the end, in reverse order. @param {() => unknown} work */
export const atEnd = (work) => endings.push(work);

/** Ends everything in reverse order, then the process. @param {number} code */
export async function endAll(code) {
  if (ending) return;
  ending = true;
  for (const work of endings.reverse()) {
    try {
      await work();
    } catch (error) {
      process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
    }
  }
  process.exit(code);
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
