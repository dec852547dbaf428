import { UniqueConstraintError } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { Dossier } from '@odontis/contract/dossier';
import type { NewTicket, TicketChange } from '@odontis/contract/ticket';
import { markFaults } from '@odontis/contract/ticket';
import { judgeIntake } from '@odontis/core/shop/judge-intake';
import { isLinePlanned } from '@odontis/core/work/families';
import type { SawOf } from '@odontis/core/saw/saw';
import { isCarbide } from '@odontis/core/saw/saw';
import { toeLengthMm, toeTeeth } from '@odontis/core/saw/zones';
import type { Triage } from '@odontis/core/judgement/triage';
import type { Database } from '../../database/connect';
import { Problem } from '../../http/problem';
import type { SawRow } from '../customers/model';
import { toSaw, toSawRow } from '../customers/service';
import { putRight } from '../corrections/service';
import { readShop } from '../shop/service';
import { addWord } from '../money/price-words';
import { readShopsPast } from './counter-book';
import { readDossier } from './dossier';
import { changeTicket, refuseStale } from './hold';
import type { TicketRow } from './model';

async function customerIdFor(db: Database, wanted: NewTicket['customer'], by: number, t: Transaction): Promise<number> {
  if (!('id' in wanted)) return (await db.models.Customer.create({ ...wanted, createdBy: by }, { transaction: t })).id;
  const found = await db.models.Customer.findByPk(wanted.id, { transaction: t });
  if (!found || found.forgottenAt) throw new Problem('not-found', 'That customer is not in the book any more.');
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
  return db.models.Saw.create({ ...toSawRow(wanted), customerId, createdBy: by }, { transaction: t });
}

/** The arrival this saw is one of; a new one where none was named. */
async function arrivalFor(
  db: Database,
  wanted: number | undefined,
  customerId: number,
  by: number,
  t: Transaction,
): Promise<number> {
  if (wanted === undefined)
    return (await db.models.Arrival.create({ customerId, openedBy: by }, { transaction: t })).id;
  const found = await db.models.Arrival.findOne({ where: { id: wanted, customerId }, transaction: t });
  if (!found) throw new Problem('not-found', 'That visit is another customer’s.');
  return found.id;
}

/** Customer, saw, arrival and ticket together or not at all; everything judged and priced is worked out here again from the answers. */
export async function openTicket(db: Database, wanted: NewTicket, by: number): Promise<Dossier> {
  const known = await db.models.Ticket.findOne({ where: { intakeKey: wanted.key } });
  // Sent a second time because the first answer was lost on its way: the same ticket.
  if (known) return readDossier(db, known.id);
  const [{ book }, past] = await Promise.all([readShop(db), readShopsPast(db)]);
  try {
    return await db.sequelize.transaction(async (t) => {
      const customerId = await customerIdFor(db, wanted.customer, by, t);
      const row = await sawFor(db, wanted.saw, customerId, by, t);
      const saw = toSaw(row);
      const { intake, decision } = wanted;
      const [wrong] = markFaults(saw.family, saw, intake.marks);
      if (wrong !== undefined) throw new Problem('bad-input', wrong, [{ path: '/intake/marks', message: wrong }]);
      const { judgement, work, low, high } = judgeIntake(saw, intake, book, past);
      const { verdict, reasons } = judgement.taken;
      refuseDecision(wanted, judgement.taken, isCarbide(saw));
      const needed = reasons.filter((r) => r.needsConsent).map((r) => r.rule);
      const declined = decision === 'decline';
      const ticket = await db.models.Ticket.create(
        {
          ...intake,
          // Agreed to, of what was asked; nothing else is kept as agreed.
          consents: intake.consents.filter((rule) => needed.includes(rule)),
          intakeKey: wanted.key,
          arrivalId: await arrivalFor(db, wanted.arrival, customerId, by, t),
          sawId: row.id,
          stage: declined ? 'declined' : 'measure',
          verdict,
          reasons: [...reasons],
          currency: book.rates.currency,
          openedBy: by,
          closedBy: declined ? by : null,
          closedAt: declined ? new Date() : null,
          ...(declined && { endedAs: 'refused' as const }),
          ...(decision === 'send-on' && { waitsFor: 'grinder' as const, waitsNote: 'sent on to grinding' }),
        },
        { transaction: t },
      );
      await addWord(
        db,
        {
          ...{ ticketId: ticket.id, kind: 'estimate', low: low.amount, high: high.amount, personId: by },
          ...{ minutesLow: work.lowMinutes, minutesHigh: work.highMinutes, minutesLikely: work.likelyMinutes },
          quote: String(ticket.number),
        },
        t,
      );
      return readDossier(db, ticket.id, t);
    });
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error;
    const twin = await db.models.Ticket.findOne({ where: { intakeKey: wanted.key } });
    if (twin) return readDossier(db, twin.id);
    throw new Problem('saw-in-shop', 'This saw is in the shop already on an open ticket. Open that one from the rack.');
  }
}

