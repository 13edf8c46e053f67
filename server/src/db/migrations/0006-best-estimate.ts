import type { Migration } from '../migration';

/** The record as the best estimate of what lies on a reel, and what closed fills have taught. */
export const bestEstimate: Migration = {
  name: '0006-best-estimate',
  statements: [
    `ALTER TABLE fill_layers ADD likely_low_mm BIGINT NULL, ADD likely_high_mm BIGINT NULL, ADD rests_on JSON NULL`,
    'ALTER TABLE fills ADD lesson JSON NULL',
    `CREATE TABLE learned (
      scope ENUM('kind', 'line', 'hand', 'print') NOT NULL,
      name VARCHAR(160) COLLATE utf8mb4_bin NOT NULL,
      median DOUBLE NOT NULL,
      sd DOUBLE NOT NULL CHECK (sd > 0),
      fills INT UNSIGNED NOT NULL,
      learned_at DATETIME(3) NOT NULL,
      PRIMARY KEY (scope, name)
    )`,
  ],
};
