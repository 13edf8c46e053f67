import type { Migration } from '../migration';

/** Bar codes of packs: the next one like it is known by it. */
export const packs: Migration = {
  name: '0017-packs',
  statements: [
    `ALTER TABLE pieces ADD pack_code VARCHAR(40) NULL AFTER new_on, ADD INDEX pieces_by_pack (pack_code, id)`,
  ],
};
