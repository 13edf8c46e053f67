import type { Migration } from '../migration';
import { id, ref, table, time, version } from './schema-words';

const STREAMS = "'nylon', 'fluorocarbon', 'braid'";

/**
 * What is known of a piece beside its length, corrections to the ledger, weighings, soak tubs, recycling, house rules.
 * Weights are DECIMAL grams, money whole hundredths.
 */
export const lineRack: Migration = {
  name: '0002-line-rack',
  statements: [
    `ALTER TABLE pieces
      ADD lot VARCHAR(40) NOT NULL DEFAULT '',
      ADD price_minor INT UNSIGNED NULL,
      ADD tare_g DECIMAL(8,1) NULL,
      ADD flange_mm DECIMAL(6,1) NULL,
      ADD core_mm DECIMAL(6,1) NULL,
      ADD wound ENUM('rolled', 'over-end', 'unknown') NOT NULL DEFAULT 'unknown',
      ADD leaves ENUM('clockwise', 'anticlockwise', 'unknown') NOT NULL DEFAULT 'unknown',
      ADD new_on DATE NULL,
      ADD written_off BOOLEAN NOT NULL DEFAULT FALSE,
      ADD ${version}`,
    `ALTER TABLE moves MODIFY kind
      ENUM('received', 'filled', 'tail', 'found', 'counted', 'weighed', 'recycled', 'written-off') NOT NULL,
      ADD INDEX (at)`,
    table(
      'mass_samples',
      id,
      ref('product_id', 'products'),
      'length_mm BIGINT NOT NULL CHECK (length_mm > 0)',
      'grams DECIMAL(9,2) NOT NULL CHECK (grams > 0)',
      time('at'),
      ref('by_id', 'people'),
    ),
    table(
      'weighings',
      id,
      ref('piece_id', 'pieces'),
      'gross_g DECIMAL(8,1) NOT NULL',
      'tare_g DECIMAL(8,1) NOT NULL',
      "source ENUM('typed', 'scale') NOT NULL",
      'low_mm BIGINT NOT NULL',
      'length_mm BIGINT NOT NULL',
      'high_mm BIGINT NOT NULL',
      time('at'),
      ref('by_id', 'people'),
    ),
    table('tubs', id, 'name VARCHAR(40) NOT NULL UNIQUE'),
    table(
      'soaks',
      id,
      ref('tub_id', 'tubs'),
      ref('piece_id', 'pieces'),
      time('in_at'),
      ref('by_id', 'people'),
      time('ready_at'),
      time('too_long_at'),
      'advice VARCHAR(300) NOT NULL',
      'why VARCHAR(300) NOT NULL',
      time('out_at', true),
      ref('out_by_id', 'people', true),
      'INDEX (out_at)',
    ),
    table(
      'recyclings',
      id,
      `stream ENUM(${STREAMS}) NOT NULL`,
      'grams DECIMAL(8,1) NOT NULL CHECK (grams >= 0)',
      'estimated BOOLEAN NOT NULL',
      'tubes SMALLINT UNSIGNED NOT NULL',
      'length_mm BIGINT NULL',
      ref('piece_id', 'pieces', true),
      'why VARCHAR(120) NOT NULL',
      time('at'),
      ref('by_id', 'people'),
    ),
    table('house_rules', id, 'rules JSON NOT NULL', "money VARCHAR(4) NOT NULL DEFAULT '€'", version),
  ],
};
