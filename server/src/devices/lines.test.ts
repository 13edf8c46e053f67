import { PassThrough } from 'node:stream';
import type { Socket } from 'node:net';
import { expect, it } from 'vitest';
import { onLines } from './lines';

const heard = (...chunks: string[]): string[] => {
  const stream = new PassThrough();
  const lines: string[] = [];
  onLines(stream as unknown as Socket, (line) => lines.push(line));
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
