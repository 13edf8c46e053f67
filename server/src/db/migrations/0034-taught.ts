import type { Migration } from '../migration';

/**
 * What a fill has to tell is kept beside it, for the latest that tell it to be found without reading all others: reels’
 * kinds and counters are learned from a few hundred of what may be a hundred thousand.
 */
export const taught: Migration = {
  name: '0034-taught',
  statements: [
    `ALTER TABLE fills
       ADD COLUMN taught BOOLEAN AS (taken_back_at IS NULL AND lesson IS NOT NULL) PERSISTENT,
       ADD COLUMN counted BOOLEAN AS (taken_back_at IS NULL AND counter IS NOT NULL) PERSISTENT,
       ADD COLUMN measured BOOLEAN AS (taken_back_at IS NULL AND JSON_LENGTH(depths) > 0) PERSISTENT,
       ADD KEY fills_taught (taught, id),
       ADD KEY fills_counted (counted, id),
       ADD KEY fills_measured (measured, id)`,
  ],
};
