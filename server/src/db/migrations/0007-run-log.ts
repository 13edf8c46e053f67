import type { Migration } from '../migration';
import { ref, table } from './schema-words';

const A_BENCH = "1500, 'right', '[]'";

/**
 * Runs refer to benches by number, so that a bench can be renamed; a bench knows which run stands at it and its counter
 * which run it counts. A log's events lie by run and place, as they are read.
 */
export const runLog: Migration = {
  name: '0007-run-log',
  statements: [
    `INSERT INTO benches (name, span_mm, hand, devices)
      SELECT bench, ${A_BENCH} FROM runs WHERE bench NOT IN (SELECT name FROM benches) GROUP BY bench`,
    `INSERT INTO benches (name, span_mm, hand, devices)
      SELECT 'Bench 1', ${A_BENCH} FROM DUAL WHERE NOT EXISTS (SELECT 1 FROM benches)`,
    'ALTER TABLE benches ADD removed BOOLEAN NOT NULL DEFAULT FALSE',
    `ALTER TABLE runs ADD ${ref('bench_id', 'benches', true).replace(', FOREIGN', ', ADD FOREIGN')}`,
    'UPDATE runs JOIN benches ON benches.name = runs.bench SET runs.bench_id = benches.id',
    'ALTER TABLE runs MODIFY bench_id INT UNSIGNED NOT NULL, DROP COLUMN bench, ADD INDEX (state, bench_id)',
    // A pointer without a key of its own: checking it would lock a run that is another change's.
    'ALTER TABLE benches ADD run_id INT UNSIGNED NULL',
    `UPDATE benches SET run_id =
      (SELECT MAX(runs.id) FROM runs WHERE runs.bench_id = benches.id AND runs.state = 'open')`,
    table(
      'counters',
      ref('bench_id', 'benches'),
      'name VARCHAR(20) NOT NULL',
      'run_id INT UNSIGNED NULL',
      'PRIMARY KEY (bench_id, name)',
    ),
    // Lists are read by how jobs stand and by when bags are promised.
    'ALTER TABLE jobs ADD INDEX (state, bag_id)',
    'ALTER TABLE bags ADD INDEX (promised_at, id)',
    `ALTER TABLE run_events
      MODIFY id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
      ADD ${ref('sent_by_id', 'people', true).replace(', FOREIGN', ', ADD FOREIGN')},
      DROP PRIMARY KEY,
      ADD PRIMARY KEY (run_id, seq),
      DROP INDEX run_id,
      ADD UNIQUE event_id (id)`,
  ],
};
