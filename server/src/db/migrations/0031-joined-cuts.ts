import type { Migration } from '../migration';

/** Backing that is joined from two pieces has two cuts, in the order they are wound. */
export const joinedCuts: Migration = {
  name: '0031-joined-cuts',
  statements: [
    `ALTER TABLE cuts
      ADD nth TINYINT UNSIGNED NOT NULL DEFAULT 0 AFTER layer,
      ADD UNIQUE one_of_a_layer (job_id, layer, nth),
      DROP INDEX job_id`,
  ],
};
