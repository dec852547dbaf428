import { QueryTypes } from 'sequelize';
import type { KeptSaw } from '@odontis/contract/saw';
import type { Saw } from '@odontis/core/saw/saw';
import type { CustomerFound } from '@odontis/contract/ticket';
import type { Database } from '../../database/connect';
import type { SawRow } from './model';

const COMMON = [
  'name',
  'family',
  'filing',
  'pitchMm',
  'convention',
  'toothLineMm',
  'plateThicknessMm',
  'plateDepthHeelMm',
  'plateDepthToeMm',
  'backFixing',
  'marksOnIt',
] as const;

/** A saw as the contract tells it: the common measures, and its family's own beside them. */
export const toSaw = (row: SawRow): KeptSaw =>
  ({ id: row.id, ...Object.fromEntries(COMMON.map((key) => [key, row[key]])), ...row.shape }) as unknown as KeptSaw;

/** The way back: what every saw has into its columns, the rest into its shape; its place in the book is not of the saw. */
export function toSawRow(facts: Saw): Pick<SawRow, (typeof COMMON)[number] | 'shape'> {
  const own = Object.entries(facts).filter(([key]) => key !== 'id' && !(COMMON as readonly string[]).includes(key));
  const common = Object.fromEntries(COMMON.map((key) => [key, facts[key]]));
  return { ...common, shape: Object.fromEntries(own) } as Pick<SawRow, (typeof COMMON)[number] | 'shape'>;
}

/** As typed, no wildcards of the typist's own. */
const like = (text: string): string => `%${text.replace(/[\\%_]/g, '\\$&')}%`;

/** Shorter than this and three letters in a row, which the index goes by, cannot be had. */
const LEAST_LETTERS = 3;
/** Alike enough to be a slip of the finger: two letters changed in a name of eight. */
const SLIP = 0.42;

/**
 * At most ten customers for what was typed: names that begin with it, names that
 * hold it, names it is a slip of, telephones, and owners of a saw called or marked so.
 * Case and accents do not count. One or two letters find beginnings only.
 */
export function findCustomers(db: Database, typed: string): Promise<CustomerFound[]> {
  // A telephone is looked for where nothing but one was typed: "100%" is a name.
  const digits = /^[\d\s()+./-]+$/.test(typed) ? typed.replace(/\D/g, '') : '';
  const long = typed.trim().length >= LEAST_LETTERS;
  const sources = [
    `SELECT id, CASE WHEN plain_name LIKE plain_text(:start) THEN 0 ELSE 1 END AS rank FROM customer
      WHERE plain_name LIKE plain_text(${long ? ':anywhere' : ':start'}) OR plain_name LIKE plain_text(:word)`,
    ...(long
      ? [
          `SELECT id, 3 FROM customer WHERE plain_text(:typed) <% plain_name`,
          `(SELECT customer_id, 4 FROM saw WHERE plain_marks LIKE plain_text(:anywhere) LIMIT 200)`,
        ]
      : []),
    ...(digits.length >= LEAST_LETTERS ? [`SELECT id, 2 FROM customer WHERE phone_digits LIKE :digits`] : []),
  ];
  return db.sequelize.transaction(async (transaction) => {
    await db.sequelize.query(`SET LOCAL pg_trgm.word_similarity_threshold = ${SLIP}`, { transaction });
    return db.sequelize.query<CustomerFound>(
      `WITH hit AS (SELECT id, min(rank) AS rank FROM (${sources.join(' UNION ALL ')}) AS one GROUP BY id),
            best AS (SELECT c.id, c.name, c.phone, c.email, h.rank, word_similarity(plain_text(:typed), c.plain_name) AS near
                       FROM hit h JOIN customer c ON c.id = h.id WHERE c.forgotten_at IS NULL
                      ORDER BY h.rank, near DESC, c.name, c.id LIMIT 10)
       SELECT id, name, phone, email, (SELECT count(*)::int FROM saw s WHERE s.customer_id = best.id) AS "sawsBrought"
         FROM best ORDER BY rank, near DESC, name, id`,
      {
        type: QueryTypes.SELECT,
        transaction,
        replacements: {
          typed: typed.trim(),
          anywhere: like(typed.trim()),
          start: like(typed.trim()).slice(1),
          word: `% ${like(typed.trim()).slice(1)}`,
          digits: `%${digits}%`,
        },
      },
    );
  });
}
