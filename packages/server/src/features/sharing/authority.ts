/**
 * The desk's own certificate authority, made once and kept under the data folder, and a certificate of it for the address the
 * desk is reached at. A phone that trusts the authority trusts the desk; one that does not is asked by its browser and may go on.
 * Name constraints (RFC 5280, 4.2.1.10) keep a stolen key harmless elsewhere: it can vouch for private addresses, never for a name.
 */
import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { isIPv4 } from 'node:net';
import { join } from 'node:path';
import forge from 'node-forge';

const { asn1, pki, md } = forge;
const DAY_MS = 86_400_000;
const AUTHORITY_DAYS = 3650;
/** Browsers accept no server certificate that is valid for longer than about thirteen months. */
const SERVER_DAYS = 390;
const RENEW_DAYS = 30;
const NAME_CONSTRAINTS = '2.5.29.30';

/** PEM texts. */
export interface Pair {
  readonly cert: string;
  readonly key: string;
}

interface Range {
  readonly address: string;
  readonly bits: number;
}

/** Addresses that are never routed on the internet. Sources: RFC 1918, RFC 3927, RFC 6598. */
const PRIVATE_RANGES: readonly Range[] = [
  { address: '10.0.0.0', bits: 8 },
  { address: '172.16.0.0', bits: 12 },
  { address: '192.168.0.0', bits: 16 },
  { address: '169.254.0.0', bits: 16 },
  { address: '100.64.0.0', bits: 10 },
];

/**
 * The authority under a folder, made on the first start. One that may not vouch for `host`, or was made without name constraints,
 * is replaced, and has to be trusted anew.
 */
