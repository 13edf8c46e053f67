import type { Migration } from '../migration';

/** What was done and why may hold figures, which are kept with their dimension and take more room than their text. */
export const sentences: Migration = {
  name: '0027-sentences',
  statements: [
    'ALTER TABLE bag_changes MODIFY what TEXT NOT NULL',
    'ALTER TABLE moves MODIFY why TEXT NOT NULL',
    'ALTER TABLE house_changes MODIFY was TEXT NOT NULL, MODIFY is_now TEXT NOT NULL',
  ],
};
