import { randomUUID } from 'node:crypto';
import pg from 'pg';
import type { Reading } from '@odontis/core/evidence/reading';
import { MOST_READINGS } from '@odontis/core/evidence/reading';
import { takeLine } from '@odontis/core/evidence/take';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import { runServer } from '../server/main';
import type { Cluster } from './cluster';
import { demoScreen } from './demo-screen';
import { WEB_FOLDER } from './web-build';

export interface ShopBench {
  readonly cluster: Cluster;
  readonly port: number;
}

/** Calls of a route that is measured. */
export const CALLS = 120;

export const percentile = (times: number[], share: number): number =>
  times.sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(times.length * share))] as number;

export async function timesOf(calls: number, work: () => Promise<unknown>): Promise<number[]> {
  const times: number[] = [];
  for (let i = 0; i < calls; i++) {
    const from = performance.now();
    await work();
    times.push(performance.now() - from);
  }
  return times;
}

/** The 95th percentile of so many calls, ms. */
export const timed = async (calls: number, work: () => Promise<unknown>): Promise<number> =>
  percentile(await timesOf(calls, work), 0.95);

/** Work done against a demo shop that is open, with a client of its own on the database. */
export async function inShop(
  { cluster, port }: ShopBench,
  work: (client: pg.Client, address: string) => Promise<void>,
): Promise<void> {
  const databaseUrl = cluster.url();
  const server = await runServer({ databaseUrl, host: '127.0.0.1', port, webFolder: WEB_FOLDER, demo: true });
  const client = new pg.Client({ connectionString: databaseUrl });
  client.on('error', () => undefined);
  await client.connect();
  try {
    await work(client, server.address);
  } finally {
    await client.end();
    await server.close();
  }
}

/** Sends a line as it came in to a ticket, as a desk does, and says how more of that session is sent. */
export async function keepLine(address: string, ticket: number, from: number, teeth: readonly ToothReading[]) {
  const mint = (): string => randomUUID();
  const readings = takeLine([], { teeth, places: true }, { gauge: 'straight-edge', simulated: false, mint });
  const session = { key: mint(), kind: 'before' };
  const screen = await demoScreen(address);
  const send = async (seen: number, batch: readonly Reading[]): Promise<{ seen: number }> => {
    const answer = await fetch(`${address}/api/tickets/${ticket}/evidence`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...screen },
      body: JSON.stringify({ session, seen, readings: batch }),
    });
    if (!answer.ok) throw new Error(await answer.text());
    return (await answer.json()) as { seen: number };
  };
  let seen = from;
  for (let at = 0; at < readings.length; at += MOST_READINGS)
    ({ seen } = await send(seen, readings.slice(at, at + MOST_READINGS)));
  return { readings, send, seen };
}
