import { REEL_TRAITS } from '../lines/reel-type';
import { onlyIf, says, type BenchStep } from './bench-step';

/** A reel that counts its own line. */
export const counter: BenchStep = {
  when: ({ type }) => onlyIf(REEL_TRAITS[type].counter, 'optional'),
  words: says(
    'Counter against tape',
    'Supply uncut. Line clipped to a post, rod tip at the post, counter to zero. Walk out, rod tip at the mark, read. Wind back with the same pull.',
    'Reads high: add line. Reads low: take line off.',
  ),
};
