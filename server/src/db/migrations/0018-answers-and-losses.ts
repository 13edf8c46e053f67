import type { Migration } from '../migration';
import { time } from './schema-words';

/**
 * What an answer at the bench changed of a reel: its gear as it turned out, and the run that showed it. What is gone off
 * the top of a fill since, in all: line that broke off, was stripped, or went to another spool. What lies under its line.
 */
export const answersAndLosses: Migration = {
  name: '0018-answers-and-losses',
  statements: [
    `ALTER TABLE reels ADD gear_found DOUBLE NULL, ADD gear_run_id INT UNSIGNED NULL,
      ADD FOREIGN KEY (gear_run_id) REFERENCES runs (id)`,
    `ALTER TABLE fill_marks MODIFY kind ENUM('trips', 'reversed', 'told', 'off') NOT NULL,
      ADD off_mm INT UNSIGNED NULL AFTER trips, ADD why VARCHAR(200) NOT NULL DEFAULT ''`,
    'ALTER TABLE fills ADD laid JSON NULL AFTER lesson',
    `ALTER TABLE spools ADD off_mm INT UNSIGNED NOT NULL DEFAULT 0 AFTER fill_id, ADD ${time('short_at', true)}`,
  ],
};
