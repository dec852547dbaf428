import { CopyTrouble } from '../server/features/copies/copy-file';

/** A setting, a package or a port that is not as it must be: one line, no stack. */
export class Plainly extends Error {}

/** End with one clear line where one is known, with the stack only where nothing is. */
export function endWith(error: unknown): never {
  if (error instanceof Plainly || error instanceof CopyTrouble) console.error(error.message);
  else console.error(error);
  process.exit(1);
}
