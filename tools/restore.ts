import { restore } from '../server/features/copies/copies';
import { inEmptyPlace, toldPath } from './at-shop';
import { endWith } from './say';
import { readCopySettings, readSettings } from './settings';

/** A copy into an empty data folder, or an empty database: npm run restore FILE. */
async function restoreCopy(): Promise<void> {
  const settings = readSettings(process.env);
  const { passphrase } = readCopySettings(process.env, settings.dataFolder);
  const file = toldPath('Say which copy: npm run restore -- FILE');
  await inEmptyPlace(settings, ({ programs, url }) => restore(programs, file, url, passphrase));
}

restoreCopy().catch(endWith);
