import type { LabelPrinter, PrintedLabel } from '@odontis/contract/notes';
import { QueryTypes } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { Database } from '../database/connect';
import { Problem } from '../http/problem';

/** Labels on a new roll. */
export const ROLL = 200;

/**
 * Stand-in for a label printer: it takes drawings of the labels' true size,
 * keeps what would have come out, and runs out of labels as a real one does.
 * A job is printed whole or not at all.
 */
export async function printLabels(
  db: Database,
  labels: readonly { readonly ticketId: number; readonly drawing: string }[],
  by: number,
  t: Transaction,
): Promise<void> {
  const [left] = await db.sequelize.query<{ left: number }>(
    'SELECT labels_left AS left FROM label_roll WHERE id = 1 FOR UPDATE',
    {
      type: QueryTypes.SELECT,
      transaction: t,
    },
  );
  const has = left?.left ?? 0;
  if (has < labels.length)
    throw new Problem(
      'printer-empty',
      `The label printer has ${has} label${has === 1 ? '' : 's'} left and this job wants ${labels.length}: load a new roll.`,
    );
  for (const { ticketId, drawing } of labels)
    await db.sequelize.query(
      'INSERT INTO label_printed (ticket_id, drawing, printed_by) VALUES (:ticketId, :drawing, :by)',
      {
        replacements: { ticketId, drawing, by },
        transaction: t,
      },
    );
  await db.sequelize.query('UPDATE label_roll SET labels_left = labels_left - :n WHERE id = 1', {
    replacements: { n: labels.length },
    transaction: t,
  });
}

export async function loadRoll(db: Database): Promise<LabelPrinter> {
  await db.sequelize.query('UPDATE label_roll SET labels_left = :roll WHERE id = 1', { replacements: { roll: ROLL } });
  return readPrinter(db);
}

/** What lies in the printer's tray, the newest first. */
export async function readPrinter(db: Database): Promise<LabelPrinter> {
  const [roll, printed] = await Promise.all([
    db.sequelize.query<{ left: number }>('SELECT labels_left AS left FROM label_roll WHERE id = 1', {
      type: QueryTypes.SELECT,
    }),
    db.sequelize.query<Omit<PrintedLabel, 'at'> & { at: Date }>(
      `SELECT l.id, l.ticket_id AS "ticketId", t.number, l.drawing, o.name AS by, l.printed_at AS at
         FROM label_printed l JOIN ticket t ON t.id = l.ticket_id JOIN person o ON o.id = l.printed_by ORDER BY l.id DESC LIMIT 60`,
      { type: QueryTypes.SELECT },
    ),
  ]);
  return { labelsLeft: roll[0]?.left ?? 0, printed: printed.map((row) => ({ ...row, at: row.at.toISOString() })) };
}
