import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import pg from 'pg';
import type { Dossier } from '@odontis/contract/dossier';
import { dossier } from '@odontis/contract/dossier';
import { lineOf } from '@odontis/core/evidence/line-of';
import type { Reading } from '@odontis/core/evidence/reading';
import { MOST_READINGS } from '@odontis/core/evidence/reading';
import { takeLine } from '@odontis/core/evidence/take';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import { runServer } from '../server/main';
import type { Cluster } from './cluster';
import { demoScreen } from './demo-screen';
import { freePort } from './cluster';
import { WEB_FOLDER } from './web-build';

export interface ShopBench {
  readonly cluster: Cluster;
  readonly port: number;
}

const SAWS = 5000;
const CALLS = 120;

export const percentile = (times: number[], share: number): number =>
  times.sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(times.length * share))] as number;

async function timesOf(calls: number, work: () => Promise<unknown>): Promise<number[]> {
  const times: number[] = [];
  for (let i = 0; i < calls; i++) {
    const from = performance.now();
    await work();
    times.push(performance.now() - from);
  }
  return times;
}

const timed = async (calls: number, work: () => Promise<unknown>): Promise<number> =>
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

/** So many of those saws were filed at the vise in the last three months, stop by stop. */
const FILED = 400;

/** Orders and presses of some of the saws, as one of the demo's was walked. */
async function pressSaws(client: pg.Client): Promise<void> {
  const source = `(SELECT p.id, p.body, p.stops, p.minutes FROM plan p JOIN ticket k ON k.id = p.ticket_id
     JOIN saw s ON s.id = k.saw_id WHERE s.family = 'hand' AND k.stage = 'closed' ORDER BY p.id LIMIT 1)`;
  await client.query(
    `INSERT INTO plan (ticket_id, number, body, work, stops, minutes, accepted_by, accepted_at)
     SELECT k.id, 1, o.body, 'sharpen', o.stops, o.minutes, 1, now() - random() * interval '90 days'
       FROM (SELECT k.id FROM ticket k JOIN saw s ON s.id = k.saw_id WHERE s.name LIKE 'Saw %' ORDER BY k.id LIMIT $1) k, ${source} o`,
    [FILED],
  );
  const made = `plan p JOIN ticket k ON k.id = p.ticket_id JOIN saw s ON s.id = k.saw_id AND s.name LIKE 'Saw %'`;
  await client.query(
    `INSERT INTO plan_tool (plan_id, kind, name, stops, amounts, total)
     SELECT p.id, t.kind, t.name, t.stops, t.amounts, t.total FROM ${made}, ${source} o JOIN plan_tool t ON t.plan_id = o.id`,
  );
  await client.query(
    `WITH pressed AS (INSERT INTO bench_event (id, plan_id, stop, action, person_id, happened_at)
       SELECT gen_random_uuid(), p.id, n, 'done', 1 + p.id % 3, p.accepted_at + n * interval '20 seconds'
         FROM ${made} CROSS JOIN LATERAL generate_series(0, p.stops - 1) n RETURNING id, plan_id, stop)
     INSERT INTO bench_mark (plan_id, stop, event_id) SELECT plan_id, stop, id FROM pressed`,
  );
}

/** Routes with 5,000 saws beside the same rows by plain pg. */
export const measureRoutes = (bench: ShopBench): Promise<void> =>
  inShop(bench, async (client, address) => {
    await client.query(
      `INSERT INTO saw (customer_id, name, family, filing, pitch_mm, convention, tooth_line_mm, plate_thickness_mm,
       plate_depth_heel_mm, plate_depth_toe_mm, back_fixing, created_by)
     SELECT 1 + n % 40, 'Saw ' || n, 'back', 'rip', 2, 'points', 300, 0.6, 60, 60, 'folded', 1 FROM generate_series(1, $1) n`,
      [SAWS],
    );
    await client.query(
      `INSERT INTO ticket (saw_id, stage, wood, use_rate, hardened, verdict, reasons, promised_on, quote_low, quote_high, currency,
       opened_by, closed_by, closed_at, arrival_id)
     SELECT s.id, 'closed', 'dry-soft', 'weekly', 'no', 'take', '[]', now(), 1, 2, 'x', 1, 1, now(), 1 FROM saw s WHERE s.name LIKE 'Saw %'`,
    );
    await pressSaws(client);
    await client.query('ANALYZE');
    const ticket =
      (await client.query<{ id: number }>(`SELECT id FROM ticket WHERE stage = 'check' LIMIT 1`)).rows[0]?.id ?? 1;
    console.log(`\nRoutes with ${SAWS} saws more, 95th percentile of ${CALLS} calls, beside the same rows by plain pg`);
    const headers = await demoScreen(address);
    const get = (route: string) => () => fetch(`${address}/api${route}`, { headers }).then((r) => r.text());
    const compare = async (route: string, plain: () => Promise<unknown>): Promise<void> => {
      await timed(10, get(route));
      const [ours, theirs] = [await timed(CALLS, get(route)), await timed(CALLS, plain)];
      console.log(
        `${route.padEnd(28)} ${ours.toFixed(1).padStart(7)} ms   pg ${theirs.toFixed(1).padStart(7)} ms   ratio ${(ours / theirs).toFixed(1)}`,
      );
    };
    await compare('/rack', () =>
      client.query(
        `SELECT t.*, s.name, c.name FROM ticket t JOIN saw s ON s.id = t.saw_id JOIN customer c ON c.id = s.customer_id WHERE t.closed_at IS NULL`,
      ),
    );
    await compare('/customers?typed=an', () => client.query(`SELECT * FROM customer WHERE name ILIKE '%an%' LIMIT 10`));
    await compare('/store', async () => {
      await client.query('SELECT * FROM tool_deed d JOIN tool t ON t.id = d.tool_id');
      await client.query(`SELECT kind, name, sum(total) FROM plan_tool GROUP BY kind, name`);
    });
    await compare('/customers/1/saws', () => client.query('SELECT * FROM saw WHERE customer_id = 1'));
    await compare(`/tickets/${ticket}`, async () => {
      await client.query('SELECT * FROM ticket WHERE id = $1', [ticket]);
      await client.query('SELECT e.* FROM evidence e JOIN session s ON s.id = e.session_id WHERE s.ticket_id = $1', [
        ticket,
      ]);
      await client.query('SELECT * FROM plan WHERE ticket_id = $1', [ticket]);
      await client.query('SELECT b.* FROM bench_mark b JOIN plan p ON p.id = b.plan_id WHERE p.ticket_id = $1', [
        ticket,
      ]);
    });
  });