export function authorityIn(folder: string, host: string): Pair {
  const paths = pathsOf(folder, 'authority');
  const known = readPair(paths);
  if (known && permits(known.cert, host)) return known;
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const keys = pki.rsa.generateKeyPair(2048);
  const cert = certificate(keys.publicKey, AUTHORITY_DAYS);
  const name = [
    { name: 'commonName', value: `Keen Carcass, this desk (${randomBytes(3).toString('hex')})` },
    { name: 'organizationName', value: 'Keen Carcass' },
  ];
  cert.setSubject(name);
  cert.setIssuer(name);
  cert.setExtensions([
    { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
    { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
    { name: 'subjectKeyIdentifier' },
    { id: NAME_CONSTRAINTS, critical: true, value: nameConstraints(rangesFor(host)) },
  ]);
  cert.sign(keys.privateKey, md.sha256.create());
  return writePair(paths, { cert: pki.certificateToPem(cert), key: pki.privateKeyToPem(keys.privateKey) });
}

/** A certificate for an address, signed by the authority: the present one while it is good for that address, else a new one. */
export function certificateFor(host: string, authority: Pair, folder: string): Pair {
  const paths = pathsOf(folder, 'desk');
  const known = readPair(paths);
  if (known && isGoodFor(known.cert, host, authority)) return known;
  const ca = pki.certificateFromPem(authority.cert);
  const keys = pki.rsa.generateKeyPair(2048);
  const cert = certificate(keys.publicKey, SERVER_DAYS);
  // No address here: some clients would hold it against the constraints on names.
  cert.setSubject([{ name: 'commonName', value: 'Keen Carcass desk' }]);
  cert.setIssuer(ca.subject.attributes);
  cert.setExtensions([
    { name: 'basicConstraints', cA: false },
    { name: 'keyUsage', digitalSignature: true, keyEncipherment: true, critical: true },
    { name: 'extKeyUsage', serverAuth: true },
    { name: 'subjectAltName', altNames: [{ type: 7, ip: host }] },
  ]);
  cert.sign(pki.privateKeyFromPem(authority.key), md.sha256.create());
  return writePair(paths, { cert: pki.certificateToPem(cert), key: pki.privateKeyToPem(keys.privateKey) });
}

interface PairPaths {
  readonly cert: string;
  readonly key: string;
}

const pathsOf = (folder: string, name: string): PairPaths => ({ cert: join(folder, `${name}.crt`), key: join(folder, `${name}.key`) });

/** A certificate with its own key; null where one is missing, damaged, or not the other's. */
function readPair({ cert: certPath, key: keyPath }: PairPaths): Pair | null {
  if (!existsSync(certPath) || !existsSync(keyPath)) return null;
  try {
    const pair = { cert: readFileSync(certPath, 'utf8'), key: readFileSync(keyPath, 'utf8') };
    const own = pki.certificateFromPem(pair.cert).publicKey as forge.pki.rsa.PublicKey;
    return own.n.equals(pki.privateKeyFromPem(pair.key).n) ? pair : null;
  } catch {
    return null;
  }
}

/** Under other names first, so that a start that is cut off leaves no half a file. */
function writePair({ cert, key }: PairPaths, pair: Pair): Pair {
  for (const [path, text, mode] of [
    [key, pair.key, 0o600],
    [cert, pair.cert, 0o644],
  ] as const) {
    writeFileSync(`${path}.new`, text, { mode });
    renameSync(`${path}.new`, path);
  }
  return pair;
}

function certificate(publicKey: forge.pki.rsa.PublicKey, days: number): forge.pki.Certificate {
  const cert = pki.createCertificate();
  cert.publicKey = publicKey;
  // Positive, as a serial number has to be.
  cert.serialNumber = `01${randomBytes(15).toString('hex')}`;
  cert.validity.notBefore = new Date(Date.now() - DAY_MS);
  cert.validity.notAfter = new Date(Date.now() + days * DAY_MS);
  return cert;
}

/** An IPv4 address as four bytes, each a character as forge wants them. */
const bytesOf = (address: string): string => String.fromCharCode(...address.split('.').map(Number));
const maskOf = (bits: number): string => bytesOf([0, 1, 2, 3].map((n) => 256 - 2 ** (8 - Math.min(8, Math.max(0, bits - 8 * n)))).join('.'));

function isWithin(address: string, { address: base, bits }: Range): boolean {
  const mask = [...maskOf(bits)].map((byte) => byte.charCodeAt(0));
  const [own, range] = [bytesOf(address), bytesOf(base)];
  return mask.every((byte, n) => (own.charCodeAt(n) & byte) === (range.charCodeAt(n) & byte));
}

/** The private ranges; the address itself too where it is a public one. */
function rangesFor(host: string): readonly Range[] {
  if (!isIPv4(host)) throw new Error(`'${host}' is no IPv4 address`);
  return PRIVATE_RANGES.some((range) => isWithin(host, range)) ? PRIVATE_RANGES : [...PRIVATE_RANGES, { address: host, bits: 32 }];
}

/** DER of NameConstraints: these address ranges and no others, no DNS name at all. */
function nameConstraints(ranges: readonly Range[]): string {
  const { Class, Type, create } = asn1;
  const subtree = (tag: number, value: string): forge.asn1.Asn1 =>
    create(Class.UNIVERSAL, Type.SEQUENCE, true, [create(Class.CONTEXT_SPECIFIC, tag as forge.asn1.Type, false, value as unknown as forge.asn1.Asn1[])]);
  const [DNS_NAME, IP_ADDRESS] = [2, 7];
  const permitted = ranges.map(({ address, bits }) => subtree(IP_ADDRESS, bytesOf(address) + maskOf(bits)));
  const whole = create(Class.UNIVERSAL, Type.SEQUENCE, true, [
    create(Class.CONTEXT_SPECIFIC, 0 as forge.asn1.Type, true, permitted),
    create(Class.CONTEXT_SPECIFIC, 1 as forge.asn1.Type, true, [subtree(DNS_NAME, '')]),
  ]);
  return asn1.toDer(whole).getBytes();
}

/** Whether an authority is constrained, current, and may vouch for an address. */
function permits(pem: string, host: string): boolean {
  const cert = pki.certificateFromPem(pem);
  const constraints = (cert.getExtension({ id: NAME_CONSTRAINTS } as never) as { value?: string } | null)?.value;
  if (constraints === undefined || cert.validity.notAfter.getTime() < Date.now() + SERVER_DAYS * DAY_MS) return false;
  return constraints === nameConstraints(rangesFor(host));
}

function isGoodFor(pem: string, host: string, authority: Pair): boolean {
  const cert = pki.certificateFromPem(pem);
  const names = (cert.getExtension('subjectAltName') as { altNames?: { ip?: string }[] } | null)?.altNames ?? [];
  return (
    names.some(({ ip }) => ip === host) &&
    cert.validity.notAfter.getTime() > Date.now() + RENEW_DAYS * DAY_MS &&
    cert.issuer.hash === pki.certificateFromPem(authority.cert).subject.hash &&
    verifies(authority, cert)
  );
}

function verifies(authority: Pair, cert: forge.pki.Certificate): boolean {
  try {
    return pki.certificateFromPem(authority.cert).verify(cert);
  } catch {
    return false;
  }
}
