import type { Migration } from '../migration';
import { table, time } from './schema-words';

/** What was answered to requests that may come again: their keys and answers, as hashes and for some days. */
export const answeredRequests: Migration = {
  name: '0025-answered-requests',
  statements: [
    table(
      'answered_requests',
      'key_hash CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY',
      'asked_hash CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL',
      time('at'),
      'reply MEDIUMTEXT NULL',
      'INDEX (at)',
    ),
  ],
};
