import type { Reading } from '@odontis/core/evidence/reading';
import { QueryTypes } from 'sequelize';
import type { Transaction } from 'sequelize';
import { inParts } from '../../beside/in-parts';
import type { Database } from '../../database/connect';
import { toRow } from './evidence-row';

/** Readings of one sitting: where they belong, and who took them when; left out, now. */
interface Taken {
  readonly readings: readonly Reading[];
  readonly sessionId: number;
  readonly by: number;
  readonly at?: Date;
}

/** A statement takes so many. */
const AT_ONCE = 4000;

/** Readings into their sessions in the order they were taken, thousands a statement: a long line is many of them. */
export async function keepReadings(db: Database, taken: readonly Taken[], transaction: Transaction): Promise<void> {
  const now = new Date();
  const rows = taken.flatMap(({ readings, sessionId, by, at = now }) =>
    readings.map((one) => ({ ...toRow(one), sessionId, by, at })),
  );
  for await (const part of inParts(rows, AT_ONCE))
    await db.sequelize.query(
      `INSERT INTO evidence (key, session_id, quantity, part, place, value_mm, value_word, value_angles, gauge, set_aside,
       corrects, simulated, taken_by, taken_at)
     SELECT r.key, r."sessionId", r.quantity, r.part, r.place, r."valueMm", r."valueWord", r."valueAngles", r.gauge,
       r."setAside", r.corrects, r.simulated, r.by, r.at
       FROM json_to_recordset($1::json) AS r(key uuid, "sessionId" int, quantity text, part text,
         place double precision, "valueMm" double precision, "valueWord" text, "valueAngles" jsonb, gauge text,
         "setAside" boolean, corrects uuid, simulated boolean, by int, at timestamptz)`,
      { type: QueryTypes.INSERT, bind: [JSON.stringify(part)], transaction },
    );
}
