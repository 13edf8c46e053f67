import { PassThrough } from 'node:stream';
import type { Socket } from 'node:net';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { onLines } from './lines';

const heard = (...chunks: string[]): string[] => {
  const stream = new PassThrough();
  const lines: string[] = [];
  onLines(stream as unknown as Socket, { line: (line) => lines.push(line) });
  for (const chunk of chunks) stream.emit('data', chunk);
  stream.emit('end');
  return lines;
};

it('hears whole lines, however they are cut into pieces', () => {
  expect(heard('reed-1,1,1', '2\r\nreed-1,2,13\nre', 'ed-1,3,14\n')).toEqual([
    'reed-1,1,12',
    'reed-1,2,13',
    'reed-1,3,14',
  ]);
});

it('does not take half a line at the end of a link for a count', () => {
  expect(heard('reed-1,1,65\nreed-1,2,6')).toEqual(['reed-1,1,65']);
});

it('leaves a line out that never ends, and hears the next', () => {
  expect(heard('x'.repeat(150), 'y'.repeat(150), 'z\nreed-1,2,66\n')).toEqual(['reed-1,2,66']);
});

describe('a device that floods its link', () => {
  beforeEach(() => void vi.useFakeTimers());
  afterEach(() => void vi.useRealTimers());

  it('is read at a bounded rate, told of, and stands at its last count; so it is when it stops', () => {
    const stream = new PassThrough();
    const lines: string[] = [];
    const flooded: boolean[] = [];
    onLines(stream as unknown as Socket, {
      line: (line) => lines.push(line),
      flooded: (on) => flooded.push(on),
    });
    let n = 0;
    const second = (): void => {
      for (let i = 0; i < 10; i++) {
        stream.emit(
          'data',
          Array.from({ length: 5000 }, () => `reed-1,${String(++n)},${String(n)}\n`).join(''),
        );
        vi.advanceTimersByTime(100);
        expect(lines.at(-1)).toBe(`reed-1,${String(n)},${String(n)}`);
      }
    };
    for (let seconds = 0; seconds < 4; seconds++) second();
    // 200,000 lines came: those at once, and the last of each tenth of a second.
    expect(lines.length).toBe(2000 + 40);
    expect(flooded).toEqual([true]);
    vi.advanceTimersByTime(1000);
    expect(flooded).toEqual([true, false]);
    stream.emit('data', `reed-1,${String(n + 1)},7\n`);
    expect(lines.at(-1)).toBe(`reed-1,${String(n + 1)},7`);
    expect(flooded).toEqual([true, false]);
  });

  it('is let go with its link: nothing is heard behind it', () => {
    const stream = new PassThrough();
    const lines: string[] = [];
    onLines(stream as unknown as Socket, { line: (line) => lines.push(line) });
    stream.emit('data', 'reed-1,1,1\n'.repeat(2500));
    stream.emit('close');
    vi.advanceTimersByTime(1000);
    expect(lines.length).toBe(2000);
  });
});
