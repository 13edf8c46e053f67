import { onlyIf, says, type BenchStep } from './bench-step';
import { quantity } from './step-field';

/** A reel that counts its own line. */
export const counter: BenchStep = {
  when: ({ type }) => onlyIf(type === 'trolling', 'optional'),
  words: says(
    'Counter against tape',
    'Line clipped to a post, tip at the post, zero the counter, walk to the 30 m (100 ft) mark and read it.',
    'Reads high: add line. Reads low: take line off.',
  ),
  fields: [quantity('reading', 'Counter reads at the mark', 'count', [0, 2000])],
};
