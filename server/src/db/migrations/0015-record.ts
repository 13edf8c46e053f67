import type { Migration } from '../migration';
import { id, ref, table, time, version } from './schema-words';

/** Months from a fill to its being due, by its outermost line; as the core has it. */
const MONTHS = "IF(JSON_VALUE(outer_layer.line, '$.material') IN ('braid', 'hollow-braid'), 36, 12)";
const OUTER = `(SELECT fill_id, MAX(position) AS position FROM fill_layers GROUP BY fill_id)`;
const LAST = `(SELECT spool_id, MAX(id) AS fill_id FROM fills WHERE taken_back_at IS NULL GROUP BY spool_id)`;

/** What lies on each spool now and when it is due; corrections, marks, comebacks; other tags; words to search by. */
export const record: Migration = {
  name: '0015-record',
  statements: [
    `ALTER TABLE reels ADD ${version}`,
    'ALTER TABLE fill_layers ADD product_id INT UNSIGNED NULL, ADD FOREIGN KEY (product_id) REFERENCES products (id)',
    `UPDATE fill_layers JOIN pieces ON pieces.id = fill_layers.piece_id
      SET fill_layers.product_id = pieces.product_id`,
    'ALTER TABLE fills ADD INDEX (closed_at, id)',
    'ALTER TABLE pieces ADD INDEX (lot)',
    `ALTER TABLE spools ADD fill_id INT UNSIGNED NULL, ADD ${time('ripe_at', true)}, ADD ${time('worn_at', true)},
      ADD ${time('due_at', true)}, ADD ${time('told_at', true)}, ADD trips INT UNSIGNED NULL,
      ADD ${time('reversed_at', true)}`,
    `ALTER TABLE spools ADD FOREIGN KEY (fill_id) REFERENCES fills (id),
      ADD INDEX (ripe_at), ADD INDEX (worn_at), ADD INDEX (due_at)`,
    `UPDATE spools JOIN ${LAST} AS last ON last.spool_id = spools.id JOIN fills ON fills.id = last.fill_id
      LEFT JOIN ${OUTER} AS outermost ON outermost.fill_id = fills.id
      LEFT JOIN fill_layers AS outer_layer
        ON outer_layer.fill_id = fills.id AND outer_layer.position = outermost.position
      SET spools.fill_id = fills.id, spools.ripe_at = DATE_ADD(fills.closed_at, INTERVAL ${MONTHS} MONTH),
        spools.due_at = DATE_ADD(fills.closed_at, INTERVAL ${MONTHS} MONTH)`,
    table('reel_tags', 'tag VARCHAR(20) NOT NULL PRIMARY KEY', ref('reel_id', 'reels')),
    table(
      'reel_changes',
      id,
      ref('reel_id', 'reels'),
      time('at'),
      ref('by_id', 'people'),
      'what VARCHAR(300) NOT NULL',
    ),
    table(
      'fill_versions',
      id,
      ref('fill_id', 'fills'),
      time('at'),
      ref('by_id', 'people'),
      'why VARCHAR(200) NOT NULL',
      'was JSON NOT NULL',
    ),
    table(
      'fill_marks',
      id,
      ref('fill_id', 'fills'),
      "kind ENUM('trips', 'reversed', 'told') NOT NULL",
      'trips INT UNSIGNED NULL',
      time('at'),
      ref('by_id', 'people'),
    ),
    table(
      'comebacks',
      id,
      ref('fill_id', 'fills'),
      time('at'),
      ref('by_id', 'people'),
      'complaint VARCHAR(20) NOT NULL',
      'saw VARCHAR(300) NOT NULL',
      'cause VARCHAR(20) NULL',
      "found VARCHAR(300) NOT NULL DEFAULT ''",
      "did VARCHAR(300) NOT NULL DEFAULT ''",
      version,
      'INDEX (cause, id)',
    ),
    table(
      'search_words',
      "kind ENUM('reel', 'customer', 'line', 'piece', 'bag', 'note') NOT NULL",
      'word VARCHAR(40) COLLATE utf8mb4_bin NOT NULL',
      'ref INT UNSIGNED NOT NULL',
      'PRIMARY KEY (kind, word, ref)',
      'INDEX (kind, ref, word)',
    ),
  ],
};
