import { randomBytes, randomUUID } from 'node:crypto';
import { pino } from 'pino';
import { Sequelize } from 'sequelize';
import supertest from 'supertest';
import type { Dossier } from '@odontis/contract/dossier';
import { CSRF_HEADER } from '@odontis/contract/door';
import type { NewEvidence } from '@odontis/contract/evidence';
import type { SessionKind } from '@odontis/core/evidence/session';
import { takeLine } from '@odontis/core/evidence/take';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import { createApp } from '../app';
import { connect } from '../database/connect';
import type { Database } from '../database/connect';
import { loadDemoShop } from '../demo/load-demo-shop';
import { trustScreen } from '../features/door/screens';
import { csrfOf } from '../features/door/secrets';
import { newTicketBody } from './new-ticket';
import { migrator } from '../migrations/migrate';

export interface TestShop {
  readonly db: Database;
  readonly person: number;
  readonly other: number;
  /** What a screen of the person's sends with every request. */
  as(person: number): Promise<ScreenHeaders>;
  /** A request as the person at the screen. */
  send(
    method: 'get' | 'post' | 'put' | 'patch' | 'delete',
    path: string,
    body?: object,
    person?: number,
  ): Promise<supertest.Response>;
  close(): Promise<void>;
}

const admin = (): string => {
  const url = process.env['ODONTIS_TEST_DATABASE'];
  if (!url) throw new Error('ODONTIS_TEST_DATABASE must name a PostgreSQL server for the tests (npm test sets it).');
  return url;
};

// A busy machine is no failure: what hangs for half a minute is.
jasmine.DEFAULT_TIMEOUT_INTERVAL = 30_000;

export interface TestDatabase {
  readonly name: string;
  readonly url: string;
  drop(): Promise<void>;
}

/** A database of its own on the tests' real PostgreSQL server: empty, or as another one stands that nobody is at. */
export async function emptyDatabase(like?: TestDatabase): Promise<TestDatabase> {
  const name = `t_${randomBytes(6).toString('hex')}`;
  const server = new Sequelize(admin(), { dialect: 'postgres', logging: false });
  await server.query(`CREATE DATABASE ${name}${like ? ` TEMPLATE ${like.name}` : ''}`);
  const url = new URL(admin());
  url.pathname = `/${name}`;
  const drop = async (): Promise<void> => {
    await server.query(`DROP DATABASE ${name} WITH (FORCE)`);
    await server.close();
  };
  return { name, url: url.href, drop };
}

/** Databases that others are made like, each made once for all specs. */
const likes: Promise<TestDatabase>[] = [];
function onceFor(fill: (db: Database) => Promise<unknown>): () => Promise<TestDatabase> {
  let like: Promise<TestDatabase> | undefined;
  const make = async (): Promise<TestDatabase> => {
    const made = await emptyDatabase();
    const db = connect(made.url);
    await migrator(db.sequelize).up();
    await fill(db);
    await db.sequelize.close();
    return made;
  };
  return async () => {
    if (!like) likes.push((like = make()));
    return emptyDatabase(await like);
  };
}
afterAll(async () => {
  for (const like of likes) await (await like).drop();
});

/** A database of this program's shape with nobody in it. */
export const shapedDatabase = onceFor(() => Promise.resolve());
/** The demo shop, as it is on its first day. */
export const demoDatabase = onceFor(loadDemoShop);

/** What a browser that was let in sends: its cookie, and what only its own pages know. */
export type ScreenHeaders = Record<string, string>;

/** A screen let in for somebody, past the password. */
export async function screenHeaders(db: Database, personId: number, name = 'A screen'): Promise<ScreenHeaders> {
  const { token } = await db.sequelize.transaction((t) => trustScreen(db, { name, personId }, t));
  return { cookie: `odontis=${token}`, [CSRF_HEADER]: csrfOf(token) };
}

/** A migrated shop with two people and nothing else. */
export async function openTestShop(): Promise<TestShop> {
  const database = await shapedDatabase();
  const db = connect(database.url);
  const app = createApp({ db, logger: pino({ level: 'silent' }) });
  const [first, second] = await db.models.Person.bulkCreate(
    [
      { name: 'First Hand', initials: 'FH', role: 'owner' },
      { name: 'Second Hand', initials: 'SH', role: 'owner' },
    ],
    { returning: true },
  );
  const person = (first as { id: number }).id;
  const screens = new Map<number, Promise<ScreenHeaders>>();
  const as = (by: number): Promise<ScreenHeaders> => {
    const known = screens.get(by) ?? screenHeaders(db, by);
    screens.set(by, known);
    return known;
  };
  return {
    db,
    person,
    other: (second as { id: number }).id,
    as,
    send: async (method, path, body, by = person) => {
      const calling = supertest(app);
      const request = calling[method](path).set(await as(by));
      return body === undefined ? request : request.send(body);
    },
    close: async () => {
      await db.sequelize.close();
      await database.drop();
    },
  };
}

export { newTicketBody, soundIntake } from './new-ticket';

/** A hollow line of n teeth at 15 points, heel first. */
export const hollowReadings = (n = 34) =>
  Array.from({ length: n }, (_, i) => ({
    tooth: i + 1,
    xMm: i * 1.8143 + 0.03 * Math.sin(i * 1.9),
    yMm: -0.12 * Math.sin((Math.PI * i) / (n - 1)),
    lean: i % 2 ? ('right' as const) : ('left' as const),
    setMm: 0.05,
    kind: 'tooth' as const,
    note: null,
  }));

/** A whole line as it is sent, in a session of its own. */
export const lineBody = (
  kind: SessionKind,
  teeth: readonly ToothReading[],
  more: Partial<NewEvidence> = {},
): NewEvidence => ({
  session: { key: randomUUID(), kind },
  seen: 0,
  readings: takeLine([], { teeth, places: true }, { gauge: 'straight-edge', simulated: false, mint: randomUUID }),
  ...more,
});

/** A ticket brought as far as wanted. */
export async function ticketAt(shop: TestShop, stage: 'measure' | 'plan' | 'bench'): Promise<Dossier> {
  let dossier = (await shop.send('post', '/api/tickets', newTicketBody())).body as Dossier;
  const at = `/api/tickets/${dossier.ticket.id}`;
  if (stage === 'measure') return dossier;
  await shop.send('post', `${at}/evidence`, lineBody('before', hollowReadings()));
  dossier = (await shop.send('post', `${at}/measured`, { version: dossier.ticket.version })).body as Dossier;
  if (stage === 'plan') return dossier;
  const choice = {
    version: dossier.ticket.version,
    depthMm: 0.1,
    line: 'free',
    rakeDeg: 0,
    fleamDeg: 0,
    convert: false,
    sample: false,
  };
  return (await shop.send('post', `${at}/plan`, choice)).body as Dossier;
}
