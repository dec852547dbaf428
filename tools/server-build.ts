import { renameSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fingerprintOf, isBuiltFrom } from './built-from';
import { Plainly } from './say';

const FOLDER = path.resolve('dist', 'server');
const STAMP = path.join(FOLDER, '.built-from');
/** The server's program, built. */
export const SERVER_PROGRAM = path.join(FOLDER, 'serve.mjs');

/** The server's own process and the threads beside its loop. */
const PROGRAMS = ['tools/serve.ts', 'server/features/plans/saw-worker.ts', 'server/features/papers/paper-worker.ts'];
/** What brings machine code, threads or files of its own, and so is read from where it was installed. */
const AS_INSTALLED = ['sharp', '@node-rs/argon2', 'piscina', 'pdfmake', 'pg-native', 'pg-hstore'];
/** Packages of the older kind ask for Node's own by a function that newer modules lack. */
const OLDER_KIND = `import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);`;

/** Build the server into a few files, which are read in half the time of its thousands, unless they stand built from these very sources. */
export async function buildServer(): Promise<void> {
  const wanted = fingerprintOf(['core', 'contract', 'server', 'tools']);
  if (isBuiltFrom(STAMP, wanted)) return;
  console.log('Building the server …');
  // Made beside its place: a build cut short, or a second one at the same time, leaves nothing half made.
  const fresh = `${FOLDER}.${process.pid}`;
  // Read in where something is to be built alone.
  const { build } = await import('esbuild');
  try {
    await build({
      entryPoints: PROGRAMS,
      outdir: fresh,
      ...{ entryNames: '[name]', outExtension: { '.js': '.mjs' } },
      ...{ bundle: true, splitting: true, platform: 'node', format: 'esm', target: 'node20', logLevel: 'silent' },
      ...{ external: AS_INSTALLED, banner: { js: OLDER_KIND } },
    });
  } catch (error) {
    throw new Plainly(`The server could not be built.\n${String(error)}`);
  }
  writeFileSync(path.join(fresh, path.basename(STAMP)), wanted);
  rmSync(FOLDER, { recursive: true, force: true });
  renameSync(fresh, FOLDER);
}
