import { existsSync, rmSync } from 'node:fs';
import path from 'node:path';
import { Cluster } from './cluster';
import { restore } from '../server/features/copies/copies';
import { ensurePostgres } from './debian';
import { endWith, Plainly } from './say';
import { readCopySettings, readSettings } from './settings';

/** A copy into an empty data folder, or an empty database: npm run restore FILE. */
async function restoreCopy(): Promise<void> {
  const settings = readSettings(process.env);
  const { passphrase } = readCopySettings(process.env, settings.dataFolder);
  const [told, ...more] = process.argv.slice(3);
  if (told === undefined || more.length > 0) throw new Plainly('Say which copy: npm run restore -- FILE');
  const file = path.resolve(process.env['INIT_CWD'] ?? '.', told);
  if (settings.databaseUrl !== null) {
    done(
      await restore(ensurePostgres(), file, settings.databaseUrl, passphrase),
      settings.databaseUrl.replace(/:[^:@/]*@/, '@'),
    );
    return;
  }
  const folder = settings.dataFolder;
  const fresh = !existsSync(path.join(folder, 'postgres'));
  if (!fresh && Cluster.runsAt(folder))
    throw new Plainly(`A shop runs on ${folder}. Stop it, or set ODONTIS_DATA to an empty folder.`);
  const programs = ensurePostgres(folder);
  const cluster = await Cluster.start({ programs, folder });
  let whole = false;
  try {
    done(await restore(programs, file, cluster.url(), passphrase), folder);
    whole = true;
  } finally {
    await cluster.stop();
    // What was made for a copy that could not be restored goes with it: the folder is as empty as it was.
    if (!whole && fresh)
      for (const made of ['postgres', 'cluster.json', 'postgres.log'])
        rmSync(path.join(folder, made), { recursive: true, force: true });
  }
}

/** A day as it is spoken, never the month first. */
const SAID = new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeStyle: 'short' });

const done = ({ madeAt }: { readonly madeAt: string }, into: string): void =>
  console.log(`The shop as it stood on ${SAID.format(new Date(madeAt))} is restored into ${into}.`);

restoreCopy().catch(endWith);
