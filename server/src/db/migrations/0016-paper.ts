import type { Migration } from '../migration';
import { id, ref, table, time, version } from './schema-words';

/** The shop's name, its label printer and its wordings; messages that wait to be sent; the calendar's address. */
export const paper: Migration = {
  name: '0016-paper',
  statements: [
    `ALTER TABLE house_rules ADD shop_name VARCHAR(60) NOT NULL DEFAULT '',
      ADD printer VARCHAR(120) NOT NULL DEFAULT '', ADD wordings JSON NULL`,
    table(
      'messages',
      id,
      "kind ENUM('ready', 'due') NOT NULL",
      ref('customer_id', 'customers'),
      ref('bag_id', 'bags', true),
      ref('fill_id', 'fills', true),
      'text VARCHAR(3000) NOT NULL',
      "state ENUM('waiting', 'sent', 'dropped') NOT NULL DEFAULT 'waiting'",
      time('at'),
      ref('by_id', 'people'),
      time('done_at', true),
      ref('done_by_id', 'people', true),
      version,
      'INDEX (state, id)',
    ),
    table(
      'calendars',
      'id INT UNSIGNED NOT NULL PRIMARY KEY',
      'hash CHAR(64) NOT NULL',
      time('at'),
      ref('by_id', 'people'),
    ),
  ],
};
