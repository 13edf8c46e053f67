import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { JOB_STATES } from '@yard-spool/contract';
import { FILLED, FILLED_HERE, HERE, TO_FILL } from './job-states';

const SOURCES = new URL('..', import.meta.url).pathname;
const sources = readdirSync(SOURCES, { recursive: true, encoding: 'utf8' }).filter(
  (file) => file.endsWith('.ts') && !/\.test\.ts$|^(db\/migrations|testing|fuzz|load)\//.test(file),
);
const having = (pattern: RegExp): string[] =>
  sources.filter((file) => pattern.test(readFileSync(join(SOURCES, file), 'utf8')));

it('what leads from a job, a fill or a cut to what it belongs to is written once', () => {
  expect(sources.length).toBeGreaterThan(150);
  for (const join of [
    /(?<!LEFT )JOIN\s+spools\s+ON\s+spools\.id\s*=\s*(jobs|fills)\.spool_id\s+JOIN\s+reels/,
    /JOIN\s+jobs\s+ON\s+jobs\.id\s*=\s*cuts\.job_id/,
  ])
    expect(having(join)).toEqual(['db/joins.ts']);
});

it('which states are meant is a set with a name, and no list in a query', () => {
  expect(having(/state (NOT )?IN \('(booked|on-the-bench|to-check|ready|handed-back)'/)).toEqual([]);
  expect(having(/\[\s*'booked',\s*'on-the-bench'/)).toEqual(['db/job-states.ts']);
  expect([...HERE, 'handed-back', 'cancelled']).toEqual(JOB_STATES);
  expect([...TO_FILL, ...FILLED]).toEqual([...HERE, 'handed-back']);
  expect(FILLED_HERE).toEqual(['to-check', 'ready']);
});
