import type { Migration } from '../migration';

/** A rule set for one line, customer or reel is an exception, in the books as everywhere. */
export const exceptions: Migration = {
  name: '0008-exceptions',
  statements: ['RENAME TABLE rule_overrides TO rule_exceptions'],
};
