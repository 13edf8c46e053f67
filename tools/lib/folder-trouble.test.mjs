import { tmpdir } from 'node:os';
import { describe, expect, it } from 'vitest';
import { folderTrouble, noRoomFor } from './folder-trouble.mjs';

describe('a folder on a disk that is too small', () => {
  it('is told of in a sentence with what is free, what it takes, and what to do; one with room is not', () => {
    const told = noRoomFor(tmpdir(), 1e18);
    expect(told).toMatch(
      / is on a disk with \d+ MB of room left, and the first start takes 1000000000000 MB\. Make room, or /,
    );
    expect(told).toContain('nothing was written');
    expect(noRoomFor(tmpdir(), 1)).toBe('');
    // Of a folder that is not there nobody knows: making it will tell.
    expect(noRoomFor('/nowhere/at/all', 1e18)).toBe('');
  });

  it('that cannot be written to is told of by its cause', () => {
    const full = Object.assign(new Error('write'), { code: 'ENOSPC' });
    expect(folderTrouble('/shop', full)).toBe(
      'Yard Spool cannot write to /shop. The disk is full. Make room, then start again; what is there is safe.',
    );
    expect(folderTrouble('/shop', 'odd')).toBe('Yard Spool cannot write to /shop. odd');
  });
});
