import type { Migration } from '../migration';

/** How a trolling reel's counter was set up belongs to the fill it was set up on. */
export const counters: Migration = {
  name: '0009-counters',
  statements: ['ALTER TABLE fills ADD counter JSON NULL'],
};
