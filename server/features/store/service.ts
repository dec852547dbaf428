import { QueryTypes } from 'sequelize';
import type { Transaction } from 'sequelize';
import { DateTime } from 'luxon';
import type { KeptStoreRoom, NewTool, NewToolDeed } from '@odontis/contract/store';
import { FORTNIGHT_DAYS } from '@odontis/core/store/shelf';
import type { KeptTool } from '@odontis/core/store/shelf';
import type { KeptDeed, Stock } from '@odontis/core/store/stock';
import { deedRefusal, stockOf } from '@odontis/core/store/stock';
import type { Tool } from '@odontis/core/store/tool';
import { tool as toolShape, toolDeed } from '@odontis/core/store/tool';
import { usesOf } from '@odontis/core/store/uses';
import type { WorkOrder } from '@odontis/core/work/order';
import type { Database } from '../../database/connect';
import { Problem } from '../../http/problem';
import type { ToolDeedRow, ToolRow } from './model';

/** Saws not planned yet are reckoned by so many of the latest orders of their family. */
const LEARNED_FROM = 20;
/** Days over which the use of stones, set tools and the like is counted. */
const USED_DAYS = 91;
/** More kinds of tools than any shop has. */
const MOST_TOOLS = 500;

const toTool = ({ kind, name, note, corners, cornerStrokes }: ToolRow): Tool =>
  toolShape.parse(kind === 'file' ? { kind, name, note, corners, cornerStrokes } : { kind, name, note });
const toRow = (tool: Tool) => ({
  ...{ kind: tool.kind, name: tool.name, note: tool.note },
  ...(tool.kind === 'file'
    ? { corners: tool.corners, cornerStrokes: tool.cornerStrokes }
    : { corners: null, cornerStrokes: null }),
});
const toDeed = ({ what, pieces, personId, at, strokes }: ToolDeedRow): KeptDeed => ({
  ...toolDeed.parse({ what, ...(pieces !== null && { pieces }) }),
  ...{ personId, atMs: at.getTime(), strokes },
});

/** What a hand has made with each file since it took it up. */
async function strokesSince(
  db: Database,
  inHand: readonly { readonly name: string; readonly personId: number; readonly sinceMs: number }[],
  transaction?: Transaction,
): Promise<number[]> {
  if (inHand.length === 0) return [];
  const rows = await db.sequelize.query<{ n: number; strokes: number }>(
    // Only saws that were in the shop since can have been filed since.
    `SELECT h.n, COALESCE(made.strokes, 0)::int AS strokes
       FROM jsonb_to_recordset($1::jsonb) AS h(n int, name text, "personId" int, "sinceMs" float8)
       LEFT JOIN LATERAL (
         SELECT sum(u.amount) AS strokes
           FROM plan_tool t JOIN plan p ON p.id = t.plan_id JOIN ticket k ON k.id = p.ticket_id
           CROSS JOIN unnest(t.stops, t.amounts) AS u(stop, amount)
           JOIN bench_mark m ON m.plan_id = t.plan_id AND m.stop = u.stop AND NOT m.skipped
           JOIN bench_event e ON e.id = m.event_id
          WHERE t.kind = 'file'
            AND (t.name = h.name OR t.plan_id IN (SELECT plan_id FROM bench_event WHERE action = 'file' AND reason = h.name))
            -- Another file that was taken up wears in place of the planned one, from there on.
            AND h.name = COALESCE((SELECT f.reason FROM bench_event f WHERE f.plan_id = t.plan_id AND f.action = 'file'
                  AND f.stop = ANY(t.stops) AND f.happened_at <= e.happened_at ORDER BY f.happened_at DESC LIMIT 1), t.name)
            AND e.person_id = h."personId"
            AND e.happened_at >= to_timestamp(h."sinceMs" / 1000)
            AND (k.closed_at IS NULL OR k.closed_at >= to_timestamp(h."sinceMs" / 1000))) made ON true
      ORDER BY h.n`,
    {
      type: QueryTypes.SELECT,
      bind: [JSON.stringify(inHand.map((one, n) => ({ n, ...one })))],
      ...(transaction && { transaction }),
    },
  );
  return rows.map(({ strokes }) => strokes);
}

