import { USUAL_HOUSE_RULES } from '@yard-spool/core';
import type { Migration } from '../migration';
import { id, ref, table, time, version } from './schema-words';

const rulesNow = `JSON_EXTRACT(COALESCE((SELECT rules FROM house_rules LIMIT 1), '${JSON.stringify(USUAL_HOUSE_RULES)}'), '$')`;

/** The rest of what a house settles: benches, who is here, rules set otherwise, what runs are made under, all changes. */
export const house: Migration = {
  name: '0004-house',
  statements: [
    `ALTER TABLE house_rules
      ADD tail_mm INT UNSIGNED NOT NULL DEFAULT 2000,
      ADD units ENUM('metric', 'imperial') NOT NULL DEFAULT 'metric',
      ADD zone VARCHAR(60) NOT NULL DEFAULT '',
      ADD bins JSON NULL,
      ADD cautions JSON NULL`,
    `ALTER TABLE people ADD ${time('left_at', true)}, ADD ${version}`,
    'ALTER TABLE tubs ADD removed BOOLEAN NOT NULL DEFAULT FALSE',
    table(
      'benches',
      id,
      'name VARCHAR(20) NOT NULL UNIQUE',
      'span_mm INT UNSIGNED NOT NULL CHECK (span_mm > 0)',
      "hand ENUM('right', 'left') NOT NULL",
      'devices JSON NOT NULL',
      version,
    ),
    table(
      'rule_overrides',
      id,
      "scope ENUM('line', 'customer', 'reel') NOT NULL",
      ref('product_id', 'products', true),
      ref('customer_id', 'customers', true),
      ref('reel_id', 'reels', true),
      'question VARCHAR(40) NOT NULL',
      'school VARCHAR(40) NOT NULL',
      'why VARCHAR(120) NOT NULL',
      time('at'),
      ref('by_id', 'people'),
      'UNIQUE (product_id, question)',
      'UNIQUE (customer_id, question)',
      'UNIQUE (reel_id, question)',
      `CHECK ((scope = 'line') = (product_id IS NOT NULL)
        AND (scope = 'customer') = (customer_id IS NOT NULL)
        AND (scope = 'reel') = (reel_id IS NOT NULL))`,
    ),
    table(
      'house_changes',
      id,
      time('at'),
      ref('by_id', 'people'),
      'about VARCHAR(120) NOT NULL',
      'was VARCHAR(400) NOT NULL',
      'is_now VARCHAR(400) NOT NULL',
    ),
    'ALTER TABLE runs ADD made_under JSON NULL',
    `UPDATE runs SET made_under = JSON_OBJECT(
      'rules', ${rulesNow}, 'from', JSON_EXTRACT('{}', '$'), 'tailMm', 2000, 'spanMm', 1500, 'hand', 'right')`,
    'ALTER TABLE runs MODIFY made_under JSON NOT NULL',
    `UPDATE jobs SET wants = JSON_SET(wants, '$.gap', 'typed', '$.bevelMm', NULL)`,
  ],
};
