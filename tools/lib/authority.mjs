import 'reflect-metadata';
import { randomBytes, webcrypto } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { AsnConvert } from '@peculiar/asn1-schema';
import { GeneralName, GeneralSubtree, GeneralSubtrees, NameConstraints } from '@peculiar/asn1-x509';
import * as x509 from '@peculiar/x509';

const DAY = 86_400_000;
/** A tablet installs it once and keeps it, days. */
const AUTHORITY_GOOD_FOR = 3650;
/** Browsers take no server's certificate that is good for longer than this, days. */
const GOOD_FOR = 365;
/** Clocks of tablets that are behind, ms. */
const BEHIND = DAY;
const KEYS = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' };
/** Networks that are nobody's on the internet: RFC 1918, RFC 3927 and this machine itself. */
const LOCAL = ['10.0.0.0/8', '172.16.0.0/12', '192.168.0.0/16', '169.254.0.0/16', '127.0.0.0/8'];

x509.cryptoProvider.set(/** @type {never} */ (webcrypto));

/**
 * An authority's certificate and its private key.
 * @typedef {import('node:crypto').webcrypto.CryptoKey} CryptoKey
 * @typedef {{ certificate: x509.X509Certificate, key: CryptoKey }} Authority
 */

/**
 * The shop's own authority, made once and kept where only its owner reads it: what a tablet installs to know this shop's
 * server. It can vouch for the names it was made for and for addresses of local networks alone (RFC 5280, 4.2.1.10), so
 * that whoever stole its key could not stand for a bank.
 * @param {string} folder
 * @param {readonly string[]} names
 * @returns {Promise<Authority & { file: string }>}
 */
export async function shopAuthority(folder, names) {
  const file = join(folder, 'authority.pem');
  const keyFile = join(folder, 'authority-key.pem');
  const known = existsSync(file) && existsSync(keyFile) ? await readAuthority(file, keyFile) : null;
  if (known && known.certificate.notAfter.getTime() > Date.now() + GOOD_FOR * DAY && vouchesFor(known, names))
    return { ...known, file };
  const made = await makeAuthority(names);
  writeFileSync(keyFile, await pemOfKey(made.key), { mode: 0o600 });
  writeFileSync(file, made.certificate.toString('pem'), { mode: 0o600 });
  return { ...made, file };
}

/**
 * A server's certificate for some names, and its key, both as PEM.
 * @param {Authority} authority
 * @param {readonly string[]} names
 */
export async function certify(authority, names) {
  const keys = await newKeys();
  const made = await x509.X509CertificateGenerator.create({
    ...lifetime(GOOD_FOR),
    serialNumber: serial(),
    subject: 'CN=Yard Spool in this shop',
    issuer: authority.certificate.subject,
    publicKey: keys.publicKey,
    signingKey: authority.key,
    signingAlgorithm: KEYS,
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
      new x509.SubjectAlternativeNameExtension(
        names.map((value) => ({ type: isIp(value) ? 'ip' : 'dns', value })),
      ),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
      await x509.AuthorityKeyIdentifierExtension.create(authority.certificate.publicKey),
    ],
  });
  return { certificate: made.toString('pem'), key: await pemOfKey(keys.privateKey) };
}

/** @param {string} name */
const isIp = (name) => /^\d+\.\d+\.\d+\.\d+$/.test(name);

/** @param {string} file @param {string} keyFile @returns {Promise<Authority | null>} */
async function readAuthority(file, keyFile) {
  try {
    const [bytes] = x509.PemConverter.decode(readFileSync(keyFile, 'utf8'));
    return {
      certificate: new x509.X509Certificate(readFileSync(file, 'utf8')),
      key: await webcrypto.subtle.importKey('pkcs8', bytes ?? new ArrayBuffer(0), KEYS, true, ['sign']),
    };
  } catch {
    // What cannot be read is made again; tablets install the new one.
    return null;
  }
}

/** @param {readonly string[]} names @returns {Promise<Authority>} */
async function makeAuthority(names) {
  const keys = await newKeys();
  const certificate = await x509.X509CertificateGenerator.createSelfSigned({
    ...lifetime(AUTHORITY_GOOD_FOR),
    // A shop's tablets may know an older one of the same shop: each has a name of its own.
    serialNumber: serial(),
    name: `CN=Yard Spool authority ${randomBytes(2).toString('hex')}`,
    keys,
    signingAlgorithm: KEYS,
    extensions: [
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign, true),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
      new x509.Extension(NAME_CONSTRAINTS, true, AsnConvert.serialize(constraintsFor(names))),
    ],
  });
  return { certificate, key: keys.privateKey };
}

const NAME_CONSTRAINTS = '2.5.29.30';

/** @param {readonly string[]} names */
const constraintsFor = (names) =>
  new NameConstraints({
    permittedSubtrees: new GeneralSubtrees(
      [
        ...dnsNames(names).map((dNSName) => new GeneralName({ dNSName })),
        ...[...LOCAL, ...names.filter((name) => isIp(name) && !isLocal(name)).map((ip) => `${ip}/32`)].map(
          (iPAddress) => new GeneralName({ iPAddress }),
        ),
      ].map((base) => new GeneralSubtree({ base })),
    ),
  });

/** Every name below `.local` is this network's own (RFC 6762). @param {readonly string[]} names */
const dnsNames = (names) => [
  ...new Set(['local', ...names.filter((name) => !isIp(name) && !name.endsWith('.local'))]),
];

/** @param {string} ip */
const isLocal = (ip) => /^(10|127|192\.168|169\.254|172\.(1[6-9]|2\d|3[01]))\./.test(ip);

/** Whether an authority may vouch for all of these names. @param {Authority} authority @param {readonly string[]} names */
function vouchesFor({ certificate }, names) {
  const extension = certificate.getExtension(NAME_CONSTRAINTS);
  if (!extension) return false;
  const { permittedSubtrees = [] } = AsnConvert.parse(extension.value, NameConstraints);
  const dns = permittedSubtrees.flatMap(({ base }) => base.dNSName ?? []);
  const ips = permittedSubtrees.flatMap(({ base }) => base.iPAddress ?? []);
  return names.every((name) =>
    isIp(name) ? isLocal(name) || ips.includes(`${name}/32`) : dns.some((one) => isBelow(name, one)),
  );
}

/** @param {string} name @param {string} domain */
const isBelow = (name, domain) => name === domain || name.endsWith(`.${domain}`);

const newKeys = () => webcrypto.subtle.generateKey(KEYS, true, ['sign', 'verify']);

/** @param {number} days */
const lifetime = (days) => ({
  notBefore: new Date(Date.now() - BEHIND),
  notAfter: new Date(Date.now() + days * DAY),
});

/** A positive number of sixteen random bytes (RFC 5280, 4.1.2.2). */
const serial = () => `40${randomBytes(15).toString('hex')}`;

/** @param {CryptoKey} key */
const pemOfKey = async (key) =>
  x509.PemConverter.encode(await webcrypto.subtle.exportKey('pkcs8', key), 'PRIVATE KEY');
