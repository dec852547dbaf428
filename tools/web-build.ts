import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { Plainly } from './say';

export const WEB_FOLDER = path.resolve('web', 'dist', 'browser');
const STAMP = path.resolve('web', 'dist', '.built-from');

/** Everything the web app is built from, specs apart. */
function* sources(folder: string): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (['node_modules', 'dist', '.angular'].includes(entry.name)) continue;
    const full = path.join(folder, entry.name);
    if (entry.isDirectory()) yield* sources(full);
    else if (!entry.name.endsWith('.spec.ts')) yield full;
  }
}

function fingerprint(): string {
  const hash = createHash('sha256');
  for (const folder of ['core', 'contract', 'web']) {
    for (const file of [...sources(folder)].sort()) hash.update(file).update(readFileSync(file));
  }
  return hash.update(readFileSync('package-lock.json')).update(readFileSync('tsconfig.base.json')).digest('hex');
}

/** Build the web app unless it stands built from these very sources. */
export function buildWeb(): void {
  const wanted = fingerprint();
  if (existsSync(path.join(WEB_FOLDER, 'index.html')) && existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted)
    return;
  console.log('Building the web app …');
  const built = spawnSync('npx', ['ng', 'build', '--configuration', 'production', '--progress=false'], {
    cwd: 'web',
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  if (built.status !== 0) throw new Plainly(`The web app could not be built.\n${built.stdout}\n${built.stderr}`);
  writeFileSync(STAMP, wanted);
}
