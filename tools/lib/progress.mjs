/** An error whose message is meant for the person at the keyboard: printed as it is, without a stack. */
export class Told extends Error {}

/**
 * Runs one long step with a line that says what it is and how long it took.
 * @template T
 * @param {string} what
 * @param {() => Promise<T>} work
 * @returns {Promise<T>}
 */
export async function step(what, work) {
  const begin = Date.now();
  if (process.stdout.isTTY) process.stdout.write(`\r  … ${what}`);
  const line = (/** @type {string} */ mark) => {
    const seconds = ((Date.now() - begin) / 1000).toFixed(1);
    process.stdout.write(`${process.stdout.isTTY ? '\r\u001b[K' : ''}  ${mark} ${what}, ${seconds} s\n`);
  };
  try {
    const result = await work();
    line('✓');
    return result;
  } catch (error) {
    line('✗');
    throw error;
  }
}

/** @param {string} text */
export const say = (text) => process.stdout.write(`${text}\n`);
