import { spawn } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { freePort } from './cluster';

/** npm start as a person does it, on a folder of its own: first with everything built, then again. */
export async function measureStarts(): Promise<void> {
  const data = mkdtempSync(path.join(os.tmpdir(), 'odontis-cold-'));
  chmodSync(data, 0o755);
  const port = await freePort();
  const once = async (): Promise<number> => {
    const from = performance.now();
    const child = spawn('node', ['tools/bootstrap.mjs', 'start'], {
      env: { ...process.env, ODONTIS_DATA: data, PORT: String(port), NODE_ENV: 'production' },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    await new Promise<void>((resolve, reject) => {
      child.stdout.on('data', (chunk: Buffer) => {
        if (chunk.toString().includes('Odontis is open')) resolve();
      });
      child.on('exit', () => reject(new Error('The start ended early.')));
    });
    const took = performance.now() - from;
    child.removeAllListeners('exit');
    const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()));
    child.kill('SIGINT');
    await ended;
    return took;
  };
  const [cold, warm] = [await once(), await once()];
  console.log(
    `\nStart, packages installed and web built: new database and demo shop ${(cold / 1000).toFixed(1)} s; second start ${(warm / 1000).toFixed(1)} s (aim under 10)`,
  );
  rmSync(data, { recursive: true, force: true });
}
