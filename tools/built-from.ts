import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

/** Everything that is built from a folder, specs apart. */
function* sources(folder: string): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (['node_modules', 'dist', '.angular'].includes(entry.name)) continue;
    const full = path.join(folder, entry.name);
    if (entry.isDirectory()) yield* sources(full);
    else if (!entry.name.endsWith('.spec.ts')) yield full;
  }
}

/** What tells these folders' sources, with the packages and the compiler's settings, from any others. */
export function fingerprintOf(folders: readonly string[]): string {
  const hash = createHash('sha256');
  for (const folder of folders) {
    for (const file of [...sources(folder)].sort()) hash.update(file).update(readFileSync(file));
  }
  return hash.update(readFileSync('package-lock.json')).update(readFileSync('tsconfig.base.json')).digest('hex');
}

/** Whether what stands was built from sources of this fingerprint. */
export const isBuiltFrom = (stamp: string, fingerprint: string): boolean =>
  existsSync(stamp) && readFileSync(stamp, 'utf8') === fingerprint;
