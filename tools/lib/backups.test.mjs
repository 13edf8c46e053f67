import { afterEach, expect, it } from 'vitest';
import { backupFolder, backupsKept } from './backups.mjs';

const before = process.env.YARD_SPOOL_BACKUPS;
afterEach(() => {
  if (before === undefined) delete process.env.YARD_SPOOL_BACKUPS;
  else process.env.YARD_SPOOL_BACKUPS = before;
});

it('fourteen backups are kept where nobody says how many, else as many as are said', () => {
  delete process.env.YARD_SPOOL_BACKUPS;
  expect(backupsKept()).toBe(14);
  process.env.YARD_SPOOL_BACKUPS = '3';
  expect(backupsKept()).toBe(3);
  expect(backupFolder('/shop')).toBe('/shop/backups');
});

it.each(['0', '-1', '2.5', '1001', 'many', ''])(
  '"%s" is no number of backups, and said to be none',
  (said) => {
    process.env.YARD_SPOOL_BACKUPS = said;
    expect(() => backupsKept()).toThrow(/YARD_SPOOL_BACKUPS must be a number from 1 to 1000/);
  },
);
