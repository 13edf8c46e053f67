import type { Migration } from '../migration';

/** When the shop is open, what is asked of the day by hand, and who has gone home. */
export const day: Migration = {
  name: '0028-day',
  statements: [
    'ALTER TABLE house_rules ADD hours JSON NULL',
    `CREATE TABLE day_wishes (
      operation VARCHAR(90) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
      bench_id INT UNSIGNED NULL,
      person_id INT UNSIGNED NULL,
      earliest DATETIME(3) NULL,
      at DATETIME(3) NULL,
      made_at DATETIME(3) NOT NULL,
      by_id INT UNSIGNED NOT NULL,
      FOREIGN KEY (bench_id) REFERENCES benches (id),
      FOREIGN KEY (person_id) REFERENCES people (id),
      FOREIGN KEY (by_id) REFERENCES people (id)
    )`,
    `CREATE TABLE day_aways (
      person_id INT UNSIGNED NOT NULL PRIMARY KEY,
      until DATETIME(3) NOT NULL,
      FOREIGN KEY (person_id) REFERENCES people (id)
    )`,
  ],
};
