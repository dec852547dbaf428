import { X509Certificate } from 'node:crypto';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { createSecureContext } from 'node:tls';
import { isLoopback } from '../server/http/loopback';
import { ownNames } from '../server/http/own-names';
import type { ServerTls } from '../server/main';
import { Plainly } from './say';
import type { Settings } from './settings';
import { readCertificateSettings } from './settings';

/** Whether nobody but this computer can reach it. */
const isOwnOnly = (host: string): boolean => host === 'localhost' || isLoopback(host) || host === '[::1]';

/** What the shop shows to other computers: certificates of its own, or those of the settings; none where no other reaches it. */
export async function tlsOf({ host, port, dataFolder }: Settings): Promise<ServerTls | null> {
  const given = readCertificateSettings(process.env);
  if (given !== null) {
    const read = (file: string): string => {
      try {
        return readFileSync(file, 'utf8');
      } catch {
        throw new Plainly(`${file} cannot be read.`);
      }
    };
    return certified({ key: read(given.key), cert: read(given.cert) });
  }
  if (isOwnOnly(host)) return null;
  const { ownCertificates, fingerprintOf } = await import('./certificates');
  const folder = path.join(dataFolder, 'tls');
  const names = (): Set<string> => new Set(ownNames(host));
  const own = await ownCertificates(folder, names());
  const trust = {
    authority: new X509Certificate(own.authority).raw,
    fingerprint: fingerprintOf(own.authority),
    addresses: othersOf(host).map((name) => `https://${name}:${port}`),
  };
  let shown = own.cert;
  const renewed = async () => {
    const { key, cert } = await ownCertificates(folder, names());
    if (cert === shown) return null;
    shown = cert;
    return { key, cert };
  };
  return { key: own.key, cert: own.cert, trust, renewed };
}

/** A certificate and its key, or one line of why they do not go. */
function certified(given: { key: string; cert: string }): ServerTls {
  try {
    createSecureContext(given);
  } catch {
    throw new Plainly('ODONTIS_CERT and ODONTIS_KEY are no certificate and its key, both in PEM.');
  }
  return given;
}

/** What others call this computer by, its addresses first: they are always found. */
function othersOf(host: string): string[] {
  const names = [...ownNames(host)].filter((name) => !isOwnOnly(name) && !name.startsWith('[fe80'));
  return names.sort((a, b) => Number(!/^[\d.]+$/.test(a)) - Number(!/^[\d.]+$/.test(b)));
}