const LONG_LINE = 5000;
const OPENINGS = 40;

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

/** A measuring of 5,000 teeth opened as a page opens it, and one changed reading sent and kept. */
export const measureRecord = (bench: ShopBench): Promise<void> =>
  inShop(bench, async (client, address) => {
    const row = await client.query<{ id: number; saw_id: number }>(
      `SELECT id, saw_id FROM ticket WHERE stage = 'measure' AND saw_id IN (SELECT id FROM saw WHERE family = 'hand' OR family = 'back') LIMIT 1`,
    );
    const ticket = row.rows[0]?.id ?? 1;
    await client.query('UPDATE saw SET pitch_mm = 0.55, tooth_line_mm = 2749.45 WHERE id = $1', [row.rows[0]?.saw_id]);
    const teeth = Array.from({ length: LONG_LINE }, (_, i): ToothReading => ({
      tooth: i + 1,
      xMm: i * 0.55 + 0.01 * Math.sin(i),
      yMm: -0.05 * Math.abs(Math.sin(i * 0.7)),
      lean: i % 2 ? 'right' : 'left',
      setMm: 0.08,
      kind: 'tooth',
    }));
    const headers = await demoScreen(address);
    const opened = async (): Promise<Dossier> =>
      dossier.parse(await (await fetch(`${address}/api/tickets/${ticket}`, { headers })).json());
    const kept = await keepLine(address, ticket, (await opened()).seen, teeth);
    const { readings, send } = kept;
    let { seen } = kept;
    // As the database does by itself within a minute.
    await client.query('ANALYZE');
    const heights = readings.filter((r) => r.quantity === 'height');
    const open = async (): Promise<void> => {
      const { saw, sessions } = await opened();
      const line = lineOf(sessions, saw, 'before');
      if (line?.teeth.length !== LONG_LINE) throw new Error('The line was not kept whole.');
    };
    await timed(3, open);
    const openings = await timesOf(OPENINGS, open);
    const [usual, opening] = [percentile(openings, 0.5), percentile(openings, 0.95)];
    let tooth = 0;
    const change = async (): Promise<void> => {
      const before = heights[tooth++];
      if (!before) throw new Error('There is no such tooth.');
      ({ seen } = await send(seen, [{ ...before, key: randomUUID(), value: 0.01, corrects: before.key } as Reading]));
    };
    await timed(5, change);
    const changing = await timed(CALLS / 2, change);
    console.log(
      `\nThe record: ${readings.length} readings of ${LONG_LINE} teeth, 95th percentile and median\n` +
        `opened, read by the contract and made a line ${opening.toFixed(0).padStart(6)} ms, ${usual.toFixed(0)} ms (aim under 200)\n` +
        `one changed reading sent and kept             ${changing.toFixed(0).padStart(6)} ms (aim under 50)`,
    );
  });

const CUSTOMERS = 50_000;
const MANY_SAWS = 200_000;
const OPEN_TICKETS = 500;
/** Fewer calls here: plain SQL takes most of a second for each. */
const SEARCH_CALLS = 40;

