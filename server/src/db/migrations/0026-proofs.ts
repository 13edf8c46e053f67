import type { Migration } from '../migration';
import { time } from './schema-words';

/** When a session's person last typed their passcode, and the second step of those who want one. */
export const proofs: Migration = {
  name: '0026-proofs',
  statements: [
    `ALTER TABLE sessions ADD ${time('proved_at', true)}`,
    'ALTER TABLE people ADD (step_secret VARCHAR(64) NULL, step_begun VARCHAR(64) NULL, step_last INT UNSIGNED NULL)',
  ],
};
