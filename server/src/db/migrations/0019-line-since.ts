import type { Migration } from '../migration';
import { time } from './schema-words';

/** Since when the line of a fill lies there, where it is older than the fill: it stayed on, and only its counter was matched. */
export const lineSince: Migration = {
  name: '0019-line-since',
  statements: [`ALTER TABLE fills ADD ${time('line_since', true)}`],
};
