import type { Migration } from '../migration';
import { id, ref, table, time, version } from './schema-words';

const REELS = "'fixed-spool', 'baitcaster', 'spincast', 'trolling', 'big-game'";
const NO_WANTS = JSON.stringify({ leastMm: null, leader: '', dragKg: null, onItNow: '', mainFirst: false });

/** Bags that are edited, called off and handed back, with their history; what customers want; the reel book. */
export const bags: Migration = {
  name: '0003-bags',
  statements: [
    `ALTER TABLE bags ADD ${version}`,
    `ALTER TABLE jobs MODIFY state
      ENUM('booked', 'on-the-bench', 'filled', 'to-check', 'ready', 'handed-back', 'cancelled')
      NOT NULL DEFAULT 'booked'`,
    `UPDATE jobs SET state = 'to-check' WHERE state = 'filled'`,
    `ALTER TABLE jobs MODIFY state
      ENUM('booked', 'on-the-bench', 'to-check', 'ready', 'handed-back', 'cancelled') NOT NULL DEFAULT 'booked'`,
    'ALTER TABLE jobs ADD wants JSON NULL',
    `UPDATE jobs SET wants = '${NO_WANTS}'`,
    'ALTER TABLE jobs MODIFY wants JSON NOT NULL',
    table(
      'bag_changes',
      id,
      ref('bag_id', 'bags'),
      time('at'),
      ref('by_id', 'people'),
      'what VARCHAR(300) NOT NULL',
    ),
    table(
      'reel_kinds',
      id,
      `type ENUM(${REELS}) NOT NULL`,
      'label VARCHAR(80) NOT NULL',
      'observations JSON NOT NULL',
      'gear DOUBLE NOT NULL',
      'met INT UNSIGNED NOT NULL DEFAULT 0',
      version,
      'UNIQUE (type, label)',
    ),
  ],
};
