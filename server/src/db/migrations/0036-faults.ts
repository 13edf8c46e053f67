import type { Migration } from '../migration';

/** What a comeback turned out to be, by which looks, and whether what was done cured it. */
export const faults: Migration = {
  name: '0036-faults',
  statements: [
    `ALTER TABLE comebacks ADD fault VARCHAR(20) NULL, ADD second VARCHAR(20) NULL,
      ADD looks JSON NOT NULL DEFAULT '[]', ADD worked BOOLEAN NULL, ADD INDEX (fault)`,
  ],
};
