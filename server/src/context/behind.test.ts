import { describe, expect, it } from 'vitest';
import { Behind } from './behind';

describe('what is done behind an answer', () => {
  it('is done one thing after the other, and waited for with what was begun meanwhile', async () => {
    const done: string[] = [];
    const behind = new Behind(() => undefined);
    behind.start('a', async () => {
      await Promise.resolve();
      done.push('a');
      behind.start('c', () => Promise.resolve(done.push('c')));
    });
    behind.start('b', () => Promise.resolve(done.push('b')));
    expect(done).toEqual([]);
    await behind.idle();
    expect(done).toEqual(['a', 'b', 'c']);
  });

  it('is told where it fails, and what comes after it is done all the same', async () => {
    const told: unknown[] = [];
    const done: string[] = [];
    const behind = new Behind((what, error) => told.push([what, (error as Error).message]));
    behind.start('first', () => Promise.reject(new Error('gone')));
    behind.start('second', () => Promise.resolve(done.push('second')));
    await behind.idle();
    expect(told).toEqual([['first', 'gone']]);
    expect(done).toEqual(['second']);
  });
});