async function readTools(db: Database, transaction?: Transaction): Promise<KeptTool[]> {
  const options = transaction ? { transaction } : {};
  // One after the other: a transaction has one connection, which takes one at a time.
  const tools = await db.models.Tool.findAll({ order: ['kind', 'name'], ...options });
  const deeds = await db.models.ToolDeed.findAll({ order: ['id'], ...options });
  const byTool = new Map<number, KeptDeed[]>();
  for (const deed of deeds) {
    const own = byTool.get(deed.toolId) ?? [];
    byTool.set(deed.toolId, own);
    own.push(toDeed(deed));
  }
  const found: { id: number; tool: Tool; stock: Stock }[] = tools.map((row) => ({
    id: row.id,
    tool: toTool(row),
    stock: stockOf(byTool.get(row.id) ?? []),
  }));
  const hands = found.flatMap(({ tool, stock }) =>
    stock.inHand.map(({ personId, sinceMs }) => ({ name: tool.name, personId, sinceMs })),
  );
  const strokes = await strokesSince(db, hands, transaction);
  let next = 0;
  return found.map(({ id, tool, stock }) => ({
    ...{ id, tool },
    stock: { ...stock, inHand: stock.inHand.map((one) => ({ ...one, strokes: strokes[next++] ?? 0 })) },
  }));
}

/** The Store with what hangs on it: what orders at the bench still want, and saws of the fortnight that wait for a plan. */
export async function readStore(db: Database): Promise<KeptStoreRoom> {
  const until = DateTime.now().plus({ days: FORTNIGHT_DAYS }).toISODate();
  const select = <T extends object>(sql: string, bind: readonly unknown[] = []): Promise<T[]> =>
    db.sequelize.query<T>(sql, { type: QueryTypes.SELECT, bind: [...bind] });
  const tools = await readTools(db);
  const planned = await select<KeptStoreRoom['planned'][number]>(
    `SELECT k.id AS "ticketId", k.number AS "ticketNumber", to_char(k.promised_on, 'YYYY-MM-DD') AS "promisedOn", t.name, sum(u.amount)::int AS strokes
       FROM ticket k JOIN LATERAL (SELECT id FROM plan WHERE ticket_id = k.id ORDER BY number DESC LIMIT 1) p ON true
       JOIN plan_tool t ON t.plan_id = p.id AND t.kind = 'file'
       CROSS JOIN unnest(t.stops, t.amounts) AS u(stop, amount)
       LEFT JOIN bench_mark m ON m.plan_id = p.id AND m.stop = u.stop
      WHERE k.stage = 'bench' AND m.stop IS NULL GROUP BY k.id, k.number, k.promised_on, t.name ORDER BY k.promised_on, k.id`,
  );
  const unplanned = await select<KeptStoreRoom['unplanned'][number]>(
    `SELECT w.family, w.saws, count(DISTINCT l.id)::int AS "learnedFrom",
            COALESCE((SELECT jsonb_agg(jsonb_build_object('name', f.name, 'strokesEach', f.total / f.plans) ORDER BY f.name)
               FROM (SELECT t.name, sum(t.total)::float8 AS total, (SELECT count(*) FROM (${lastOf('w.family')}) n) AS plans
                       FROM (${lastOf('w.family')}) p JOIN plan_tool t ON t.plan_id = p.id AND t.kind = 'file' GROUP BY t.name) f), '[]'::jsonb) AS files
       FROM (SELECT s.family, count(*)::int AS saws FROM ticket k JOIN saw s ON s.id = k.saw_id
              WHERE k.stage IN ('measure', 'plan') AND k.promised_on <= $1 GROUP BY s.family) w
       LEFT JOIN LATERAL (${lastOf('w.family')}) l ON true
      GROUP BY w.family, w.saws ORDER BY w.family`,
    [until],
  );
  const used = await select<KeptStoreRoom['used'][number]>(
    // Of a saw whose latest order has left the bench every stop was made but those left out; of any other order those that are marked.
    `WITH walked AS (SELECT p.id, k.stage IN ('check', 'handover', 'closed')
               AND NOT EXISTS (SELECT 1 FROM plan n WHERE n.ticket_id = p.ticket_id AND n.number > p.number) AS whole
          FROM plan p JOIN ticket k ON k.id = p.ticket_id WHERE p.accepted_at >= now() - make_interval(days => $1))
     SELECT kind, name, sum(amount)::int AS amount FROM (
       SELECT t.kind, t.name, t.total AS amount FROM walked w JOIN plan_tool t ON t.plan_id = w.id WHERE w.whole
       UNION ALL
       SELECT t.kind, t.name, -u.amount FROM walked w JOIN bench_mark m ON m.plan_id = w.id AND m.skipped
         JOIN plan_tool t ON t.plan_id = w.id CROSS JOIN unnest(t.stops, t.amounts) AS u(stop, amount)
        WHERE w.whole AND u.stop = m.stop
       UNION ALL
       SELECT t.kind, t.name, u.amount FROM walked w JOIN plan_tool t ON t.plan_id = w.id
         CROSS JOIN unnest(t.stops, t.amounts) AS u(stop, amount) JOIN bench_mark m ON m.plan_id = w.id AND m.stop = u.stop AND NOT m.skipped
        WHERE NOT w.whole) made
      GROUP BY kind, name ORDER BY kind, name`,
    [USED_DAYS],
  );
  return { until, tools, planned, unplanned, used };
}
const lastOf = (family: string): string =>
  `SELECT p.id FROM plan p JOIN ticket k ON k.id = p.ticket_id JOIN saw s ON s.id = k.saw_id
    WHERE s.family = ${family} ORDER BY p.id DESC LIMIT ${LEARNED_FROM}`;

