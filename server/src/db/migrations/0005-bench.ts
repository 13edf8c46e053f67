import type { Migration } from '../migration';

/** Runs that are opened again, how a reel's seat works, and what old line went where. */
export const bench: Migration = {
  name: '0005-bench',
  statements: [
    'ALTER TABLE reels ADD seat_reversed BOOLEAN NOT NULL DEFAULT FALSE',
    `ALTER TABLE moves MODIFY kind
      ENUM('received', 'filled', 'tail', 'found', 'counted', 'weighed', 'recycled', 'written-off', 'taken-back') NOT NULL`,
    'ALTER TABLE fills ADD taken_back_at DATETIME(3) NULL',
    'ALTER TABLE fills ADD INDEX (run_id, taken_back_at)',
    'ALTER TABLE fills DROP INDEX run_id',
    'ALTER TABLE fills ADD depths JSON NULL',
    "UPDATE fills SET depths = '[]'",
    'ALTER TABLE fills MODIFY depths JSON NOT NULL',
    `ALTER TABLE fill_layers MODIFY role ENUM('backing', 'main', 'cushion', 'top-shot', 'kept') NOT NULL`,
    'ALTER TABLE recyclings ADD run_id INT UNSIGNED NULL, ADD FOREIGN KEY (run_id) REFERENCES runs (id)',
  ],
};
