import type { Migration } from '../migration';

/** How a reel is told from others like it: its colour, a mark, a nick. */
export const looks: Migration = {
  name: '0021-looks',
  statements: ["ALTER TABLE reels ADD looks VARCHAR(80) NOT NULL DEFAULT '' AFTER label"],
};
