import { expect, it } from 'vitest';
import { ownLineCode } from './own-line';

it('a customer’s own line goes by what it is made of and how thick it is', () => {
  expect(ownLineCode({ material: 'nylon', diameter: 0.28 })).toBe('OWN-NYLON-0280');
  expect(ownLineCode({ material: 'hollow-braid', diameter: 0.4 })).toBe('OWN-HOLLOW-0400');
  expect(ownLineCode({ material: 'fluorocarbon', diameter: 1.2 })).toBe('OWN-FLUORO-1200');
});
