import { QueryTypes } from 'sequelize';
import * as z from 'zod';
import { text } from '@odontis/contract/fields';
import { family } from '@odontis/core/saw/saw';
import type { AlikeSaw, KnownSaw } from '@odontis/contract/ticket';
import type { WorkOrder } from '@odontis/core/work/order';
import { ASK_FROM, sawLikeness } from '@odontis/core/shop/likeness';
import type { Database } from '../../database/connect';
import { toSaw } from './service';

interface Past {
  readonly sawId: number;
  readonly customer: string;
  readonly visits: number;
  readonly inShop: boolean;
  readonly lastVisit: Date | null;
  readonly complaint: string | null;
  readonly note: string | null;
  readonly work: WorkOrder['work'] | null;
  readonly depthMm: number | null;
  readonly stage: string | null;
  readonly refusal: string | null;
}

/** Saws with what was said and done when they were last here, newest saw first. */
async function withTheirPast(db: Database, sawIds: readonly number[]): Promise<KnownSaw[]> {
  if (sawIds.length === 0) return [];
  const [saws, past] = await Promise.all([
    db.models.Saw.findAll({ where: { id: [...sawIds] }, order: [['id', 'DESC']] }),
    db.sequelize.query<Past>(
      `SELECT s.id AS "sawId", c.name AS customer, all_t.visits, all_t.in_shop AS "inShop", last.closed_at AS "lastVisit",
              last.complaint, last.handover_note AS note, p.work, p.depth AS "depthMm", last.stage, last.reasons->0->>'says' AS refusal
         FROM saw s JOIN customer c ON c.id = s.customer_id
         CROSS JOIN LATERAL (SELECT count(*)::int AS visits, COALESCE(bool_or(closed_at IS NULL), false) AS in_shop FROM ticket WHERE saw_id = s.id) all_t
         LEFT JOIN LATERAL (SELECT * FROM ticket WHERE saw_id = s.id AND closed_at IS NOT NULL ORDER BY closed_at DESC LIMIT 1) last ON true
         LEFT JOIN LATERAL (SELECT work, depth_mm AS depth FROM plan WHERE ticket_id = last.id ORDER BY number DESC LIMIT 1) p ON true
        WHERE s.id IN (:sawIds)`,
      { type: QueryTypes.SELECT, replacements: { sawIds: [...sawIds] } },
    ),
  ]);
  const byId = new Map(past.map((one) => [one.sawId, one]));
  return saws.map((row) => {
    const own = byId.get(row.id);
    return {
      ...toSaw(row),
      customerId: row.customerId,
      customer: own?.customer ?? '',
      inShop: own?.inShop ?? false,
      visits: own?.visits ?? 0,
      lastVisit: own?.lastVisit?.toISOString() ?? null,
      lastComplaint: own?.complaint ?? '',
      lastNote: own?.note ?? '',
      lastWork: own?.work ?? null,
      lastDepthMm: own?.depthMm ?? null,
      lastRefusal: own?.stage === 'declined' ? (own.refusal ?? '') : null,
    };
  });
}

/** What a customer has brought before. */
export async function knownSaws(db: Database, customerId: number): Promise<KnownSaw[]> {
  const saws = await db.models.Saw.findAll({ where: { customerId }, attributes: ['id'] });
  return withTheirPast(
    db,
    saws.map((s) => s.id),
  );
}

const size = z.coerce.number().positive().max(100_000);
/** A saw as far as it has been told at the counter. */
export const sawTold = z.object({
  customerId: z.coerce.number().int().positive().optional(),
  family,
  name: text(120, 'What the saw is').default(''),
  marksOnIt: text(500, 'What is stamped or written on it').default(''),
  toothLineMm: size,
  pitchMm: size,
  plateThicknessMm: size,
  plateDepthHeelMm: size,
});

/** More saws than these are not weighed. */
const MOST_WEIGHED = 400;
const MOST_SHOWN = 4;
/** Words of a stamp that are looked for; shorter ones than the index goes by are not. */
const MOST_WORDS = 6;
const LEAST_LETTERS = 3;

/**
 * Saws in the book the one on the counter may be, the likeliest first. Only the
 * owner's own and those stamped alike are weighed: size alone never makes it the same.
 */
export async function alikeSaws(db: Database, told: z.infer<typeof sawTold>): Promise<AlikeSaw[]> {
  const words = told.marksOnIt
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word.length >= LEAST_LETTERS)
    .slice(0, MOST_WORDS);
  const stamped = words.map((_, i) => `OR s.plain_marks LIKE plain_text(:word${i})`).join(' ');
  const rows = await db.sequelize.query<{ id: number }>(
    `SELECT s.id FROM saw s JOIN customer c ON c.id = s.customer_id
      WHERE s.family = :family AND s.tooth_line_mm BETWEEN :length * 0.94 AND :length * 1.06 AND c.forgotten_at IS NULL
        AND (s.customer_id = :customerId ${stamped})
      ORDER BY (s.customer_id = :customerId) DESC, abs(s.pitch_mm - :pitch), s.id LIMIT ${MOST_WEIGHED}`,
    {
      type: QueryTypes.SELECT,
      replacements: {
        family: told.family,
        length: told.toothLineMm,
        pitch: told.pitchMm,
        customerId: told.customerId ?? 0,
        ...Object.fromEntries(words.map((word, i) => [`word${i}`, `%${word}%`])),
      },
    },
  );
  const known = await db.models.Saw.findAll({ where: { id: rows.map((r) => r.id) } });
  const likely = known
    .map((saw) => ({ id: saw.id, ...sawLikeness(told, saw, saw.customerId === told.customerId) }))
    .filter((one) => one.share >= ASK_FROM)
    .sort((a, b) => b.share - a.share || b.id - a.id)
    .slice(0, MOST_SHOWN);
  const past = await withTheirPast(
    db,
    likely.map((one) => one.id),
  );
  return likely.flatMap((one) => {
    const saw = past.find((p) => p.id === one.id);
    return saw ? [{ ...saw, share: one.share, agrees: one.agrees }] : [];
  });
}
