import { randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import { DateTime } from 'luxon';
import type { ShopBook } from '@odontis/contract/shop';
import { teethOf } from '@odontis/core/saw/saw';
import type { Database } from '../database/connect';
import { toSaw } from '../features/customers/service';

/** Grinders of the demo's neighbourhood; invented. */
export const DEMO_GRINDERS: NonNullable<ShopBook['grinders']> = [
  { name: 'Ostrander & Pell', days: 6, perTooth: 0.45, least: 14 },
  { name: 'Quayside Tool Grinding', days: 10, perTooth: 0.35, least: 12 },
];

/** Blades that wait for the grinder went there three days ago; what that costs is asked of their owners. */
export async function loadOutwork(
  db: Database,
  today: DateTime,
  personId: number,
  transaction: Transaction,
): Promise<void> {
  const [grinder] = DEMO_GRINDERS;
  const waiting = await db.models.Ticket.findAll({ where: { waitsFor: 'grinder', closedAt: null }, transaction });
  for (const ticket of waiting) {
    if (!grinder) return;
    const saw = toSaw(await db.models.Saw.findByPk(ticket.sawId, { transaction, rejectOnEmpty: true }));
    const teeth = teethOf(saw);
    const amount = Math.max(grinder.least ?? 0, (grinder.perTooth ?? 0) * teeth);
    // Never before it was taken in.
    const sent = new Date(Math.max(ticket.openedAt.getTime() + 3_600_000, today.minus({ days: 3 }).toMillis()));
    const { id: outworkId } = await db.models.Outwork.create(
      {
        ...{ key: randomUUID(), ticketId: ticket.id, number: 1, grinder: grinder.name },
        ...{ work: `two tips renewed, ${teeth} teeth ground`, amount, personId, at: sent },
        dueOn: DateTime.fromJSDate(sent).plus({ days: grinder.days }).toISODate() ?? '',
      },
      { transaction },
    );
    const estimate = await db.models.PriceWord.findOne({
      where: { ticketId: ticket.id, kind: 'estimate' },
      transaction,
      rejectOnEmpty: true,
    });
    const sum = estimate.high + amount;
    const { minutesHigh: minutes } = estimate;
    const told = { minutesLow: minutes, minutesHigh: minutes, minutesLikely: minutes };
    const word = { key: randomUUID(), ticketId: ticket.id, low: sum, high: sum, personId };
    await db.models.PriceWord.create({ ...word, kind: 'outwork', outworkId, ...told, at: sent }, { transaction });
    await ticket.update({ waitsNote: grinder.name }, { transaction });
  }
}
