import { expect, it } from 'vitest';
import { isLocalIp, lookupLocal, mayBeLocal } from './local-address';

const lookedUp = (host: string): Promise<string> =>
  new Promise((resolve, reject) => {
    lookupLocal(host, {}, (error, address) =>
      error ? reject(error) : resolve(typeof address === 'string' ? address : ''),
    );
  });

it('only addresses of the shop’s own network are asked', async () => {
  for (const address of [
    '127.0.0.1',
    '10.1.2.3',
    '172.31.0.1',
    '192.168.1.40',
    '169.254.7.7',
    '::1',
    'fd00::1',
  ])
    expect(isLocalIp(address), address).toBe(true);
  for (const address of [
    '8.8.8.8',
    '172.32.0.1',
    '192.169.0.1',
    '100.64.0.1',
    '0.0.0.0',
    '2001:db8::1',
    'counter',
  ])
    expect(isLocalIp(address), address).toBe(false);
  expect(mayBeLocal('counter-2.local')).toBe(true);
  expect(mayBeLocal('203.0.113.9')).toBe(false);
  expect(isLocalIp(await lookedUp('localhost'))).toBe(true);
  // A name that leads outside is as if it were not there.
  await expect(lookedUp('203.0.113.9')).rejects.toThrow(/not in this network/);
});
