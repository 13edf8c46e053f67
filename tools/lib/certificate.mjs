import { X509Certificate } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { hostname, networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { Told } from './progress.mjs';

const DAY = 86_400_000;
/** One that ends sooner than this is made again, days. */
const RENEW_BEFORE = 30;

/** Addresses of this machine in the shop's network. */
export const ownAddresses = () =>
  Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    .filter(({ internal, family }) => !internal && family === 'IPv4')
    .map(({ address }) => address);

/**
 * Names this machine is asked for by: what it calls itself, and its addresses.
 * @param {readonly string[]} told names somebody gave it besides
 */
export const ownNames = (told) => [
  ...new Set([...told, hostname(), `${hostname()}.local`, ...ownAddresses(), 'localhost', '127.0.0.1']),
];

/**
 * The certificate and key to speak HTTPS with: those that were given, or a pair made for these names by the shop's own
 * authority, kept in the folder where only its owner reads it, and made again in time.
 * @param {string} folder
 * @param {readonly string[]} names
 * @param {{ cert?: string | undefined, key?: string | undefined }} given files
 * @returns {Promise<{ cert: string, key: string, authority: string | null, fingerprint: string }>} files, the authority's
 *   among them where it is the shop's own, and the fingerprint of what a tablet is to know
 */
export async function certificateFor(folder, names, given) {
  if (given.cert !== undefined || given.key !== undefined) return givenOne(given);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  // What makes certificates is an installed package, and this file is read before anything is installed.
  const { certify, shopAuthority } = await import('./authority.mjs');
  const authority = await shopAuthority(folder, names);
  const cert = join(folder, 'certificate.pem');
  const key = join(folder, 'key.pem');
  if (!existsSync(cert) || !existsSync(key) || !isGood(cert, names, authority.file)) {
    const made = await certify(authority, names);
    writeFileSync(key, made.key, { mode: 0o600 });
    writeFileSync(cert, made.certificate, { mode: 0o600 });
  }
  return { cert, key, authority: authority.file, fingerprint: fingerprintOf(authority.file) };
}

/** @param {{ cert?: string | undefined, key?: string | undefined }} given */
function givenOne({ cert, key }) {
  if (cert === undefined || key === undefined)
    throw new Told('A certificate needs its key and a key its certificate: give both --cert and --key.');
  try {
    const there = new X509Certificate(readFileSync(cert));
    if (Date.parse(there.validTo) < Date.now())
      throw new Told(`The certificate ${cert} ended on ${there.validTo}.`);
    readFileSync(key);
  } catch (error) {
    if (error instanceof Told) throw error;
    throw new Told(
      `The certificate ${cert} or its key cannot be read: ${error instanceof Error ? error.message : error}`,
    );
  }
  return { cert, key, authority: null, fingerprint: fingerprintOf(cert) };
}

/** @param {string} cert @param {readonly string[]} names @param {string} authority */
function isGood(cert, names, authority) {
  try {
    const there = new X509Certificate(readFileSync(cert));
    const enough = Date.parse(there.validTo) > Date.now() + RENEW_BEFORE * DAY;
    return (
      enough &&
      there.verify(new X509Certificate(readFileSync(authority)).publicKey) &&
      names.every((name) => (isIP(name) ? there.checkIP(name) : there.checkHost(name)) !== undefined)
    );
  } catch {
    return false;
  }
}

/** @param {string} cert */
const fingerprintOf = (cert) => new X509Certificate(readFileSync(cert)).fingerprint256;
