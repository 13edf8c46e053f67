import { X509Certificate } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { hostname, networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { generate } from 'selfsigned';
import { Told } from './progress.mjs';

const DAY = 86_400_000;
/** Browsers take no certificate that is good for longer than this, days. */
const GOOD_FOR = 365;
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
 * The certificate and key to speak HTTPS with: those that were given, or a pair of its own made for these names, kept in
 * the folder where only its owner reads it, and made again in time.
 * @param {string} folder
 * @param {readonly string[]} names
 * @param {{ cert?: string | undefined, key?: string | undefined }} given files
 * @returns {Promise<{ cert: string, key: string, fingerprint: string }>} files, and what a browser shows of it
 */
export async function certificateFor(folder, names, given) {
  if (given.cert !== undefined || given.key !== undefined) return givenOne(given);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const [cert, key] = [join(folder, 'certificate.pem'), join(folder, 'key.pem')];
  if (!existsSync(cert) || !existsSync(key) || !isGood(cert, names)) await make(cert, key, names);
  return { cert, key, fingerprint: fingerprintOf(cert) };
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
  return { cert, key, fingerprint: fingerprintOf(cert) };
}

/** @param {string} cert @param {readonly string[]} names */
function isGood(cert, names) {
  try {
    const there = new X509Certificate(readFileSync(cert));
    const enough = Date.parse(there.validTo) > Date.now() + RENEW_BEFORE * DAY;
    return (
      enough &&
      names.every((name) => (isIp(name) ? there.checkIP(name) : there.checkHost(name)) !== undefined)
    );
  } catch {
    return false;
  }
}

/** @param {string} name */
const isIp = (name) => /^\d+\.\d+\.\d+\.\d+$/.test(name);

/** @param {string} cert */
const fingerprintOf = (cert) => new X509Certificate(readFileSync(cert)).fingerprint256;

/** @param {string} cert @param {string} key @param {readonly string[]} names */
async function make(cert, key, names) {
  const made = await generate([{ name: 'commonName', value: 'Yard Spool in this shop' }], {
    keyType: 'ec',
    curve: 'P-256',
    algorithm: 'sha256',
    notBeforeDate: new Date(Date.now() - DAY),
    notAfterDate: new Date(Date.now() + GOOD_FOR * DAY),
    extensions: [
      { name: 'basicConstraints', cA: false },
      { name: 'keyUsage', digitalSignature: true },
      { name: 'extKeyUsage', serverAuth: true },
      {
        name: 'subjectAltName',
        altNames: names.map((name) => (isIp(name) ? { type: 7, ip: name } : { type: 2, value: name })),
      },
    ],
  });
  writeFileSync(key, made.private, { mode: 0o600 });
  writeFileSync(cert, made.cert, { mode: 0o600 });
}
