import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import type { ScryptCost } from '../context/passcode-cost';

/** What passcodes cost before the cost was kept with them. */
const FIRST_COST: ScryptCost = { N: 16_384, r: 8, p: 1 };

const KEY_BYTES = 32;
/** Room beyond what the cost itself takes, bytes. */
const MEMORY = 128 * 1024 * 1024;

const derive = (passcode: string, salt: Buffer, cost: ScryptCost): Promise<Buffer> =>
  new Promise((resolve, reject) => {
    scrypt(passcode.normalize('NFKC'), salt, KEY_BYTES, { ...cost, maxmem: MEMORY }, (error, key) =>
      error ? reject(error) : resolve(key),
    );
  });

/** A passcode as it is kept: `scrypt$N,r,p$salt$key`, salt and key in base64; older ones have no cost. */
export async function hashPasscode(passcode: string, cost: ScryptCost): Promise<string> {
  const salt = randomBytes(16);
  const key = await derive(passcode, salt, cost);
  return `scrypt$${[cost.N, cost.r, cost.p].join(',')}$${salt.toString('base64')}$${key.toString('base64')}`;
}

/** Whether a passcode is the kept one. Takes as long for a wrong one as for the right one. */
export async function checkPasscode(passcode: string, kept: string): Promise<boolean> {
  const { cost, salt, key } = partsOf(kept);
  const expected = Buffer.from(key, 'base64');
  const derived = await derive(passcode, Buffer.from(salt, 'base64'), cost);
  return expected.length === derived.length && timingSafeEqual(expected, derived);
}

/** Whether a passcode is kept at another cost than today's, and is to be hashed again when it is next typed. */
export const isOfAnotherCost = (kept: string, { N, r, p }: ScryptCost): boolean => {
  const { cost } = partsOf(kept);
  return cost.N !== N || cost.r !== r || cost.p !== p;
};

function partsOf(kept: string): { cost: ScryptCost; salt: string; key: string } {
  const parts = kept.split('$');
  if (parts.length < 4) return { cost: FIRST_COST, salt: parts[1] ?? '', key: parts[2] ?? '' };
  const [N = 0, r = 0, p = 0] = (parts[1] ?? '').split(',').map(Number);
  return { cost: { N, r, p }, salt: parts[2] ?? '', key: parts[3] ?? '' };
}
