import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';

const KEY_BYTES = 32;
const COST = { N: 16384, r: 8, p: 1 };

const derive = (passcode: string, salt: Buffer): Promise<Buffer> =>
  new Promise((resolve, reject) => {
    scrypt(passcode.normalize('NFKC'), salt, KEY_BYTES, COST, (error, key) =>
      error ? reject(error) : resolve(key),
    );
  });

/** A passcode as it is kept: `scrypt$salt$key`, both base64. */
export async function hashPasscode(passcode: string): Promise<string> {
  const salt = randomBytes(16);
  return `scrypt$${salt.toString('base64')}$${(await derive(passcode, salt)).toString('base64')}`;
}

/** Whether a passcode is the kept one. Takes as long for a wrong one as for the right one. */
export async function checkPasscode(passcode: string, kept: string): Promise<boolean> {
  const [, salt = '', key = ''] = kept.split('$');
  const expected = Buffer.from(key, 'base64');
  const derived = await derive(passcode, Buffer.from(salt, 'base64'));
  return expected.length === derived.length && timingSafeEqual(expected, derived);
}
