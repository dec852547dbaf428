import { createCipheriv, createDecipheriv, randomBytes, scryptSync } from 'node:crypto';
import {
  closeSync,
  createReadStream,
  createWriteStream,
  fsyncSync,
  openSync,
  readSync,
  renameSync,
  rmSync,
} from 'node:fs';
import { pipeline } from 'node:stream/promises';
import * as z from 'zod';
import { jsonOf, sumOf } from './read-file';

/** Why a copy cannot be made or read, in one sentence. */
export class CopyTrouble extends Error {
  override readonly name = 'CopyTrouble';
}

const NO_WAY: Readonly<Record<string, string>> = {
  ENOSPC: 'there is no room',
  EACCES: 'it may not be written',
  EROFS: 'it may only be read',
  ENOTDIR: 'part of it is a file',
  EEXIST: 'it is a file',
};
/** Why nothing could be written there, in words where the system's code is known; as it was where not. */
export function noWayInto(folder: string, error: unknown): unknown {
  const why = NO_WAY[(error as { code?: string }).code ?? ''];
  if (why === undefined || error instanceof CopyTrouble) return error;
  return new CopyTrouble(`No copy can be put into ${folder}: ${why}. The copies before are as they were.`);
}

/**
 * A copy of the shop is one file: a line of JSON that says what it is, then the database's own dump (pg_dump's
 * custom format), encrypted where a passphrase was given. docs/formats.md describes it.
 */
const head = z.object({
  format: z.literal('odontis-copy'),
  version: z.literal(1),
  madeAt: z.iso.datetime(),
  /** Of the bytes after this line, as they stand. */
  sha256: z.string().regex(/^[0-9a-f]{64}$/),
  /** The database's shape: every migration it had. */
  migrations: z.array(z.string()),
  /** AES-256 in Galois counter mode, its key out of the passphrase by scrypt (RFC 7914); base64. Null: not encrypted. */
  encrypted: z.object({ salt: z.string(), iv: z.string(), tag: z.string() }).nullable(),
});
export type CopyHead = z.infer<typeof head>;

/** Longer first lines are of no copy. */
const LONGEST_HEAD = 64_000;
const IV_BYTES = 12;
const SALT_BYTES = 16;
const KEY_BYTES = 32;
const key = (passphrase: string, salt: Buffer): Buffer => scryptSync(passphrase, salt, KEY_BYTES);

/** A dump into a copy beside its place, moved there when it is whole and on disk: a copy cut short is none. */
export async function writeCopy(
  dump: string,
  into: string,
  told: Pick<CopyHead, 'madeAt' | 'migrations'>,
  passphrase: string | null,
): Promise<void> {
  const [body, whole] = [`${into}.body`, `${into}.new`];
  try {
    let encrypted: CopyHead['encrypted'] = null;
    if (passphrase !== null) {
      const [salt, iv] = [randomBytes(SALT_BYTES), randomBytes(IV_BYTES)];
      const cipher = createCipheriv('aes-256-gcm', key(passphrase, salt), iv);
      await pipeline(createReadStream(dump), cipher, createWriteStream(body, { mode: 0o600 }));
      const [saltText, ivText, tag] = [salt, iv, cipher.getAuthTag()].map((bytes) => bytes.toString('base64'));
      encrypted = { salt: saltText ?? '', iv: ivText ?? '', tag: tag ?? '' };
    }
    const from = encrypted ? body : dump;
    const line: CopyHead = { format: 'odontis-copy', version: 1, ...told, sha256: await sumOf(from), encrypted };
    const out = createWriteStream(whole, { mode: 0o600 });
    out.write(`${JSON.stringify(line)}\n`);
    await pipeline(createReadStream(from), out);
    const opened = openSync(whole, 'r+');
    fsyncSync(opened);
    closeSync(opened);
    renameSync(whole, into);
  } finally {
    rmSync(body, { force: true });
    rmSync(whole, { force: true });
  }
}

/** The first line of a copy, and where its body begins. CopyTrouble for what is none. */
export function readHead(file: string): { readonly head: CopyHead; readonly bodyAt: number } {
  const none = (): never => {
    throw new CopyTrouble(`${file} is no copy of a shop.`);
  };
  let opened: number;
  try {
    opened = openSync(file, 'r');
  } catch {
    throw new CopyTrouble(`${file} cannot be read: is it there?`);
  }
  try {
    const bytes = Buffer.alloc(LONGEST_HEAD);
    const first = bytes.subarray(0, readSync(opened, bytes, 0, LONGEST_HEAD, 0));
    const end = first.indexOf(10);
    if (end < 0) return none();
    const read = head.safeParse(jsonOf(first.subarray(0, end).toString('utf8')));
    return read.success ? { head: read.data, bodyAt: end + 1 } : none();
  } finally {
    closeSync(opened);
  }
}

/** The dump out of a copy, checked first: every byte as it was written, and the passphrase the right one. CopyTrouble where not. */
export async function readCopy(file: string, into: string, passphrase: string | null): Promise<CopyHead> {
  const { head: told, bodyAt } = readHead(file);
  if ((await sumOf(file, bodyAt)) !== told.sha256)
    throw new CopyTrouble(
      `${file} is not as it was written: it was cut short or changed. Nothing was restored; take another copy.`,
    );
  if (told.encrypted !== null && passphrase === null)
    throw new CopyTrouble(`${file} is encrypted: give its passphrase as ODONTIS_PASSPHRASE.`);
  const body = createReadStream(file, { start: bodyAt });
  const out = createWriteStream(into, { mode: 0o600 });
  if (told.encrypted === null || passphrase === null) {
    await pipeline(body, out);
    return told;
  }
  const { salt, iv, tag } = told.encrypted;
  const [saltBytes, ivBytes, tagBytes] = [salt, iv, tag].map((text) => Buffer.from(text, 'base64')) as [
    Buffer,
    Buffer,
    Buffer,
  ];
  const decipher = createDecipheriv('aes-256-gcm', key(passphrase, saltBytes), ivBytes);
  decipher.setAuthTag(tagBytes);
  try {
    await pipeline(body, decipher, out);
  } catch {
    rmSync(into, { force: true });
    throw new CopyTrouble(`The passphrase is not that of ${file}. Nothing was restored.`);
  }
  return told;
}
