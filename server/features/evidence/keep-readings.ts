import type { Reading } from '@odontis/core/evidence/reading';
import { QueryTypes } from 'sequelize';
import type { Transaction } from 'sequelize';
import { inParts } from '../../beside/in-parts';
import type { Database } from '../../database/connect';
import { toRow } from './evidence-row';

/** Where readings belong, and who took them when; left out, now. */
interface Taken {
  readonly sessionId: number;
  readonly by: number;
  readonly at?: Date;
}

/** A statement takes so many. */
const AT_ONCE = 4000;

/** Readings into their session in the order they were taken, thousands a statement: a long line is many of them. */
export async function keepReadings(
  db: Database,
  readings: readonly Reading[],
  { sessionId, by, at = new Date() }: Taken,
  transaction: Transaction,
): Promise<void> {
  for await (const part of inParts(readings, AT_ONCE))
    await db.sequelize.query(
      `INSERT INTO evidence (key, session_id, quantity, part, place, value_mm, value_word, value_angles, gauge, set_aside,
       corrects, simulated, taken_by, taken_at)
     SELECT r.key, $2, r.quantity, r.part, r.place, r."valueMm", r."valueWord", r."valueAngles", r.gauge, r."setAside",
       r.corrects, r.simulated, $3, $4
       FROM jsonb_to_recordset($1::jsonb) AS r(key uuid, quantity text, part text, place double precision,
         "valueMm" double precision, "valueWord" text, "valueAngles" jsonb, gauge text, "setAside" boolean,
         corrects uuid, simulated boolean)`,
      { type: QueryTypes.INSERT, bind: [JSON.stringify(part.map(toRow)), sessionId, by, at], transaction },
    );
}
