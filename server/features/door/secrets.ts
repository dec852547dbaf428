import { createHash, createHmac, randomBytes, timingSafeEqual } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import type { Algorithm } from '@node-rs/argon2';

/** argon2id; the enumeration itself is for compilers that see over files. */
const ARGON2ID: Algorithm.Argon2id = 2;
/**
 * Cost of a password or code: 19 MiB, two passes, one lane (OWASP Password Storage Cheat Sheet, argon2id: "m=19456
 * (19 MiB), t=2, p=1"; RFC 9106 names the function).
 */
const COST = { algorithm: ARGON2ID, memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;

export const hashSecret = (secret: string): Promise<string> => hash(secret, COST);

/** Tried in the place of a hash that is not there, so that a name nobody has takes as long as one somebody has. */
let nobodys: Promise<string> | undefined;

/** Whether it is the one; as slow where there is none. */
export async function isSecret(kept: string | null, typed: string): Promise<boolean> {
  nobodys ??= hashSecret(randomBytes(16).toString('hex'));
  const right = await verify(kept ?? (await nobodys), typed);
  return kept !== null && right;
}

/** 256 random bits: what a screen's cookie holds. */
export const newToken = (): string => randomBytes(32).toString('base64url');
/** What is kept of a token; it is random, so a plain hash gives nothing away. */
export const tokenHash = (token: string): Buffer => createHash('sha256').update(token).digest();

/** What a page of the shop repeats in a header; only who has the screen's token can work it out. */
export const csrfOf = (token: string): string => createHmac('sha256', token).update('csrf').digest('base64url');
/** Whether the page repeated it, compared in a time that tells nothing. */
export function isCsrf(token: string, told: string | undefined): boolean {
  const [right, got] = [Buffer.from(csrfOf(token)), Buffer.from(told ?? '')];
  return right.length === got.length && timingSafeEqual(right, got);
}
