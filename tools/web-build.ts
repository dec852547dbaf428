import { spawnSync } from 'node:child_process';
import { existsSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fingerprintOf, isBuiltFrom } from './built-from';
import { Plainly } from './say';

export const WEB_FOLDER = path.resolve('web', 'dist', 'browser');
const STAMP = path.resolve('web', 'dist', '.built-from');

/** Build the web app unless it stands built from these very sources. */
export function buildWeb(): void {
  const wanted = fingerprintOf(['core', 'contract', 'web']);
  if (existsSync(path.join(WEB_FOLDER, 'index.html')) && isBuiltFrom(STAMP, wanted)) return;
  console.log('Building the web app …');
  const built = spawnSync('npx', ['ng', 'build', '--configuration', 'production', '--progress=false'], {
    cwd: 'web',
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  if (built.status !== 0) throw new Plainly(`The web app could not be built.\n${built.stdout}\n${built.stderr}`);
  writeFileSync(STAMP, wanted);
}
