import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { Cluster } from './cluster';
import { ensurePostgres } from './debian';
import { endWith } from './say';

/** Tens of thousands of hostile requests over every route: the spec of the tests with more of them, of another seed each time. */
async function hostile(): Promise<void> {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'odontis-hostile-'));
  chmodSync(folder, 0o755);
  const cluster = await Cluster.start({ programs: ensurePostgres(), folder, throwaway: true });
  try {
    const env = {
      ...process.env,
      ODONTIS_TEST_DATABASE: cluster.url(),
      HOSTILE: process.env['HOSTILE'] ?? '30000',
      HOSTILE_SEED: process.env['HOSTILE_SEED'] ?? String(Date.now() % 1e9),
    };
    const jasmine = ['--import', 'tsx', 'node_modules/jasmine/bin/jasmine.js', '--config=server/jasmine.json'];
    const child = spawn('node', [...jasmine, 'server/http/hostile.spec.ts'], { env, stdio: 'inherit' });
    const [code] = (await once(child, 'close')) as [number | null];
    process.exitCode = code ?? 1;
  } finally {
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

hostile().catch(endWith);
