import { defineConfig } from 'vitest/config';

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
          testTimeout: 60_000,
        },
      },
      {
        test: {
          name: 'api',
          isolate: false,
          include: ['server/src/**/*.test.ts', 'demo/src/**/*.test.ts'],
          environment: 'node',
          testTimeout: 120_000,
          hookTimeout: 180_000,
        },
      },
      {
        test: {
          name: 'journeys',
          include: ['e2e/src/**/*.test.ts'],
          environment: 'node',
          fileParallelism: false,
          isolate: false,
          testTimeout: 600_000,
          hookTimeout: 300_000,
        },
      },
    ],
  },
});
