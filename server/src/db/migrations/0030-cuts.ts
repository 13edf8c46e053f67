import type { Migration } from '../migration';

/** Cuts asked for by hand, line that is on order, and what plans of cuts that were accepted saved. */
export const cuts: Migration = {
  name: '0030-cuts',
  statements: [
    `CREATE TABLE cut_pins (
      job_id INT UNSIGNED NOT NULL,
      layer VARCHAR(40) NOT NULL,
      piece_id INT UNSIGNED NOT NULL,
      at DATETIME(3) NOT NULL,
      by_id INT UNSIGNED NOT NULL,
      PRIMARY KEY (job_id, layer),
      FOREIGN KEY (job_id) REFERENCES jobs (id),
      FOREIGN KEY (piece_id) REFERENCES pieces (id),
      FOREIGN KEY (by_id) REFERENCES people (id)
    )`,
    `CREATE TABLE line_orders (
      id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      product_id INT UNSIGNED NOT NULL,
      length_mm BIGINT NOT NULL CHECK (length_mm > 0),
      count INT UNSIGNED NOT NULL,
      minor INT UNSIGNED NULL,
      expected_at DATETIME(3) NOT NULL,
      at DATETIME(3) NOT NULL,
      by_id INT UNSIGNED NOT NULL,
      state ENUM('open', 'come', 'cancelled') NOT NULL DEFAULT 'open',
      done_at DATETIME(3) NULL,
      KEY (state),
      FOREIGN KEY (product_id) REFERENCES products (id),
      FOREIGN KEY (by_id) REFERENCES people (id)
    )`,
    `CREATE TABLE cut_plans (
      id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      at DATETIME(3) NOT NULL,
      by_id INT UNSIGNED NOT NULL,
      moved INT UNSIGNED NOT NULL,
      before_figures JSON NOT NULL,
      after_figures JSON NOT NULL,
      FOREIGN KEY (by_id) REFERENCES people (id)
    )`,
  ],
};
