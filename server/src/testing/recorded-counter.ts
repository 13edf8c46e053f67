import type { RecordedMatch } from '@yard-spool/core';

/** How a counter was set up: it agrees with the tape at 30 m. */
export const recordedCounter = (more: Partial<RecordedMatch> = {}): RecordedMatch => ({
  unit: 'm',
  step: 1,
  match: 30,
  walks: [],
  reads: 30,
  agrees: true,
  perTurn: 0.3,
  sd: 0.01,
  readsSd: 0.01,
  depth: 2,
  tight: null,
  spool: {
    width: 20,
    outer: 25,
    lip: 27,
    layers: [
      { inner: 18, area: 0.09 },
      { inner: 12, area: 0.07 },
    ],
  },
  ...more,
});
