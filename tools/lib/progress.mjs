import { clearInterval, setInterval } from 'node:timers';

/** An error whose message is meant for the person at the keyboard: printed as it is, without a stack. */
export class Told extends Error {}

/**
 * Runs one long step with a line that says what it is from its first moment, how long it has been at it, and how long it
 * took.
 * @template T
 * @param {string} what
 * @param {() => Promise<T>} work
 * @param {string} [usually] how long it takes most often, in words, where that is long
 * @returns {Promise<T>}
 */
export async function step(what, work, usually = '') {
  const begin = Date.now();
  const hint = usually === '' ? '' : ` (${usually})`;
  const show = () => {
    const seconds = Math.floor((Date.now() - begin) / 1000);
    process.stdout.write(`\r\u001b[K  … ${what}${hint}${seconds > 0 ? `, ${seconds} s` : ''}`);
  };
  // Where nobody looks at a screen each line is written once, the long ones at their beginning too.
  if (process.stdout.isTTY) show();
  else if (usually !== '') process.stdout.write(`  … ${what}${hint}\n`);
  const ticking = process.stdout.isTTY ? setInterval(show, 1000) : undefined;
  const line = (/** @type {string} */ mark) => {
    clearInterval(ticking);
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
