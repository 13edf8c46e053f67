import type { Migration } from '../migration';

/** A run can be given up: its reel waits again, and may be begun once more. */
export const givenUp: Migration = {
  name: '0011-given-up',
  statements: [
    "ALTER TABLE runs MODIFY state ENUM('open', 'closed', 'given-up') NOT NULL DEFAULT 'open'",
    'ALTER TABLE runs ADD INDEX runs_of_job (job_id, state)',
    'ALTER TABLE runs DROP INDEX job_id',
  ],
};
