import type { Migration } from '../migration';

/** A foot switch at a bench types a key. */
export const footSwitch: Migration = {
  name: '0012-foot-switch',
  statements: ["ALTER TABLE benches ADD pedal VARCHAR(20) NOT NULL DEFAULT ''"],
};
