import type { Migration } from '../migration';

/** A set that is taken apart by hand, and what customers are written whose line is not there. */
export const dayByHand: Migration = {
  name: '0029-day-by-hand',
  statements: [
    'ALTER TABLE day_wishes ADD apart BOOLEAN NOT NULL DEFAULT FALSE',
    "ALTER TABLE messages MODIFY kind ENUM('ready', 'due', 'waits') NOT NULL",
  ],
};
