import type { Migration } from '../migration';
import { id, table, time } from './schema-words';

/** When and where a session was used, what was done about access, and what a booking was sent with. */
export const sessions: Migration = {
  name: '0014-sessions',
  statements: [
    "ALTER TABLE sessions ADD (seen_at DATETIME(3) NULL, place VARCHAR(80) NOT NULL DEFAULT '')",
    'ALTER TABLE house_rules ADD idle_minutes INT UNSIGNED NOT NULL DEFAULT 240',
    'ALTER TABLE bags ADD booking_hash CHAR(64) NULL',
    table(
      'audits',
      id,
      time('at'),
      'kind VARCHAR(30) NOT NULL',
      'name VARCHAR(80) NOT NULL',
      'place VARCHAR(80) NOT NULL',
      'what VARCHAR(200) NOT NULL',
      'INDEX (at)',
    ),
  ],
};
