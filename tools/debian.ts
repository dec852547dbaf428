import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { Plainly } from './say';

const AT = '/usr/lib/postgresql';

/** Every PostgreSQL version with its server here, the newest first. */
function versionsAt(at: string): string[] {
  if (!existsSync(at)) return [];
  return readdirSync(at)
    .filter((name) => ['initdb', 'postgres'].every((program) => existsSync(path.join(at, name, 'bin', program))))
    .sort((a, b) => Number(b) - Number(a));
}

/**
 * Folder of PostgreSQL's programs: of the version that made a data folder, for no other reads it; for a new one of
 * the newest. Null where there are none. Plainly where that one version is missing.
 */
export function postgresPrograms(dataFolder: string | null = null, at = AT): string | null {
  const versions = versionsAt(at);
  const made = dataFolder === null ? '' : path.join(dataFolder, 'postgres', 'PG_VERSION');
  const wanted = existsSync(made) ? readFileSync(made, 'utf8').trim() : versions[0];
  if (wanted === undefined) return null;
  if (!versions.includes(wanted) && versions.length > 0)
    throw new Plainly(
      `The data in ${dataFolder} were made by PostgreSQL ${wanted}, and here is ${versions.join(' and ')}: install postgresql-${wanted} beside it.`,
    );
  return versions.length === 0 ? null : path.join(at, wanted, 'bin');
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

/** Where PostgreSQL's programs for a data folder are, installed first where there are none. */
export function ensurePostgres(dataFolder: string | null = null): string {
  if (postgresPrograms(dataFolder) === null) aptInstall(['postgresql'], 'PostgreSQL');
  const programs = postgresPrograms(dataFolder);
  if (programs === null) throw new Plainly(`PostgreSQL was installed but its programs are not under ${AT}.`);
  return programs;
}

/**
 * Debian's Chromium without windows, which is quicker than the whole one; the whole one serves as well. The program
 * itself, not the script of its name: that one does not take the browser along when it is ended.
 */
const CHROMIUMS = ['/usr/lib/chromium/chromium-headless-shell', '/usr/bin/chromium'] as const;

/** Debian's Chromium for the tests in a browser, installed first where there is none; named to Karma and Playwright as CHROME_BIN. */
export function ensureChromium(): string {
  const known = (): string | undefined => CHROMIUMS.find((program) => existsSync(program));
  if (known() === undefined) aptInstall(['chromium-headless-shell'], 'Chromium');
  const found = known();
  if (found === undefined) throw new Plainly(`Chromium was installed but is none of ${CHROMIUMS.join(', ')}.`);
  process.env['CHROME_BIN'] = found;
  return found;
}

/** Debian's certutil, by which the tests' tablet comes to trust the shop, installed first where there is none. */
export function ensureCertutil(): void {
  if (!existsSync('/usr/bin/certutil')) aptInstall(['libnss3-tools'], 'certutil');
}
