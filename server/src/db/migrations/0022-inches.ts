import type { Migration } from '../migration';

/** Inches as they are read: off a rule, in fractions, or off a caliper, in thousandths. */
export const inches: Migration = {
  name: '0022-inches',
  statements: [
    "ALTER TABLE house_rules MODIFY units ENUM('metric', 'imperial', 'thousandths') NOT NULL DEFAULT 'metric'",
  ],
};
