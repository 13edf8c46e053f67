import { describe, expect, it } from 'vitest';
import { lineFinds } from '../words/line-finds';
import { finds } from './finds';

const line = {
  code: 'CN-26',
  name: 'Clear nylon 0.26',
  material: 'nylon',
  diameter: 0.26,
  strengthKg: 3.63,
} as const;
const words = `${line.name}, any piece N-207 ${lineFinds({ ...line, tint: '#aab7bd', mass: null })}`;

describe('a line that is searched for', () => {
  it.each(['clear n', 'nylon 0.26', '0,26', '.26', '26', 'cn-26', '207', '8 lb', 'CLÉAR', ''])(
    '%s',
    (typed) => {
      expect(finds(typed, words)).toBe(true);
    },
  );

  it.each(['ear', 'clear braid', '0.2 9 lb', '6', 'x'])('not by %s', (typed) => {
    expect(finds(typed, words)).toBe(false);
  });
});
