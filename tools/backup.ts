import path from 'node:path';
import { backUp } from '../server/features/copies/copies';
import { atShop } from './at-shop';
import { endWith } from './say';
import { readCopySettings, readSettings } from './settings';

/** One copy of the shop, running or not: npm run backup. */
async function backup(): Promise<void> {
  const settings = readSettings(process.env);
  const copies = readCopySettings(process.env, settings.dataFolder);
  await atShop(settings, async (shop) => {
    const file = await backUp({ ...shop, now: new Date(), ...copies });
    console.log(`Copied to ${path.resolve(file)}${copies.passphrase === null ? '' : ', encrypted'}.`);
  });
}

backup().catch(endWith);
