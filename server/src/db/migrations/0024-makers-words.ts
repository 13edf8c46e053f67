import type { Migration } from '../migration';

/** What its maker says of a line, as it stands on box and spool. */
export const makersWords: Migration = {
  name: '0024-makers-words',
  statements: ['ALTER TABLE products ADD maker JSON NULL'],
};
