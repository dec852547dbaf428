import { QueryTypes } from 'sequelize';
import type { CustomerFound, KnownSaw, Saw } from '@odontis/contract/ticket';
import type { Database } from '../../database/connect';
import type { SawRow } from './model';

export const toSaw = (row: SawRow): Saw => ({
  id: row.id,
  name: row.name,
  family: row.family,
  filing: row.filing,
  pitchMm: row.pitchMm,
  convention: row.convention,
  toothLineMm: row.toothLineMm,
  plateThicknessMm: row.plateThicknessMm,
  plateDepthHeelMm: row.plateDepthHeelMm,
  plateDepthToeMm: row.plateDepthToeMm,
  backFixing: row.backFixing,
  marksOnIt: row.marksOnIt,
});

/** As typed, no wildcards of the typist's own. */
const like = (text: string): string => `%${text.replace(/[\\%_]/g, '\\$&')}%`;

/** At most ten customers whose name or telephone holds what was typed; names starting with it first. */
export function findCustomers(db: Database, typed: string): Promise<CustomerFound[]> {
  return db.sequelize.query<CustomerFound>(
    `SELECT c.id, c.name, c.phone, c.email, (SELECT count(*)::int FROM saw s WHERE s.customer_id = c.id) AS "sawsBrought"
       FROM customer c
      WHERE c.name ILIKE :anywhere OR (length(:digits) >= 3 AND regexp_replace(c.phone, '\\D', '', 'g') LIKE :digitsAnywhere)
      ORDER BY (c.name ILIKE :start) DESC, c.name LIMIT 10`,
    {
      type: QueryTypes.SELECT,
      replacements: {
        anywhere: like(typed),
        start: like(typed).slice(1),
        digits: typed.replace(/\D/g, ''),
        digitsAnywhere: like(typed.replace(/\D/g, '')),
      },
    },
  );
}

/** What a customer has brought before. */
export async function knownSaws(db: Database, customerId: number): Promise<KnownSaw[]> {
  const [saws, visits] = await Promise.all([
    db.models.Saw.findAll({ where: { customerId }, order: [['id', 'DESC']] }),
    db.sequelize.query<{ sawId: number; visits: number; inShop: boolean; lastVisit: Date | null }>(
      `SELECT t.saw_id AS "sawId", count(*)::int AS visits, bool_or(t.closed_at IS NULL) AS "inShop", max(t.closed_at) AS "lastVisit"
         FROM ticket t JOIN saw s ON s.id = t.saw_id WHERE s.customer_id = :customerId GROUP BY t.saw_id`,
      { type: QueryTypes.SELECT, replacements: { customerId } },
    ),
  ]);
  return saws.map((row) => {
    const own = visits.find((v) => v.sawId === row.id);
    return {
      ...toSaw(row),
      inShop: own?.inShop ?? false,
      visits: own?.visits ?? 0,
      lastVisit: own?.lastVisit?.toISOString() ?? null,
    };
  });
}
