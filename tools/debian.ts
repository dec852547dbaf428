import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { Plainly } from './say';

const AT = '/usr/lib/postgresql';

/** Folder of the newest PostgreSQL server's programs, or null. */
export function postgresPrograms(): string | null {
  if (!existsSync(AT)) return null;
  const versions = readdirSync(AT)
    .filter(
      (name) => existsSync(path.join(AT, name, 'bin', 'initdb')) && existsSync(path.join(AT, name, 'bin', 'postgres')),
    )
    .sort((a, b) => Number(b) - Number(a));
  return versions[0] === undefined ? null : path.join(AT, versions[0], 'bin');
}

/** Install Debian packages when root; otherwise say the one command and stop. */
function aptInstall(packages: readonly string[], what: string): void {
  if (process.getuid?.() !== 0) {
    throw new Plainly(`${what} is missing. Install it once with:  sudo apt-get install -y ${packages.join(' ')}`);
  }
  console.log(`Installing ${what} from Debian …`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const run = (args: string[]) => spawnSync('apt-get', args, { env, stdio: ['ignore', 'ignore', 'inherit'] });
  run(['update', '-qq']);
  if (run(['install', '-y', '-qq', '--no-install-recommends', ...packages]).status !== 0) {
    throw new Plainly(`${what} could not be installed with apt-get install ${packages.join(' ')}.`);
  }
}

/** Where PostgreSQL's programs are, installed first where they are not. */
export function ensurePostgres(): string {
  if (postgresPrograms() === null) aptInstall(['postgresql'], 'PostgreSQL');
  const programs = postgresPrograms();
  if (programs === null) throw new Plainly(`PostgreSQL was installed but its programs are not under ${AT}.`);
  return programs;
}

/** Debian's Chromium without windows, which is quicker than the whole one; the whole one serves as well. */
const CHROMIUMS = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'] as const;

/** Debian's Chromium for the tests in a browser, installed first where there is none; named to Karma and Playwright as CHROME_BIN. */
export function ensureChromium(): string {
  const known = (): string | undefined => CHROMIUMS.find((program) => existsSync(program));
  if (known() === undefined) aptInstall(['chromium-headless-shell'], 'Chromium');
  const found = known();
  if (found === undefined) throw new Plainly(`Chromium was installed but is none of ${CHROMIUMS.join(', ')}.`);
  process.env['CHROME_BIN'] = found;
  return found;
}
