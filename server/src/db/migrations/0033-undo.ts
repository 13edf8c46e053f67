import type { Migration } from '../migration';

/** Line that is taken out of a bin again is an entry of its own, below zero: what was written down stays. */
export const undo: Migration = {
  name: '0033-undo',
  statements: ['ALTER TABLE recyclings MODIFY grams DECIMAL(8,1) NOT NULL, MODIFY tubes SMALLINT NOT NULL'],
};
