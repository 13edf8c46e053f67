import { expect, it } from 'vitest';
import { isSamePlace, placesOf, placesOfAll } from './device-place';

it('an address leads to one place however it is spelled, and to another with another port', async () => {
  const here = await placesOf('127.0.0.1:4711');
  for (const same of ['localhost:4711', 'LOCALHOST:4711', '127.9.9.9:4711', '127.0.0.1:04711'])
    expect([same, isSamePlace(here, await placesOf(same))]).toEqual([same, true]);
  for (const other of ['127.0.0.1:4712', '192.168.1.7:4711', 'no-such-device.invalid:4711'])
    expect([other, isSamePlace(here, await placesOf(other))]).toEqual([other, false]);
});

it('a name that nobody knows now is the same as itself alone', async () => {
  const places = await placesOfAll(['a.invalid:1', 'b.invalid:1', 'a.invalid:1']);
  const of = (address: string): ReadonlySet<string> => places.get(address) ?? new Set();
  expect(isSamePlace(of('a.invalid:1'), await placesOf('A.invalid:1'))).toBe(true);
  expect(isSamePlace(of('a.invalid:1'), of('b.invalid:1'))).toBe(false);
});