/** Finding one customer of 50,000 who brought 200,000 saws, beside plain SQL; the rack with 500 open tickets. */
export const measureSearch = (bench: ShopBench): Promise<void> =>
  inShop(bench, async (client, address) => {
    const array = (words: readonly string[]): string => `(ARRAY[${words.map((w) => `'${w}'`).join()}])`;
    const first = array(['Ada', 'Bram', 'Chidi', 'Dorota', 'Emre', 'Lucía', 'Mirela', 'Pénélope', 'Søren', 'Tamar']);
    const last = array([
      'Abara',
      'Bjørk',
      'Castañeda',
      'Delacroix',
      'Grünwald',
      'Kowalczyk',
      'Lindqvist',
      'Nwosu',
      'Petrov',
      'Szabó',
    ]);
    await client.query(
      `INSERT INTO customer (name, phone, created_by)
     SELECT ${first}[1 + n % 10] || ' ' || ${last}[1 + n / 10 % 10] || ' ' || upper(substr(md5(n::text), 1, 6)),
            '0' || (1000000 + n * 7919 % 8999999), 1 FROM generate_series(1, $1::int) n`,
      [CUSTOMERS],
    );
    await client.query(
      `INSERT INTO saw (customer_id, name, family, filing, pitch_mm, convention, tooth_line_mm, plate_thickness_mm,
       plate_depth_heel_mm, plate_depth_toe_mm, back_fixing, marks_on_it, created_by)
     SELECT 41 + n % $2::int, 'Tenon saw', 'back', 'rip', 2, 'points', 355, 0.7, 85, 80, 'folded', 'No. ' || md5(n::text), 1
       FROM generate_series(1, $1::int) n`,
      [MANY_SAWS, CUSTOMERS - 100],
    );
    await client.query(
      `INSERT INTO ticket (saw_id, stage, wood, use_rate, hardened, verdict, reasons, promised_on, quote_low, quote_high, currency, opened_by, arrival_id)
     SELECT s.id, 'measure', 'dry-soft', 'weekly', 'no', 'take', '[]', now()::date + (s.id % 14)::int, 1, 2, 'x', 1, 1
       FROM saw s WHERE s.name = 'Tenon saw' ORDER BY s.id DESC LIMIT $1`,
      [OPEN_TICKETS],
    );
    await client.query('ANALYZE');
    console.log(
      `\nSearch with ${CUSTOMERS} customers and ${MANY_SAWS} saws, rack with ${OPEN_TICKETS} open tickets: 95th percentile of ${SEARCH_CALLS} calls`,
    );
    const headers = await demoScreen(address);
    const get = (route: string) => () => fetch(`${address}/api${route}`, { headers }).then((r) => r.text());
    const compare = async (what: string, route: string, plain: () => Promise<unknown>): Promise<void> => {
      await timed(10, get(route));
      const [ours, theirs] = [await timed(SEARCH_CALLS, get(route)), await timed(SEARCH_CALLS, plain)];
      console.log(
        `${what.padEnd(34)} ${ours.toFixed(1).padStart(7)} ms   plain SQL ${theirs.toFixed(1).padStart(7)} ms   ratio ${(ours / theirs).toFixed(2)}`,
      );
    };
    for (const [what, typed] of [
      ['a name', 'grunwald'],
      ['a slip of the finger', 'Delacriox'],
      ['a telephone', '4567'],
      ['a mark on a saw', 'md5'],
      ['two letters', 'so'],
    ] as const)
      await compare(`${what}: ${typed}`, `/customers?typed=${typed}`, () =>
        client.query(
          `SELECT c.id, c.name, (SELECT count(*) FROM saw s WHERE s.customer_id = c.id) FROM customer c
          WHERE lower(unaccent(c.name)) LIKE '%' || $1 || '%' OR regexp_replace(c.phone, '\\D', '', 'g') LIKE '%' || $1 || '%'
             OR EXISTS (SELECT 1 FROM saw s WHERE s.customer_id = c.id AND lower(s.marks_on_it) LIKE '%' || $1 || '%')
          ORDER BY c.name LIMIT 10`,
          [typed.toLowerCase()],
        ),
      );
    const stamp =
      (
        await client.query<{ m: string }>(
          `SELECT marks_on_it AS m FROM saw WHERE marks_on_it <> '' AND family = 'back' LIMIT 1`,
        )
      ).rows[0]?.m ?? 'none';
    const told = 'family=back&toothLineMm=352&pitchMm=2&plateThicknessMm=0.7&plateDepthHeelMm=84';
    await compare('the same saw come back', `/saws/alike?${told}&marksOnIt=${encodeURIComponent(stamp)}`, () =>
      client.query(
        `SELECT * FROM saw WHERE family = 'back' AND tooth_line_mm BETWEEN 331 AND 373 AND lower(marks_on_it) LIKE '%' || $1 || '%' LIMIT 10`,
        [stamp.toLowerCase()],
      ),
    );
    await compare('the rack', '/rack', () =>
      client.query(
        `SELECT t.*, s.name, c.name FROM ticket t JOIN saw s ON s.id = t.saw_id JOIN customer c ON c.id = s.customer_id
        WHERE t.closed_at IS NULL ORDER BY t.promised_on`,
      ),
    );
  });

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
