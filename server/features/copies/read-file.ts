import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';

/** SHA-256 of a file's bytes, from one of them on, in hex. */
export async function sumOf(file: string, start = 0): Promise<string> {
  const hash = createHash('sha256');
  for await (const part of createReadStream(file, { start })) hash.update(part as Buffer);
  return hash.digest('hex');
}

/** What a text holds as JSON; null of one that holds none. */
export function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
