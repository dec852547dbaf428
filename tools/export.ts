import { exportShop } from '../server/features/copies/write-export';
import { atShop, toldPath } from './at-shop';
import { endWith } from './say';
import { readSettings } from './settings';

/** The whole shop in open forms, running or not: npm run export FOLDER. */
async function writeExport(): Promise<void> {
  const folder = toldPath('Say where to: npm run export -- FOLDER');
  await atShop(readSettings(process.env), ({ url }) => exportShop(url, folder, new Date()));
  console.log(`Everything of the shop lies in ${folder}, open to whoever reads it. Passwords are not among it.`);
}

writeExport().catch(endWith);
