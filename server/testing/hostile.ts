import { problem } from '@odontis/contract/problem';
import { jsonOf } from '../features/copies/read-file';
import type { Database } from '../database/connect';
import { NEEDS } from '../http/needs';
import { QueryTypes } from 'sequelize';
import type { Chance, Form } from './hostile-bodies';
import { hostileValue, ofForm, spoiled } from './hostile-bodies';

export interface HostileReport {
  readonly sent: number;
  /** How many of each status. */
  readonly answered: Readonly<Record<number, number>>;
  readonly slowestMs: number;
  /** Of the routes of the table those that refused something. */
  readonly routes: ReadonlySet<string>;
  /** What must not be: an error of ours, no answer, an answer that is no problem, something kept of what was refused. */
  readonly faults: readonly string[];
}

export interface HostileWork {
  readonly address: string;
  readonly db: Database;
  /** Headers of a screen let in anew. */
  readonly screen: () => Promise<Record<string, string>>;
  /** Bodies that are right, by route: what is spoiled is then nearly so. */
  readonly right: Readonly<Record<string, () => object>>;
  /** Numbers of records that are there, so that some of it gets past the address. */
  readonly records: readonly number[];
  readonly requests: number;
  readonly chance: Chance;
  readonly told?: (sent: number) => void;
}

/** A request that is not answered by then hangs. */
const HANGS_MS = 20_000;
/** A screen calls so often before another is let in: the pace of one is not what is tried here. */
const CALLS_A_SCREEN = 60;
/** Tried apart, since it ends the screen, or writes down tries by itself. */
const DOOR = /^\w+ \/(door|devices)/;

/** What is much work each time: tried once where the others are tried so often. */
const COSTLY = /\.pdf$|openapi/;
const COSTLY_ONCE_IN = 20;

/** How many rows there are of everything, and how often what has versions was changed. */
async function kept(db: Database): Promise<() => Promise<string>> {
  const tables = await db.sequelize.query<{ name: string; versioned: boolean }>(
    `SELECT relname AS name, EXISTS (SELECT 1 FROM pg_attribute WHERE attrelid = c.oid AND attname = 'version') AS versioned
     FROM pg_class c WHERE relkind = 'r' AND relnamespace = 'public'::regnamespace AND relname <> 'door_try' ORDER BY 1`,
    { type: QueryTypes.SELECT },
  );
  const sums = tables.map(
    ({ name, versioned }) =>
      `(SELECT count(*) || ${versioned ? `'v' || coalesce(sum(version), 0)` : `''`} FROM "${name}")`,
  );
  const sql = `SELECT concat_ws(' ', ${sums.join(', ')}) AS kept`;
  return async () => {
    const [row] = await db.sequelize.query<{ kept: string }>(sql, { type: QueryTypes.SELECT });
    return row?.kept ?? '';
  };
}

/**
 * Hostile requests over every route, one after the other: bodies of its form and spoiled ones, addresses and
 * questions that are none, wrong kinds of content. Whatever is refused must leave everything as it was.
 */
export async function sendHostile(work: HostileWork): Promise<HostileReport> {
  const { address, chance, records } = work;
  const described = (await (await fetch(`${address}/api/openapi.json`, { headers: await work.screen() })).json()) as {
    paths: Record<string, Record<string, { requestBody?: { content: Record<string, { schema: Form }> } }>>;
  };
  const forms = new Map(
    Object.keys(NEEDS).map((route) => {
      const [method = '', path = ''] = route.split(' ');
      const at = `/api${path.replace(/:(\w+)/g, '{$1}')}`;
      return [route, described.paths[at]?.[method.toLowerCase()]?.requestBody?.content['application/json']?.schema];
    }),
  );
  const look = await kept(work.db);
  const routes = Object.keys(NEEDS);
  const pick = <T>(from: readonly T[]): T => from[Math.floor(chance() * from.length)] as T;
  const answered: Record<number, number> = {};
  const faults: string[] = [];
  const refused = new Set<string>();
  let [slowestMs, calls] = [0, 0];
  let screen = await work.screen();
  let before = await look();

  const bodyFor = (route: string): unknown => {
    const right = work.right[route]?.();
    const form = forms.get(route);
    if (right && chance() < 0.6) return spoiled(right, chance);
    if (!form || chance() < 0.1) return hostileValue(chance);
    const near = ofForm(form, chance);
    return chance() < 0.6 ? spoiled(near, chance) : near;
  };
  const pathFor = (route: string): string =>
    (route.split(' ')[1] ?? '').replace(/:\w+/g, () =>
      chance() < 0.7
        ? String(pick(records))
        : encodeURIComponent(wellFormed(String(hostileValue(chance)).slice(0, 200))),
    ) + (chance() < 0.1 ? `?${encodeURIComponent(wellFormed(String(hostileValue(chance)).slice(0, 100)))}=%E0%A4` : '');

  let round = 0;
  for (let sent = 0; sent < work.requests;) {
    if (calls++ >= CALLS_A_SCREEN) {
      screen = await work.screen();
      calls = 0;
      before = await look();
    }
    const route = routes[round++ % routes.length] ?? '';
    if (COSTLY.test(route) && Math.floor(round / routes.length) % COSTLY_ONCE_IN !== 0) continue;
    sent++;
    const [method = ''] = route.split(' ');
    const withBody = method !== 'GET' && method !== 'DELETE';
    const url = `${address}/api${pathFor(route)}`;
    const type = chance() < 0.95 ? 'application/json' : pick(['text/plain', 'application/x-www-form-urlencoded', 'x']);
    const body = withBody ? (JSON.stringify(bodyFor(route)) ?? '') : null;
    const cut = body !== null && chance() < 0.03 ? body.slice(0, body.length / 2) : body;
    const from = performance.now();
    const told = `${method} ${url.slice(0, 200)} ${cut?.slice(0, 300) ?? ''}`;
    try {
      const answer = await fetch(url, {
        method,
        headers: { ...screen, ...(withBody && { 'content-type': type }) },
        ...(cut !== null && { body: cut }),
        signal: AbortSignal.timeout(HANGS_MS),
      });
      const text = await answer.text();
      answered[answer.status] = (answered[answer.status] ?? 0) + 1;
      // A database's own words in a refusal are of no use to whoever reads it, and of some to whoever tries.
      if (answer.status >= 500 && answer.status !== 507) faults.push(`${answer.status} ${told}`);
      if (answer.status >= 400 && !problem.safeParse(jsonOf(text)).success) faults.push(`no problem: ${told}`);
      const after = await look();
      if (answer.status >= 400) {
        refused.add(route);
        if (after !== before && !DOOR.test(route)) faults.push(`kept something: ${answer.status} ${told}`);
      }
      before = after;
      if (answer.status === 401 || answer.status === 423 || DOOR.test(route)) calls = CALLS_A_SCREEN;
    } catch (error) {
      faults.push(`${String(error)} ${told}`);
    }
    slowestMs = Math.max(slowestMs, performance.now() - from);
    if (sent % 1000 === 0) work.told?.(sent);
  }
  return { sent: work.requests, answered, slowestMs, routes: refused, faults };
}

/** Half a pair of signs cannot stand in an address. */
const wellFormed = (text: string): string => text.replace(/[\ud800-\udfff]/g, '\ufffd');
