import { randomUUID } from 'node:crypto';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Dossier } from '@odontis/contract/dossier';
import { Cluster, freePort } from './cluster';
import { ensurePostgres } from './debian';
import { demoScreen } from './demo-screen';
import { KeptServer } from './kept-server';
import { endWith } from './say';
import { buildServer } from './server-build';
import { buildWeb, WEB_FOLDER } from './web-build';

/** Tablets at their vises, each pressing once a second, for so long. */
const CLIENTS = Number(process.env['LOAD_CLIENTS'] ?? 200);
const SECONDS = Number(process.env['LOAD_SECONDS'] ?? 60);
/** A shop that has been open for a while is measured: presses before are not counted. */
const WARM_S = 10;
/** Beside them a page is opened so often. */
const READ_EVERY_MS = 500;
/** Memory is looked at so long after the last press: what was taken for many at once is given back by and by. */
const REST_MS = 60_000;

type Headers = Record<string, string>;
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
const at = (times: readonly number[], share: number): number =>
  [...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(times.length * share))] ?? 0;

/** A metric's value as the server writes it. */
async function metric(address: string, name: string): Promise<number> {
  const text = await (await fetch(`${address}/api/metrics`)).text();
  return Number(new RegExp(`^${name}(?:\\{[^}]*\\})? (\\S+)$`, 'm').exec(text)?.[1] ?? NaN);
}

/** A bench shop under load, on loopback alone: what presses take, what a page takes beside them, and what memory is left. */
async function load(): Promise<void> {
  await buildServer();
  buildWeb();
  const programs = ensurePostgres();
  const folder = mkdtempSync(path.join(os.tmpdir(), 'odontis-load-'));
  chmodSync(folder, 0o755);
  const cluster = await Cluster.start({ programs, folder, throwaway: true });
  const port = await freePort();
  const settings = { host: '127.0.0.1', port, dataFolder: folder, databaseUrl: null, demo: true };
  const copies = { programs, folder: path.join(folder, 'copies'), passphrase: null };
  const server = new KeptServer();
  try {
    const { address } = await server.open({ settings, databaseUrl: cluster.url(), webFolder: WEB_FOLDER, copies });
    // Screens have processors of their own: here they come after the server.
    os.setPriority(os.constants.priority.PRIORITY_LOW);
    const screens = [];
    for (let i = 0; i < CLIENTS; i++) screens.push(await demoScreen(address, 1 + (i % 3)));
    const [first = {}] = screens;
    const read = async <T>(route: string, headers: Headers): Promise<T> =>
      (await (await fetch(`${address}/api${route}`, { headers })).json()) as T;
    const rack = await read<{ id: number; stage: string }[]>('/rack', first);
    const plans: Dossier[] = [];
    for (const { id } of rack.filter((row) => row.stage === 'bench'))
      plans.push(await read<Dossier>(`/tickets/${id}`, first));
    await pause(5000);
    const before = await metric(address, 'process_resident_memory_bytes');
    console.log(
      `${CLIENTS} screens press once a second for ${SECONDS} s, after ${WARM_S} s of it, at ${plans.length} saws.`,
    );

    const presses: number[] = [];
    const reads: number[] = [];
    const faults = new Map<number | string, number>();
    const fault = (what: number | string): void => void faults.set(what, (faults.get(what) ?? 0) + 1);
    let lagMs = 0;
    const begin = Date.now() + WARM_S * 1000;
    const end = begin + SECONDS * 1000;
    const timed = async (into: number[], call: () => Promise<Response>): Promise<void> => {
      const from = performance.now();
      try {
        const answer = await call();
        await answer.arrayBuffer();
        if (!answer.ok) fault(answer.status);
      } catch (error) {
        fault(String(error));
      }
      if (Date.now() >= begin) into.push(performance.now() - from);
    };
    const press = async (screen: Headers, n: number): Promise<void> => {
      const plan = plans[n % plans.length]?.plan;
      const ticket = plans[n % plans.length]?.ticket.id;
      await pause(Math.random() * 1000);
      for (let back = false; Date.now() < end; back = !back) {
        const from = Date.now();
        const event = { id: randomUUID(), stop: 0, action: back ? 'back' : 'done', at: new Date().toISOString() };
        await timed(presses, () =>
          fetch(`${address}/api/tickets/${ticket}/bench`, {
            method: 'POST',
            headers: { ...screen, 'content-type': 'application/json' },
            body: JSON.stringify({ planId: plan?.id, events: [event] }),
          }),
        );
        await pause(Math.max(0, 1000 - (Date.now() - from)));
      }
    };
    const readBeside = async (): Promise<void> => {
      for (let i = 0; Date.now() < end; i++) {
        const id = plans[i % plans.length]?.ticket.id;
        await timed(reads, () => fetch(`${address}/api/tickets/${id}`, { headers: first }));
        lagMs = Math.max(lagMs, 1000 * (await metric(address, 'nodejs_eventloop_lag_max_seconds')));
        await pause(READ_EVERY_MS);
      }
    };
    await Promise.all([...screens.map(press), readBeside()]);
    await pause(REST_MS);
    const after = await metric(address, 'process_resident_memory_bytes');
    const ms = (value: number): string => `${value.toFixed(0)} ms`;
    console.log(
      `Presses   ${presses.length}: median ${ms(at(presses, 0.5))}, 95th percentile ${ms(at(presses, 0.95))}, longest ${ms(at(presses, 1))} (aim: 95th under 100)\n` +
        `A dossier ${reads.length}: median ${ms(at(reads, 0.5))}, 95th percentile ${ms(at(reads, 0.95))} (aim under 300)\n` +
        `Errors    ${[...faults].map(([what, times]) => `${times} x ${what}`).join(', ') || 'none'}\n` +
        `The loop  was held ${ms(lagMs)} at most (aim under 50)\n` +
        `Memory    ${(before / 1e6).toFixed(0)} MB before, ${(after / 1e6).toFixed(0)} MB ${REST_MS / 1000} s after`,
    );
  } finally {
    await server.close();
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

load()
  .then(() => process.exit(0))
  .catch(endWith);
