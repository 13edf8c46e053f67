import { availableParallelism } from 'node:os';
import { defineConfig } from 'vitest/config';

/** Cores that are there: what Vitest leaves free of them is half the machine where there are two. */
const CORES = availableParallelism();

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'unit',
          // Files share what they import, and nothing else: reading it again for each file took most of the time.
          isolate: false,
          include: ['core/src/**/*.test.ts', 'contract/src/**/*.test.ts', 'tools/**/*.test.mjs'],
          environment: 'node',
          maxWorkers: CORES,
          testTimeout: 60_000,
        },
      },
      {
        test: {
          name: 'api',
          isolate: false,
          include: ['server/src/**/*.test.ts', 'demo/src/**/*.test.ts'],
          environment: 'node',
          maxWorkers: CORES,
          testTimeout: 120_000,
          hookTimeout: 180_000,
        },
      },
      {
        test: {
          name: 'journeys',
          include: ['e2e/src/**/*.test.ts'],
          environment: 'node',
          // As many as there are shops for them.
          maxWorkers: Number(process.env.YARD_SPOOL_SHOPS ?? 1),
          isolate: false,
          testTimeout: 600_000,
          hookTimeout: 300_000,
        },
      },
    ],
  },
});
