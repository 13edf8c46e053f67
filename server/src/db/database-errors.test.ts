import { DatabaseError } from 'sequelize';
import { describe, expect, it } from 'vitest';
import { problemOfDatabaseError, storageTrouble } from './database-errors';

const told = (errno: number, message = '') =>
  new DatabaseError(Object.assign(new Error(message), { errno, sql: '' }));

describe('a database that cannot write', () => {
  it.each([
    told(1114, 'The table is full'),
    told(1021),
    told(1030, 'Got error 28 "No space left on device" from storage engine'),
    told(1005, 'Can\'t create table (errno: 135 "No more room in record file")'),
    new Error('Migration 0004 failed: Original error: (errno: 28 "No space left on device")'),
  ])('says that its disk is full', (error) => {
    expect(storageTrouble(error)).toContain('full');
  });

  it('says that it can only be read', () => {
    expect(storageTrouble(told(1290))).toContain('only be read');
    expect(storageTrouble(told(1005, '(errno: 30 "Read-only file system")'))).toContain('only be read');
  });

  it('is away to whoever asks, so that what waits is sent again', () => {
    expect(problemOfDatabaseError(told(1114))).toMatchObject({ code: 'database-away' });
    expect(storageTrouble(told(1062, 'Duplicate entry'))).toBeNull();
    expect(storageTrouble(new Error('conn: 28'))).toBeNull();
  });
});
