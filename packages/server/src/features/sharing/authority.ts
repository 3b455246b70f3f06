/**
 * The desk's own certificate authority, made once and kept under the data folder, and a certificate of it for the address the
 * desk is reached at. A phone that trusts the authority trusts the desk; one that does not is asked by its browser and may go on.
 */
import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import forge from 'node-forge';

const { pki, md } = forge;
const YEAR_MS = 365 * 86_400_000;
/** Browsers take no certificate of a server that is good for longer than about thirteen months. */
const SERVER_DAYS = 390;
const RENEW_DAYS = 30;

export interface Pair {
  readonly cert: string;
  readonly key: string;
}

/** The authority under a folder, made on the first start. */
export function authorityIn(folder: string): Pair {
  const [certPath, keyPath] = [join(folder, 'authority.crt'), join(folder, 'authority.key')];
  if (existsSync(certPath) && existsSync(keyPath)) return { cert: readFileSync(certPath, 'utf8'), key: readFileSync(keyPath, 'utf8') };
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const keys = pki.rsa.generateKeyPair(2048);
  const cert = certificate(keys.publicKey, 10 * YEAR_MS);
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
  ]);
  cert.sign(keys.privateKey, md.sha256.create());
  const pair = { cert: pki.certificateToPem(cert), key: pki.privateKeyToPem(keys.privateKey) };
  writeFileSync(keyPath, pair.key, { mode: 0o600 });
  writeFileSync(certPath, pair.cert);
  return pair;
}

/** A certificate for an address, signed by the authority: the one that is there while it is good for that address, else a new one. */
export function certificateFor(host: string, authority: Pair, folder: string): Pair {
  const [certPath, keyPath] = [join(folder, 'desk.crt'), join(folder, 'desk.key')];
  if (existsSync(certPath) && existsSync(keyPath)) {
    const pair = { cert: readFileSync(certPath, 'utf8'), key: readFileSync(keyPath, 'utf8') };
    if (isGoodFor(pair.cert, host, authority)) return pair;
  }
  const ca = pki.certificateFromPem(authority.cert);
  const keys = pki.rsa.generateKeyPair(2048);
  const cert = certificate(keys.publicKey, SERVER_DAYS * 86_400_000);
  cert.setSubject([{ name: 'commonName', value: host }]);
  cert.setIssuer(ca.subject.attributes);
  cert.setExtensions([
    { name: 'basicConstraints', cA: false },
    { name: 'keyUsage', digitalSignature: true, keyEncipherment: true, critical: true },
    { name: 'extKeyUsage', serverAuth: true },
    { name: 'subjectAltName', altNames: [/^[\d.]+$|:/.test(host) ? { type: 7, ip: host } : { type: 2, value: host }] },
  ]);
  cert.sign(pki.privateKeyFromPem(authority.key), md.sha256.create());
  const pair = { cert: pki.certificateToPem(cert), key: pki.privateKeyToPem(keys.privateKey) };
  writeFileSync(keyPath, pair.key, { mode: 0o600 });
  writeFileSync(certPath, pair.cert);
  return pair;
}

function certificate(publicKey: forge.pki.rsa.PublicKey, goodForMs: number): forge.pki.Certificate {
  const cert = pki.createCertificate();
  cert.publicKey = publicKey;
  // Positive, as a serial number has to be.
  cert.serialNumber = `01${randomBytes(15).toString('hex')}`;
  cert.validity.notBefore = new Date(Date.now() - 86_400_000);
  cert.validity.notAfter = new Date(Date.now() + goodForMs);
  return cert;
}

function isGoodFor(pem: string, host: string, authority: Pair): boolean {
  try {
    const cert = pki.certificateFromPem(pem);
    const soon = Date.now() + RENEW_DAYS * 86_400_000;
    return (
      (cert.subject.getField('CN') as { value?: unknown } | null)?.value === host &&
      cert.validity.notAfter.getTime() > soon &&
      pki.certificateFromPem(authority.cert).verify(cert)
    );
  } catch {
    return false;
  }
}