/** What accepted orders do with which tool, beside their frozen bodies. */
export async function keepUses(
  db: Database,
  plans: readonly { readonly id: number; readonly order: Pick<WorkOrder, 'steps'> }[],
  transaction: Transaction,
): Promise<void> {
  const rows = plans.flatMap(({ id, order }) =>
    usesOf(order.steps).map(({ kind, name, stops, amounts }) => ({
      ...{ planId: id, kind, name, stops: [...stops], amounts: [...amounts] },
      total: amounts.reduce((sum, n) => sum + n, 0),
    })),
  );
  await db.models.PlanTool.bulkCreate(rows, { transaction });
}

/** One at a time changes the Store: what can be hangs on what was. */
const STORE_LOCK = 7004;
const locked = <T>(db: Database, change: (transaction: Transaction) => Promise<T>): Promise<T> =>
  db.sequelize.transaction(async (transaction) => {
    await db.sequelize.query(`SELECT pg_advisory_xact_lock(${STORE_LOCK})`, { transaction });
    return change(transaction);
  });

const refuseTwin = async (
  db: Database,
  tool: Tool,
  { but, path }: { readonly but: number | null; readonly path: string },
  transaction: Transaction,
): Promise<void> => {
  const [twin] = await db.sequelize.query<{ id: number }>(
    'SELECT id FROM tool WHERE kind = $1 AND lower(name) = lower($2) AND id IS DISTINCT FROM $3',
    { type: QueryTypes.SELECT, bind: [tool.kind, tool.name, but], transaction },
  );
  if (twin)
    throw new Problem('bad-input', `“${tool.name}” is in the Store already.`, [{ path, message: 'Another name.' }]);
};

/** Something new; sent again with its key it is there once. */
export async function addTool(db: Database, { key, tool }: NewTool, by: number): Promise<KeptStoreRoom> {
  await locked(db, async (transaction) => {
    if (await db.models.Tool.findOne({ where: { key }, transaction })) return;
    if ((await db.models.Tool.count({ transaction })) >= MOST_TOOLS)
      throw new Problem('bad-input', `A Store has ${MOST_TOOLS} kinds of tools at most here.`);
    await refuseTwin(db, tool, { but: null, path: '/tool/name' }, transaction);
    await db.models.Tool.create({ key, ...toRow(tool), createdBy: by }, { transaction });
  });
  return readStore(db);
}

/** Told anew; what kind of thing it is stays. */
export async function changeTool(db: Database, id: number, tool: Tool): Promise<KeptStoreRoom> {
  await locked(db, async (transaction) => {
    const row = await db.models.Tool.findByPk(id, { transaction });
    if (!row) throw new Problem('not-found', 'There is no such tool in the Store.');
    if (row.kind !== tool.kind) throw new Problem('bad-input', 'A tool stays of its kind: add another.');
    await refuseTwin(db, tool, { but: id, path: '/name' }, transaction);
    await row.update(toRow(tool), { transaction });
  });
  return readStore(db);
}

/** What happened to a tool. A corner given up is kept with the strokes it made. */
export async function keepDeed(
  db: Database,
  toolId: number,
  { key, deed }: NewToolDeed,
  personId: number,
): Promise<KeptStoreRoom> {
  await locked(db, async (transaction) => {
    if (await db.models.ToolDeed.findOne({ where: { key }, transaction })) return;
    const known = (await readTools(db, transaction)).find(({ id }) => id === toolId);
    if (!known) throw new Problem('not-found', 'There is no such tool in the Store.');
    const refused = deedRefusal(known.tool, known.stock, deed, personId);
    if (refused !== null) throw new Problem('bad-input', refused);
    const own = known.stock.inHand.find((one) => one.personId === personId);
    const ends = deed.what === 'begun' || deed.what === 'turned' || deed.what === 'spent';
    await db.models.ToolDeed.create(
      {
        ...{ key, toolId, what: deed.what, personId },
        pieces: 'pieces' in deed ? deed.pieces : null,
        strokes: ends && own ? own.strokes : null,
      },
      { transaction },
    );
  });
  return readStore(db);
}
