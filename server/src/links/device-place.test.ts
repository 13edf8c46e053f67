import { expect, it } from 'vitest';
import { isSamePlace, placesOf, sameDevices } from './device-place';

it('an address leads to one place however it is spelled, and to another with another port', async () => {
  const here = await placesOf('127.0.0.1:4711');
  for (const same of ['localhost:4711', 'LOCALHOST:4711', '127.9.9.9:4711', '127.0.0.1:04711'])
    expect([same, isSamePlace(here, await placesOf(same))]).toEqual([same, true]);
  for (const other of ['127.0.0.1:4712', '192.168.1.7:4711', 'no-such-device.invalid:4711'])
    expect([other, isSamePlace(here, await placesOf(other))]).toEqual([other, false]);
});

it('a name that nobody knows now is the same as itself alone', async () => {
  const isOne = await sameDevices(['a.invalid:1', 'b.invalid:1', 'A.invalid:1']);
  expect(isOne('a.invalid:1', 'A.invalid:1')).toBe(true);
  expect(isOne('a.invalid:1', 'b.invalid:1')).toBe(false);
});
