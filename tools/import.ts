import { importShop } from '../server/features/copies/read-export';
import { inEmptyPlace, toldPath } from './at-shop';
import { endWith } from './say';
import { readSettings } from './settings';

/** An export into an empty data folder, or an empty database: npm run import FOLDER. */
async function readExport(): Promise<void> {
  const folder = toldPath('Say what to take in: npm run import -- FOLDER');
  await inEmptyPlace(readSettings(process.env), ({ url }) => importShop(folder, url));
  console.log('Its people choose their passwords anew: an owner first, at the next start, on that computer.');
}

readExport().catch(endWith);
