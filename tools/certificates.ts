import 'reflect-metadata';
import { randomBytes, webcrypto, X509Certificate } from 'node:crypto';
import { chmodSync, existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import path from 'node:path';
import * as x509 from '@peculiar/x509';

x509.cryptoProvider.set(webcrypto as unknown as Crypto);

/** What a server shows, and who vouches for it. PEM. */
export interface Certificates {
  readonly key: string;
  readonly cert: string;
  /** The shop's own authority, which a tablet trusts once; null where certificates come from elsewhere. */
  readonly authority: string | null;
}

/** ECDSA over P-256 with SHA-256: what every browser of today takes (CA/Browser Forum Baseline Requirements, 6.1.5). */
const KEYS = { name: 'ECDSA', namedCurve: 'P-256' } as const;
const SIGNED = { name: 'ECDSA', hash: 'SHA-256' } as const;
const DAY_MS = 86_400_000;
const AUTHORITY_DAYS = 3650;
/** Longer ones are refused by some browsers (CA/Browser Forum Baseline Requirements, 6.3.2: at most 398 days). */
const SERVER_DAYS = 397;
/** Renewed when so little of it is left. */
const RENEWED_DAYS = 30;
/** Clocks of tablets go wrong: valid from a day before. */
const BEFORE_MS = DAY_MS;

/** The names a certificate is for, as they stand in it: names and addresses, those of version 6 without brackets. */
const plainNames = (names: Iterable<string>): string[] => [...names].map((name) => name.replace(/^\[|\]$/g, '')).sort();

const serial = (): string => {
  const bytes = randomBytes(16);
  // Positive, as a serial number is (RFC 5280, 4.1.2.2).
  bytes[0] = (bytes[0] ?? 0) & 0x7f;
  return bytes.toString('hex');
};

async function pemOf(key: CryptoKey): Promise<string> {
  const der = await webcrypto.subtle.exportKey('pkcs8', key);
  return x509.PemConverter.encode(der, 'PRIVATE KEY');
}

/** Written aside and moved, read by its owner alone. */
function keep(file: string, text: string): void {
  writeFileSync(`${file}.new`, text, { mode: 0o600 });
  chmodSync(`${file}.new`, 0o600);
  renameSync(`${file}.new`, file);
}

/** An authority of this shop alone: it vouches for its server and for nothing that vouches further. */
async function makeAuthority(folder: string, now: number): Promise<void> {
  const keys = await webcrypto.subtle.generateKey(KEYS, true, ['sign', 'verify']);
  const authority = await x509.X509CertificateGenerator.createSelfSigned({
    serialNumber: serial(),
    name: `CN=Odontis of this shop ${serial().slice(0, 6)}`,
    notBefore: new Date(now - BEFORE_MS),
    notAfter: new Date(now + AUTHORITY_DAYS * DAY_MS),
    signingAlgorithm: SIGNED,
    keys,
    extensions: [
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign, true),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
    ],
  });
  keep(path.join(folder, 'authority.key'), await pemOf(keys.privateKey));
  keep(path.join(folder, 'authority.pem'), authority.toString('pem'));
}

async function makeServer(folder: string, names: readonly string[], now: number): Promise<void> {
  const authority = new x509.X509Certificate(readFileSync(path.join(folder, 'authority.pem'), 'utf8'));
  const der = x509.PemConverter.decodeFirst(readFileSync(path.join(folder, 'authority.key'), 'utf8'));
  const signingKey = await webcrypto.subtle.importKey('pkcs8', der, KEYS, false, ['sign']);
  const keys = await webcrypto.subtle.generateKey(KEYS, true, ['sign', 'verify']);
  const cert = await x509.X509CertificateGenerator.create({
    serialNumber: serial(),
    subject: 'CN=Odontis',
    issuer: authority.subject,
    notBefore: new Date(now - BEFORE_MS),
    notAfter: new Date(now + SERVER_DAYS * DAY_MS),
    signingAlgorithm: SIGNED,
    publicKey: keys.publicKey,
    signingKey,
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
      new x509.SubjectAlternativeNameExtension(
        names.map((value) => ({ type: isIP(value) > 0 ? ('ip' as const) : ('dns' as const), value })),
      ),
      await x509.AuthorityKeyIdentifierExtension.create(authority.publicKey),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
    ],
  });
  keep(path.join(folder, 'server.key'), await pemOf(keys.privateKey));
  keep(path.join(folder, 'server.pem'), cert.toString('pem'));
}

const endsAt = (pem: string): number => Date.parse(new X509Certificate(pem).validTo);

/** The names in a certificate. */
function namesIn(pem: string): string[] {
  const told = new X509Certificate(pem).subjectAltName ?? '';
  return told
    .split(', ')
    .map((one) => canonical(one.replace(/^(DNS|IP Address):/, '')))
    .sort();
}
/** An address of version 6 is written in more ways than one. */
const canonical = (name: string): string =>
  isIP(name) === 6 ? new URL(`http://[${name}]`).hostname.slice(1, -1) : name;

/** Whether what lies there is for these names, for long enough, and of this authority. */
function isGood(folder: string, names: readonly string[], now: number): boolean {
  const [file, authority] = ['server.pem', 'authority.pem'].map((name) => path.join(folder, name)) as [string, string];
  if (!existsSync(file) || !existsSync(path.join(folder, 'server.key'))) return false;
  try {
    const pem = readFileSync(file, 'utf8');
    const vouched = new X509Certificate(pem).verify(new X509Certificate(readFileSync(authority, 'utf8')).publicKey);
    const same = JSON.stringify(namesIn(pem)) === JSON.stringify(names.map(canonical).sort());
    return vouched && same && endsAt(pem) - now > RENEWED_DAYS * DAY_MS;
  } catch {
    // Half of a killed start: made anew.
    return false;
  }
}

/**
 * The shop's own authority and a certificate of it for these names and addresses, kept in the folder: made at the
 * first start, renewed a month before it ends or when the names are others. The authority stays, so that a tablet
 * trusts it once; only where it is gone or at its end is there a new one.
 */
export async function ownCertificates(
  folder: string,
  names: Iterable<string>,
  now: number = Date.now(),
): Promise<Certificates & { readonly authority: string; readonly isNew: boolean }> {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  chmodSync(folder, 0o700);
  const wanted = plainNames(names);
  const [pem, key] = ['authority.pem', 'authority.key'].map((name) => path.join(folder, name)) as [string, string];
  const stands = existsSync(pem) && existsSync(key) && endsAt(readFileSync(pem, 'utf8')) - now > SERVER_DAYS * DAY_MS;
  if (!stands) await makeAuthority(folder, now);
  if (!isGood(folder, wanted, now)) await makeServer(folder, wanted, now);
  const read = (name: string): string => readFileSync(path.join(folder, name), 'utf8');
  return { key: read('server.key'), cert: read('server.pem'), authority: read('authority.pem'), isNew: !stands };
}

/** What two people compare to know that they mean the same certificate. */
export const fingerprintOf = (pem: string): string => new X509Certificate(pem).fingerprint256;
