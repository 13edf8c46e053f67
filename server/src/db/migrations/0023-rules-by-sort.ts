import type { Migration } from '../migration';

/** A rule may be set for a type of reel, for what its main line is made of, or for both. */
export const rulesBySort: Migration = {
  name: '0023-rules-by-sort',
  statements: [
    `ALTER TABLE rule_exceptions
      MODIFY scope ENUM('type', 'material', 'material-on-type', 'line', 'customer', 'reel') NOT NULL,
      ADD sort VARCHAR(40) NULL AFTER scope,
      ADD UNIQUE (sort, question),
      ADD CHECK ((scope IN ('type', 'material', 'material-on-type')) = (sort IS NOT NULL))`,
  ],
};