const needsReason = (sentence: string): Problem =>
  new Problem('bad-input', sentence, [{ path: '/intake/overrideReason', message: sentence }]);

function refuseDecision({ intake, decision }: NewTicket, { verdict, reasons }: Triage, carbide: boolean): void {
  const overridden = intake.overrideReason !== '';
  const takes = decision !== 'decline';
  if (takes && verdict === 'decline' && !overridden)
    throw needsReason('The answers speak against taking this saw. Write why you take it all the same.');
  if (!takes && verdict === 'take' && !overridden)
    throw needsReason('The answers speak for taking this saw. Write why you decline it.');
  if (decision === 'take' && carbide && !overridden)
    throw needsReason('Carbide tips are ground, not filed: send the blade on, or write why it is taken to the bench.');
  if (decision === 'send-on' && !carbide)
    throw new Problem('bad-input', 'Only carbide-tipped blades are sent on to grinding.');
  const missing = reasons.filter((r) => r.needsConsent && !intake.consents.includes(r.rule));
  if (takes && missing.length > 0)
    throw new Problem(
      'consent-missing',
      'The owner must agree first: this work cannot be undone.',
      missing.map((r) => ({ path: '/intake/consents', message: `Ask the owner: ${r.says}` })),
    );
}

const OPEN = ['measure', 'plan', 'bench', 'check', 'handover'] as const;

export function editTicket(db: Database, id: number, change: TicketChange, by: number): Promise<Dossier> {
  return changeTicket(db, id, OPEN, async (row, t) => {
    await refuseStale(db, row, change.version, t);
    const { version: _version, line, patternOffset, ...changed } = change;
    if (line) await correctLine(db, row, line, by, t);
    if (patternOffset !== undefined) await correctPattern(db, row, patternOffset, by, t);
    // A wait that is over takes its note along.
    if (changed.waitsFor === null) changed.waitsNote = '';
    await row.update({ ...changed, version: row.version + 1 }, { transaction: t });
  });
}

/** Why the teeth are others than were told: nobody is asked, since measuring found it. */
const AS_MEASURED = 'as measuring found it';

/** The saw as measuring found it, where the counter was told otherwise: a pitch and a count. mm. */
async function correctLine(
  db: Database,
  row: TicketRow,
  { pitchMm, teeth, toeZones }: NonNullable<TicketChange['line']>,
  by: number,
  t: Transaction,
): Promise<void> {
  const of = { ticketId: row.id, by, why: AS_MEASURED };
  const saw = await sawToCorrect(db, row, t);
  if (saw.family === 'band') {
    // The loop is as long as it was told: its pitch is what its counted teeth make of it.
    await putRight(db, saw, { ...toSaw(saw), pitchMm: saw.toothLineMm / teeth }, of, t, '/line/teeth');
    return;
  }
  if (!isLinePlanned(saw.family)) throw new Problem('bad-input', 'The teeth of this saw are not corrected here.');
  const { toeZones: told, ...kept } = toSaw(saw) as SawOf<'hand' | 'back'> & { id: number };
  const toe = toeZones ?? told ?? [];
  const toothLineMm = (teeth - toeTeeth(toe) - 1) * pitchMm + toeLengthMm(pitchMm, toe);
  const corrected = { ...kept, pitchMm, toothLineMm, ...(toe.length > 0 && { toeZones: toe }) };
  await putRight(db, saw, corrected, of, t, '/line/pitchMm');
}

/** Where in its pattern the line begins, as a scan or a look along it found. */
async function correctPattern(
  db: Database,
  row: TicketRow,
  patternOffset: number,
  by: number,
  t: Transaction,
): Promise<void> {
  const saw = await sawToCorrect(db, row, t);
  const told = toSaw(saw);
  if (told.family !== 'crosscut') throw new Problem('bad-input', 'This saw has no pattern of cutters and rakers.');
  await putRight(db, saw, { ...told, patternOffset }, { ticketId: row.id, by, why: AS_MEASURED }, t, '/patternOffset');
}

async function sawToCorrect(db: Database, row: TicketRow, t: Transaction): Promise<SawRow> {
  if (row.stage !== 'measure' && row.stage !== 'plan')
    throw new Problem(
      'wrong-stage',
      'The teeth are corrected before the work begins.',
      [],
      await readDossier(db, row.id, t),
    );
  return db.models.Saw.findByPk(row.sawId, { transaction: t, rejectOnEmpty: true });
}

/** The ticket a tag's number stands for. */
export async function ticketByNumber(
  db: Database,
  number: number,
): Promise<{ id: number; stage: string; family: string }> {
  const row = await db.models.Ticket.findOne({ where: { number } });
  if (!row) throw new Problem('not-found', `There is no ticket no. ${number}.`);
  const saw = await db.models.Saw.findByPk(row.sawId, { rejectOnEmpty: true });
  return { id: row.id, stage: row.stage, family: saw.family };
}
