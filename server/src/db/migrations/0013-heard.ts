import type { Migration } from '../migration';

/** What was heard of a counter outlasts a restart of the server: a jump is asked about after it too. */
export const heard: Migration = {
  name: '0013-heard',
  statements: ['ALTER TABLE counters ADD heard JSON NULL'],
};
