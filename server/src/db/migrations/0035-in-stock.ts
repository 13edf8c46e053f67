import type { Migration } from '../migration';

/** Spools that are used up stay in the books for good: those with something left are found without reading the others. */
export const inStock: Migration = {
  name: '0035-in-stock',
  statements: ['ALTER TABLE pieces ADD KEY pieces_in_stock (written_off, length_mm)'],
};
