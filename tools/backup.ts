import path from 'node:path';
import { Cluster } from './cluster';
import { backUp } from '../server/features/copies/copies';
import { ensurePostgres } from './debian';
import { endWith } from './say';
import { readCopySettings, readSettings } from './settings';

/** One copy of the shop, running or not: npm run backup. */
async function backup(): Promise<void> {
  const settings = readSettings(process.env);
  const copies = readCopySettings(process.env, settings.dataFolder);
  const programs = ensurePostgres(settings.databaseUrl === null ? settings.dataFolder : null);
  const ran = Cluster.runsAt(settings.dataFolder);
  const cluster = settings.databaseUrl === null ? await Cluster.start({ programs, folder: settings.dataFolder }) : null;
  try {
    const url = cluster?.url() ?? (settings.databaseUrl as string);
    const file = await backUp({ programs, url, now: new Date(), ...copies });
    console.log(`Copied to ${path.resolve(file)}${copies.passphrase === null ? '' : ', encrypted'}.`);
  } finally {
    if (cluster && !ran) await cluster.stop();
  }
}

backup().catch(endWith);
