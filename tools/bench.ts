import { chmodSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { benchCore } from './bench-core';
import { benchTrace } from './bench-trace';
import { measurePages } from './bench-page';
import { measureRecord } from './bench-record';
import { measureRoutes } from './bench-routes';
import { measureSearch } from './bench-search';
import { measureStarts } from './bench-starts';
import { Cluster, freePort } from './cluster';
import { ensureChromium, ensurePostgres } from './debian';
import { endWith } from './say';
import { buildServer } from './server-build';
import { buildWeb, WEB_FOLDER } from './web-build';

/** Gzipped bytes a browser fetches before the first page: the files index.html names and what they import at once. */
function firstTransfer(): { files: number; kilobytes: number } {
  const html = readFileSync(path.join(WEB_FOLDER, 'index.html'), 'utf8');
  const wanted = new Set([...html.matchAll(/(?:src|href)="([^"]+\.(?:js|css))"/g)].map((m) => m[1] as string));
  for (const file of wanted) {
    if (!file.endsWith('.js')) continue;
    const text = readFileSync(path.join(WEB_FOLDER, file), 'utf8');
    for (const found of text.matchAll(/(?:from|import)\s*"\.\/([^"]+\.js)"/g)) wanted.add(found[1] as string);
  }
  const bytes = [...wanted].reduce((sum, file) => sum + gzipSync(readFileSync(path.join(WEB_FOLDER, file))).length, 0);
  return { files: wanted.size, kilobytes: bytes / 1000 };
}

function transfer(): void {
  const first = firstTransfer();
  const all = readdirSync(WEB_FOLDER).reduce((sum, f) => sum + statSync(path.join(WEB_FOLDER, f)).size, 0);
  console.log('\nWeb app');
  console.log(
    `first transfer, gzipped: ${first.kilobytes.toFixed(0)} kB in ${first.files} files (aim under 300); everything unpacked ${(all / 1e6).toFixed(1)} MB`,
  );
}

/** What can be asked for by name, `npm run bench -- core pages`; all of it when nothing is. */
const PARTS = ['core', 'trace', 'web', 'pages', 'routes', 'record', 'search', 'start'];

async function bench(): Promise<void> {
  const asked = process.argv.slice(3);
  const unknown = asked.find((part) => !PARTS.includes(part));
  if (unknown) throw new Error(`There is no part "${unknown}" to measure: ${PARTS.join(', ')}.`);
  const wanted = (part: string): boolean => asked.length === 0 || asked.includes(part);
  if (wanted('core')) await benchCore();
  if (wanted('trace')) await benchTrace();
  if (asked.length > 0 && asked.every((part) => part === 'core' || part === 'trace')) return;
  await buildServer();
  buildWeb();
  if (wanted('web')) transfer();
  if (wanted('pages')) ensureChromium();
  if (['routes', 'pages', 'record', 'search'].some(wanted)) {
    const folder = mkdtempSync(path.join(os.tmpdir(), 'odontis-bench-'));
    chmodSync(folder, 0o755);
    const cluster = await Cluster.start({ programs: ensurePostgres(), folder, throwaway: true });
    try {
      // Pages first: the routes are measured in a shop with thousands of saws more.
      if (wanted('pages')) await measurePages({ cluster, port: await freePort() });
      if (wanted('record')) await measureRecord({ cluster, port: await freePort() });
      if (wanted('routes')) await measureRoutes({ cluster, port: await freePort() });
      if (wanted('search')) await measureSearch({ cluster, port: await freePort() });
    } finally {
      await cluster.stop();
      rmSync(folder, { recursive: true, force: true });
    }
  }
  if (wanted('start')) await measureStarts();
}

bench()
  .then(() => process.exit(0))
  .catch(endWith);
