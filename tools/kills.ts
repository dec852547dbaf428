import { randomUUID } from 'node:crypto';
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { BenchState } from '@odontis/contract/bench';
import type { Dossier } from '@odontis/contract/dossier';
import pg from 'pg';
import { newTicketBody } from '../server/testing/new-ticket';
import { Cluster, freePort } from './cluster';
import { ensurePostgres } from './debian';
import { demoScreen } from './demo-screen';
import { KeptServer } from './kept-server';
import { endWith } from './say';
import { buildServer } from './server-build';
import { buildWeb, WEB_FOLDER } from './web-build';

/** So many times server or database is killed in the middle of what is being written. */
const KILLS = Number(process.env['KILLS'] ?? 1000);
/** Hands that write all the while, each waiting for its own answer. */
const HANDS = 4;
const LONGEST_BETWEEN_MS = 1000;

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** What a hand is sure of: what was answered as kept. */
interface Sure {
  readonly tickets: Set<string>;
  readonly presses: Set<string>;
}

/**
 * Kills of server and database, by turns and at any moment, while saws are taken in and presses are sent; what was
 * not answered is sent again with its key. At the end everything answered is there, and nothing twice.
 */
async function kills(): Promise<void> {
  await buildServer();
  buildWeb();
  const programs = ensurePostgres();
  const folder = mkdtempSync(path.join(os.tmpdir(), 'odontis-kills-'));
  chmodSync(folder, 0o755);
  const cluster = await Cluster.start({ programs, folder });
  const port = await freePort();
  const settings = { host: '127.0.0.1', port, dataFolder: folder, databaseUrl: null, demo: true };
  const copies = { programs, folder: path.join(folder, 'copies'), passphrase: null };
  const toOpen = { settings, databaseUrl: cluster.url(), webFolder: WEB_FOLDER, copies };
  const server = new KeptServer({ longestWaitMs: 300, say: () => undefined });
  const watching = setInterval(() => void cluster.revive().catch(() => false), 200);
  try {
    const { address } = await server.open(toOpen);
    const screen = { ...(await demoScreen(address)), 'content-type': 'application/json' };
    const rack = (await (await fetch(`${address}/api/rack`, { headers: screen })).json()) as {
      id: number;
      stage: string;
    }[];
    const id = rack.find((row) => row.stage === 'bench')?.id ?? 0;
    const { plan } = (await (await fetch(`${address}/api/tickets/${id}`, { headers: screen })).json()) as Dossier;
    const sure: Sure = { tickets: new Set(), presses: new Set() };
    let over = false;
    let again = 0;
    /** Sent until it is answered; only then is it sure. */
    const surely = async (route: string, body: object): Promise<unknown> => {
      for (;;) {
        try {
          const answer = await fetch(`${address}/api${route}`, {
            method: 'POST',
            headers: screen,
            body: JSON.stringify(body),
          });
          if (answer.ok) return await answer.json();
          if (answer.status < 500 && answer.status !== 429) throw new Error(`${route}: ${await answer.text()}`);
        } catch (error) {
          if (error instanceof Error && error.message.startsWith(route)) throw error;
        }
        again++;
        await pause(250);
      }
    };
    const hand = async (n: number): Promise<void> => {
      while (!over) {
        if (n % 2 === 0) {
          const body = newTicketBody();
          await surely('/tickets', body);
          sure.tickets.add(body.key);
        } else {
          const event = { id: randomUUID(), stop: n, action: 'done', at: new Date().toISOString() };
          const state = (await surely(`/tickets/${id}/bench`, { planId: plan?.id, events: [event] })) as BenchState;
          if (!state.done.includes(n)) throw new Error('A press was answered and is not there.');
          sure.presses.add(event.id);
        }
      }
    };
    const hands = Promise.all(Array.from({ length: HANDS }, (_, n) => hand(n)));
    for (let killed = 0; killed < KILLS; killed++) {
      await pause(Math.random() * LONGEST_BETWEEN_MS);
      if (killed % 2 === 0) server.kill();
      else {
        const pidFile = path.join(folder, 'postgres', 'postmaster.pid');
        try {
          process.kill(Number(readFileSync(pidFile, 'utf8').split('\n')[0]), 'SIGKILL');
        } catch {
          // It is down from the time before.
        }
      }
      const alive = (): Promise<boolean> =>
        fetch(`${address}/api/health`).then(
          (answer) => answer.ok,
          () => false,
        );
      while (!(await alive())) await pause(50);
      if ((killed + 1) % 50 === 0 || killed + 1 === KILLS)
        console.log(
          `${killed + 1} kills: ${sure.tickets.size} saws, ${sure.presses.size} presses, ${again} sent again`,
        );
    }
    over = true;
    await hands;
    const client = new pg.Client({ connectionString: cluster.url() });
    await client.connect();
    const count = async (sql: string, keys: ReadonlySet<string>): Promise<number> =>
      Number((await client.query<{ n: string }>(sql, [[...keys]])).rows[0]?.n);
    const tickets = await count('SELECT count(*) AS n FROM ticket WHERE intake_key = ANY($1::uuid[])', sure.tickets);
    const presses = await count('SELECT count(*) AS n FROM bench_event WHERE id = ANY($1::uuid[])', sure.presses);
    const halves = await count(
      `SELECT count(*) AS n FROM arrival a WHERE NOT EXISTS (SELECT 1 FROM ticket t WHERE t.arrival_id = a.id)
          AND cardinality($1::text[]) >= 0`,
      new Set(),
    );
    await client.end();
    const lost = sure.tickets.size - tickets + (sure.presses.size - presses);
    console.log(`Lost ${lost}, half saved ${halves}. Keys are unique in the database, so nothing can be there twice.`);
    if (lost !== 0 || halves !== 0) throw new Error('Something was lost or half saved.');
  } finally {
    clearInterval(watching);
    await server.close();
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

kills()
  .then(() => process.exit(0))
  .catch(endWith);
