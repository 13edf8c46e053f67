import { parseArgs } from 'node:util';
import { Told } from './progress.mjs';

/**
 * What a command was given; what it does not know is told in a sentence.
 * @template {import('node:util').ParseArgsConfig} T
 * @param {string} usage how it is called @param {T} config
 */
export function askedFor(usage, config) {
  try {
    return parseArgs(config);
  } catch (error) {
    const why = error instanceof Error ? error.message.split('. ')[0] : String(error);
    throw new Told(`${why}. It is called like this: ${usage}`);
  }
}
