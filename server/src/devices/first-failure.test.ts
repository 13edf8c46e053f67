import { expect, it } from 'vitest';
import { FirstFailure } from './first-failure';

it('tells of a failure once, and again after it worked meanwhile', () => {
  const told: unknown[] = [];
  const first = new FirstFailure((error) => told.push(error));
  first.failed('away');
  first.failed('away');
  expect(told).toEqual(['away']);
  first.worked();
  first.failed('away again');
  expect(told).toEqual(['away', 'away again']);
});
