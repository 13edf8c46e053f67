import type { Migration } from '../migration';
import { ref } from './schema-words';

/** Customers' own line; cuts whose line has yet to come; packs that are shared out, without a tail. */
export const ownAndComingLine: Migration = {
  name: '0010-own-and-coming-line',
  statements: [
    `ALTER TABLE pieces ADD COLUMN ${ref('brought_with', 'bags', true).replace(', FOREIGN', ', ADD FOREIGN')}`,
    'ALTER TABLE cuts MODIFY piece_id INT UNSIGNED NULL',
    `ALTER TABLE cuts ADD COLUMN ${ref('product_id', 'products', true).replace(', FOREIGN', ', ADD FOREIGN')}`,
    'ALTER TABLE cuts ADD tail_mm BIGINT NOT NULL DEFAULT 0',
    'ALTER TABLE cuts ADD takes JSON NULL',
    'UPDATE cuts JOIN pieces ON pieces.id = cuts.piece_id SET cuts.product_id = pieces.product_id',
    'ALTER TABLE cuts MODIFY product_id INT UNSIGNED NOT NULL',
  ],
};
