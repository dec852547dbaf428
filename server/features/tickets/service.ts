import { QueryTypes, UniqueConstraintError } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { Dossier } from '@odontis/contract/dossier';
import type { NewTicket, RackRow, TicketChange } from '@odontis/contract/ticket';
import { counterMinutes, priceFor } from '@odontis/core/plan/price';
import { pitchMmFromCount, teethOnLine } from '@odontis/core/saw/points';
import { ownBook } from '@odontis/core/judgement/books';
import { TRIAGE_BOOK } from '@odontis/core/judgement/triage-book';
import { triage } from '@odontis/core/triage/triage';
import type { Database } from '../../database/connect';
import { Problem } from '../../http/problem';
import type { SawRow } from '../customers/model';
import { readShop } from '../shop/service';
import { readDossier } from './dossier';
import { changeTicket, refuseStale } from './hold';

async function customerIdFor(db: Database, wanted: NewTicket['customer'], by: number, t: Transaction): Promise<number> {
  if (!('id' in wanted)) return (await db.models.Customer.create({ ...wanted, createdBy: by }, { transaction: t })).id;
  const found = await db.models.Customer.findByPk(wanted.id, { transaction: t });
  if (!found) throw new Problem('not-found', 'That customer is not in the book any more.');
  return found.id;
}

async function sawFor(
  db: Database,
  wanted: NewTicket['saw'],
  customerId: number,
  by: number,
  t: Transaction,
): Promise<SawRow> {
  if ('id' in wanted) {
    const found = await db.models.Saw.findOne({ where: { id: wanted.id, customerId }, transaction: t });
    if (!found) throw new Problem('not-found', 'That saw does not belong to this customer.');
    return found;
  }
  const { perInch, ...rest } = wanted;
  const pitchMm = pitchMmFromCount(perInch, wanted.convention);
  return db.models.Saw.create({ ...rest, pitchMm, customerId, createdBy: by }, { transaction: t });
}

/** Customer, saw and ticket together or not at all; the verdict is worked out here from the answers. */
export async function openTicket(db: Database, wanted: NewTicket, by: number): Promise<Dossier> {
  const { book } = await readShop(db);
  try {
    return await db.sequelize.transaction(async (t) => {
      const customerId = await customerIdFor(db, wanted.customer, by, t);
      const saw = await sawFor(db, wanted.saw, customerId, by, t);
      const { intake, decision } = wanted;
      const { verdict, reasons } = triage(
        { family: saw.family, backFixing: saw.backFixing, ...intake },
        ownBook(TRIAGE_BOOK, book.judgement),
      );
      refuseDecision(
        wanted,
        verdict,
        reasons.some((r) => r.needsConsent),
      );
      const kinds = intake.marks.map((m) => m.kind);
      const minutes = counterMinutes(
        teethOnLine(saw.toothLineMm, saw.pitchMm),
        kinds.includes('rust') || kinds.includes('pitting'),
        kinds.some((k) => k === 'bend' || k === 'kink' || k === 'twist' || k === 'wavy-line'),
      );
      const declined = decision === 'decline';
      const row = await db.models.Ticket.create(
        {
          ...intake,
          sawId: saw.id,
          stage: declined ? 'declined' : 'measure',
          verdict,
          reasons: [...reasons],
          quoteLow: priceFor(minutes.low, book.rates).amount,
          quoteHigh: priceFor(minutes.high, book.rates).amount,
          currency: book.rates.currency,
          openedBy: by,
          closedBy: declined ? by : null,
          closedAt: declined ? new Date() : null,
        },
        { transaction: t },
      );
      return readDossier(db, row.id, t);
    });
  } catch (error) {
    if (error instanceof UniqueConstraintError) {
      throw new Problem(
        'saw-in-shop',
        'This saw is in the shop already on an open ticket. Open that one from the rack.',
      );
    }
    throw error;
  }
}

function refuseDecision(wanted: NewTicket, verdict: string, needsConsent: boolean): void {
  const { intake, decision } = wanted;
  const overridden = intake.overrideReason !== '';
  if (decision === 'take' && verdict === 'decline' && !overridden) {
    throw new Problem('bad-input', 'The answers speak against taking this saw. Write why you take it all the same.', [
      { path: '/intake/overrideReason', message: 'Write why you take it all the same.' },
    ]);
  }
  if (decision === 'decline' && verdict !== 'decline' && !overridden) {
    throw new Problem('bad-input', 'The answers speak for taking this saw. Write why you decline it.', [
      { path: '/intake/overrideReason', message: 'Write why you decline it.' },
    ]);
  }
  if (decision === 'take' && needsConsent && !intake.consent) {
    throw new Problem('consent-missing', 'The owner must agree first: this work cannot be undone.', [
      { path: '/intake/consent', message: 'Ask the owner and tick that they agree.' },
    ]);
  }
}

/** Every open ticket by promised day, earliest first. */
export function readRack(db: Database): Promise<RackRow[]> {
  return db.sequelize.query<RackRow>(
    `SELECT t.id, t.number, t.stage, t.promised_on::text AS "promisedOn", c.name AS customer, s.name AS saw, s.pitch_mm AS "pitchMm",
            p.minutes, COALESCE(p.stops, 0) AS stops, COALESCE(d.done, 0)::int AS "stopsDone",
            t.waits_for AS "waitsFor", t.waits_note AS "waitsNote", array_remove(ARRAY[t.opened_by, p.accepted_by], NULL) AS hands
       FROM ticket t JOIN saw s ON s.id = t.saw_id JOIN customer c ON c.id = s.customer_id
       LEFT JOIN LATERAL (SELECT id, minutes, stops, accepted_by FROM plan WHERE ticket_id = t.id ORDER BY number DESC LIMIT 1) p ON true
       LEFT JOIN LATERAL (SELECT count(*) AS done FROM bench_mark WHERE plan_id = p.id) d ON true
      WHERE t.closed_at IS NULL ORDER BY t.promised_on, t.number LIMIT 2000`,
    { type: QueryTypes.SELECT },
  );
}

export function editTicket(db: Database, id: number, change: TicketChange): Promise<Dossier> {
  return changeTicket(db, id, ['measure', 'plan', 'bench', 'check', 'handover'], async (row, t) => {
    await refuseStale(db, row, change.version, t);
    const { version: _version, ...changed } = change;
    // A wait that is over takes its note along.
    if (changed.waitsFor === null) changed.waitsNote = '';
    await row.update({ ...changed, version: row.version + 1 }, { transaction: t });
  });
}
