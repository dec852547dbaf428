import { spawn } from 'node:child_process';
import { mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { Cluster, freePort } from './cluster';
import { ensurePostgres } from './debian';
import { endWith } from './say';
import { readSettings } from './settings';

/** Reloading: the API restarts and the page rebuilds when sources change, on the same data as npm start. */
async function dev(): Promise<void> {
  const settings = readSettings(process.env);
  const cluster =
    settings.databaseUrl === null
      ? await Cluster.start({ programs: ensurePostgres(settings.dataFolder), folder: settings.dataFolder })
      : null;
  const apiPort = await freePort();
  const proxy = path.resolve('.cache', 'proxy.json');
  mkdirSync(path.dirname(proxy), { recursive: true });
  writeFileSync(proxy, JSON.stringify({ '/api': { target: `http://127.0.0.1:${apiPort}`, secure: false } }));
  const env = {
    ...process.env,
    DATABASE_URL: cluster?.url() ?? settings.databaseUrl ?? '',
    ODONTIS_API_PORT: String(apiPort),
  };
  // Straight to the programs: npx stands between, and leaves them running when it is told to stop.
  const node = (program: string, args: readonly string[], cwd: string) =>
    spawn(process.execPath, [path.resolve('node_modules', program), ...args], { env, cwd, stdio: 'inherit' });
  const children = [
    node('tsx/dist/cli.mjs', ['watch', '--clear-screen=false', 'tools/dev-api.ts'], '.'),
    node(
      '@angular/cli/bin/ng.js',
      ['serve', '--host', settings.host, '--port', String(settings.port), '--proxy-config', proxy],
      'web',
    ),
  ];
  let closing = false;
  const close = async (): Promise<void> => {
    if (closing) return;
    closing = true;
    const ended = children.map((child) => new Promise((resolve) => child.once('exit', resolve)));
    for (const child of children) child.kill('SIGTERM');
    await Promise.all(ended);
    await cluster?.stop();
    process.exit(0);
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, () => void close());
}

dev().catch(endWith);
