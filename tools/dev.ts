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
      ? await Cluster.start({ programs: ensurePostgres(), folder: settings.dataFolder })
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
  const children = [
    spawn('npx', ['tsx', 'watch', '--clear-screen=false', 'tools/dev-api.ts'], { env, stdio: 'inherit' }),
    spawn('npx', ['ng', 'serve', '--host', settings.host, '--port', String(settings.port), '--proxy-config', proxy], {
      cwd: 'web',
      stdio: 'inherit',
    }),
  ];
  let closing = false;
  const close = async (): Promise<void> => {
    if (closing) return;
    closing = true;
    for (const child of children) child.kill('SIGTERM');
    await cluster?.stop();
    process.exit(0);
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, () => void close());
}

dev().catch(endWith);
