import { setImmediate as turn } from 'node:timers/promises';
import { QueryTypes } from 'sequelize';
import type { Pair } from '@odontis/core/learn/lesson';
import type { ShopPairs } from '@odontis/core/learn/shop-lessons';
import { SHARPENING_MM } from '@odontis/core/life/sharpening-metal';
import { bentLengthMm } from '@odontis/core/set/set-wear';
import { DRIFT_DEPTH_MM } from '@odontis/core/testcut/foretold';
import type { Database } from '../../database/connect';
import type { Walked } from '../tickets/time-of-walk';
import { timeOf } from '../tickets/time-of-walk';

/** So many of the latest are learned from; a shop changes. */
const LATEST = 150;
const LATEST_WALKS = 120;

/** Foretold and found of everything a shop can learn, over all its saws; nothing of a simulated gauge. */
export async function readPairs(db: Database): Promise<ShopPairs> {
  const pairs = (sql: string): Promise<Pair[]> =>
    db.sequelize.query<Pair>(`${sql} ORDER BY "atMs" DESC LIMIT ${LATEST}`, { type: QueryTypes.SELECT });
  const at = (column: string): string => `(extract(epoch FROM ${column}) * 1000)::float8 AS "atMs"`;
  const ofHands = (what: 'strokes' | 'stoning'): Promise<Pair[]> =>
    pairs(
      `SELECT ${at('created_at')}, amount::float8 AS foretold, did_mm AS found FROM calibration WHERE what = '${what}'`,
    );
  const [drift, hop, wear, strokes, stone, minutes] = await Promise.all([
    pairs(
      `SELECT ${at('at')}, (set_left_mm - set_right_mm) / 2 AS foretold, off_line_mm * ${DRIFT_DEPTH_MM} / over_mm AS found
         FROM check_round WHERE set_left_mm IS NOT NULL AND set_right_mm IS NOT NULL AND off_line_mm IS NOT NULL`,
    ),
    pairs(
      `SELECT ${at('at')}, hop_mm AS foretold, chatters::int::float8 AS found FROM check_round WHERE hop_mm IS NOT NULL AND chatters IS NOT NULL`,
    ),
    readWear(db),
    ofHands('strokes'),
    ofHands('stoning'),
    readMinutes(db),
  ]);
  return { drift, hop, 'set-wear': wear, strokes, stone, minutes };
}

/** Minutes of a walk, by its plan and the stops that were pressed: an order never changes, and is long to read. */
const walked = new WeakMap<Database, Map<string, Pair | null>>();

/** Minutes reckoned and taken of the latest walks, those not known yet read one at a turn of the loop. */
async function readMinutes(db: Database): Promise<Pair[]> {
  const held = walked.get(db) ?? new Map<string, Pair | null>();
  const walks = await db.sequelize.query<{ id: number; pressed: number }>(
    `SELECT p.id, count(*)::int AS pressed FROM plan p JOIN bench_event e ON e.plan_id = p.id AND e.action = 'done'
      GROUP BY p.id ORDER BY p.id DESC LIMIT ${LATEST_WALKS}`,
    { type: QueryTypes.SELECT },
  );
  const now = new Map<string, Pair | null>();
  for (const { id, pressed } of walks) {
    const key = `${id}:${pressed}`;
    const known = held.get(key);
    now.set(key, known === undefined ? await readWalk(db, id) : known);
  }
  walked.set(db, now);
  return [...now.values()].filter((pair) => pair !== null);
}

async function readWalk(db: Database, planId: number): Promise<Pair | null> {
  const [walk] = await db.sequelize.query<Walked & { atMs: number }>(
    `SELECT p.body, (extract(epoch FROM p.accepted_at) * 1000)::float8 AS "atMs",
            array_agg(e.stop ORDER BY e.happened_at, e.stop) AS stops,
            array_agg(extract(epoch FROM e.happened_at) * 1000 ORDER BY e.happened_at, e.stop)::float8[] AS at,
            array_agg(e.how ORDER BY e.happened_at, e.stop) AS how
       FROM plan p JOIN bench_event e ON e.plan_id = p.id AND e.action = 'done' WHERE p.id = :planId GROUP BY p.id`,
    { type: QueryTypes.SELECT, replacements: { planId } },
  );
  await turn();
  if (!walk) return null;
  const { reckonedMinutes, takenMinutes } = timeOf(walk);
  return reckonedMinutes > 0 && takenMinutes > 0
    ? { atMs: walk.atMs, foretold: reckonedMinutes, found: takenMinutes }
    : null;
}

/**
 * Set lost in a filing that left it, of lines measured before and after: by the hinge, s dy / l, and as it was found.
 * Only where either side was read on both occasions, a few teeth at the least.
 */
async function readWear(db: Database): Promise<Pair[]> {
  const rows = await db.sequelize.query<{
    atMs: number;
    depthMm: number;
    heightMm: number;
    before: number;
    after: number;
  }>(
    `SELECT (extract(epoch FROM p.accepted_at) * 1000)::float8 AS "atMs", COALESCE(p.depth_mm, 0) AS "depthMm",
            (p.body->'forecast'->'tooth'->>'heightMm')::float8 AS "heightMm", b.mean AS before, a.mean AS after
       FROM plan p
       JOIN LATERAL ${SETS('before')} b ON b.n >= 4
       JOIN LATERAL ${SETS('after')} a ON a.n >= 4
      WHERE p.body->'forecast'->'set'->>'reset' = 'false' AND p.body->'forecast'->'tooth'->>'heightMm' IS NOT NULL
      ORDER BY p.id DESC LIMIT ${LATEST}`,
    { type: QueryTypes.SELECT },
  );
  return rows.map(({ atMs, depthMm, heightMm, before, after }) => ({
    atMs,
    foretold: before * Math.min(1, (depthMm + SHARPENING_MM) / bentLengthMm(heightMm)),
    found: before - after,
  }));
}
const SETS = (kind: 'before' | 'after'): string =>
  `(SELECT avg(e.value_mm) AS mean, count(*) AS n FROM evidence e JOIN session s ON s.id = e.session_id
     WHERE s.ticket_id = p.ticket_id AND s.kind = '${kind}' AND e.quantity = 'set' AND NOT e.set_aside AND NOT e.simulated
       AND NOT EXISTS (SELECT 1 FROM evidence c WHERE c.corrects = e.key))`;
