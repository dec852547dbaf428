import os from 'node:os';

/** What this computer is called from within. */
const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'] as const;
/** Addresses that stand for every one this computer has. */
export const EVERYWHERE: ReadonlySet<string> = new Set(['0.0.0.0', '::', '[::]']);

/** An address of version 6 stands in brackets where a port may follow (RFC 3986, 3.2.2). */
const bracketed = (address: string): string => (address.includes(':') ? `[${address.split('%')[0]}]` : address);

/**
 * The names under which the shop answers, in small letters, without ports: its own loopback, the address it
 * listens on, and where that is every one, this computer's name and addresses. A page of any other name that was
 * turned to this computer is a stranger.
 */
export function ownNames(host: string): ReadonlySet<string> {
  const listens = host.toLowerCase();
  if (!EVERYWHERE.has(listens)) return new Set([...LOOPBACK, bracketed(listens)]);
  const name = os.hostname().toLowerCase();
  const addresses = Object.values(os.networkInterfaces()).flatMap((all) =>
    (all ?? []).map((one) => bracketed(one.address)),
  );
  return new Set([...LOOPBACK, name, `${name}.local`, ...addresses]);
}
