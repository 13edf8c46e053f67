import { describe, expect, it } from 'vitest';
import { parseCounterLine } from './counter-line';

describe('a line of a counter', () => {
  it.each([
    ['reed-1,7,112', { device: 'reed-1', sequence: 7, count: 112 }],
    ['meter-2,8,-3.25', { device: 'meter-2', sequence: 8, count: -3.25 }],
  ])('%s', (line, read) => {
    expect(parseCounterLine(line)).toEqual(read);
  });

  it.each(['', 'reed-1', 'reed-1,x,3', 'reed-1,1,3,4', ',1,3', 'reed-1,1,1e9'])('"%s" is none', (line) => {
    expect(parseCounterLine(line)).toBeNull();
  });
});
