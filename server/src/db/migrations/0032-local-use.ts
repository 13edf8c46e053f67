import type { Migration } from '../migration';

/** How a day is typed, when a week begins, and what paper is in the printer. */
export const localUse: Migration = {
  name: '0032-local-use',
  statements: [
    `ALTER TABLE house_rules
      ADD day_order VARCHAR(12) NOT NULL DEFAULT 'day-first' AFTER units,
      ADD week_begins TINYINT UNSIGNED NOT NULL DEFAULT 1 AFTER day_order,
      ADD paper VARCHAR(8) NOT NULL DEFAULT 'A4' AFTER week_begins`,
  ],
};
