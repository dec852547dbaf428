import { existsSync, rmSync } from 'node:fs';
import path from 'node:path';
import { Cluster } from './cluster';
import { ensurePostgres } from './debian';
import { Plainly } from './say';
import type { Settings } from './settings';

/** PostgreSQL's programs and the database that somebody works on. */
export interface AtShop {
  readonly programs: string;
  readonly url: string;
}

/** Work on a shop's database, running or not; left as it was found. */
export async function atShop(settings: Settings, work: (shop: AtShop) => Promise<void>): Promise<void> {
  if (settings.databaseUrl !== null) return work({ programs: ensurePostgres(), url: settings.databaseUrl });
  const folder = settings.dataFolder;
  if (!existsSync(path.join(folder, 'postgres'))) throw new Plainly(`There is no shop in ${folder}.`);
  const ran = Cluster.runsAt(folder);
  const programs = ensurePostgres(folder);
  const cluster = await Cluster.start({ programs, folder });
  try {
    await work({ programs, url: cluster.url() });
  } finally {
    if (!ran) await cluster.stop();
  }
}

/** Something brought back into an empty data folder or database; the folder is as empty as it was where it could not be. */
export async function inEmptyPlace(
  settings: Settings,
  work: (shop: AtShop) => Promise<{ readonly madeAt: string }>,
): Promise<void> {
  if (settings.databaseUrl !== null) {
    const url = settings.databaseUrl;
    return say(await work({ programs: ensurePostgres(), url }), url.replace(/:[^:@/]*@/, '@'));
  }
  const folder = settings.dataFolder;
  const fresh = !existsSync(path.join(folder, 'postgres'));
  if (!fresh && Cluster.runsAt(folder))
    throw new Plainly(`A shop runs on ${folder}. Stop it, or set ODONTIS_DATA to an empty folder.`);
  const programs = ensurePostgres(folder);
  const cluster = await Cluster.start({ programs, folder });
  let whole = false;
  try {
    say(await work({ programs, url: cluster.url() }), folder);
    whole = true;
  } finally {
    await cluster.stop();
    if (!whole && fresh)
      for (const made of ['postgres', 'cluster.json', 'postgres.log'])
        rmSync(path.join(folder, made), { recursive: true, force: true });
  }
}

/** A day as it is spoken, never the month first. */
const SAID = new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeStyle: 'short' });

const say = ({ madeAt }: { readonly madeAt: string }, into: string): void =>
  console.log(`The shop as it stood on ${SAID.format(new Date(madeAt))} is brought back into ${into}.`);

/** The one file or folder that a command was told, from where it was called; `usage` where it was told none, or more. */
export function toldPath(usage: string): string {
  const [told, ...more] = process.argv.slice(3);
  if (told === undefined || more.length > 0) throw new Plainly(usage);
  return path.resolve(process.env['INIT_CWD'] ?? '.', told);
}
