import { QueryTypes } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { CardsTaken, Contact, CustomerChange, CustomerPage, MergeChange } from '@odontis/contract/customer';
import { FAMILY_WORDS } from '@odontis/contract/saw-words';
import type { Database } from '../../database/connect';
import { keepChange } from '../../database/keep-change';
import { Problem } from '../../http/problem';
import type { Who } from '../../http/who';
import { readVisits } from '../tickets/visits';
import type { CustomerRow } from './model';
import { toSaw } from './service';
import type { Card } from './vcard';
import { readCards } from './vcard';

// Over 250 lines: one page of the ledger, read, changed, joined with another and taken out, under one lock.

/** What stands in place of a name when a person's data were taken out. */
export const FORGOTTEN_NAME = 'Customer removed from the book';

const nobody = (): Problem => new Problem('not-found', 'There is no such customer.');

/** A customer's row, locked. */
async function find(db: Database, id: number, transaction: Transaction): Promise<CustomerRow> {
  const row = await db.models.Customer.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE });
  if (!row) throw nobody();
  return row;
}

/** A customer's page of the ledger: details, contacts, every saw with its visits, who may be the same. */
export async function readCustomer(db: Database, id: number, transaction?: Transaction): Promise<CustomerPage> {
  const row = await db.models.Customer.findByPk(id, { transaction });
  if (!row) throw nobody();
  const ofTheirs = { where: { customerId: id }, transaction };
  // One after the other: within a transaction they share its connection.
  const contacts = await db.models.Contact.findAll({ ...ofTheirs, order: ['place'] });
  const saws = await db.models.Saw.findAll({ ...ofTheirs, order: [['id', 'DESC']] });
  const visits = await readVisits(db, { customerId: id }, transaction);
  const alike = await db.sequelize.query<CustomerPage['alike'][number]>(
    `SELECT c.id, c.name, c.phone FROM customer c JOIN customer own ON own.id = :id
      WHERE c.id <> own.id AND c.forgotten_at IS NULL AND own.forgotten_at IS NULL
        AND ((length(own.phone_digits) >= 6 AND c.phone_digits = own.phone_digits)
             OR (c.plain_name % own.plain_name AND similarity(c.plain_name, own.plain_name) > 0.6))
      ORDER BY similarity(c.plain_name, own.plain_name) DESC, c.id LIMIT 5`,
    { type: QueryTypes.SELECT, replacements: { id }, transaction },
  );
  return {
    id: row.id,
    version: row.version,
    name: row.name,
    phone: row.phone,
    email: row.email,
    business: row.business,
    note: row.note,
    contacts: contacts.map(({ name, phone, email }) => ({ name, phone, email })),
    saws: saws.map((s) => ({ ...toSaw(s), visits: visits.filter((v) => v.sawId === s.id).map((v) => v.visit) })),
    lastWords: visits.find((v) => v.visit.complaint !== '')?.visit.complaint ?? '',
    alike,
    forgottenAt: row.forgottenAt?.toISOString() ?? null,
  };
}

async function keepContacts(db: Database, id: number, contacts: readonly Contact[], t: Transaction): Promise<void> {
  await db.models.Contact.destroy({ where: { customerId: id }, transaction: t });
  await db.models.Contact.bulkCreate(
    contacts.map((c, place) => ({ ...c, customerId: id, place })),
    { transaction: t },
  );
}

async function refuseOld(db: Database, row: CustomerRow, version: number, t: Transaction): Promise<void> {
  if (row.version === version) return;
  const current = await readCustomer(db, row.id, t);
  throw new Problem('edited-elsewhere', 'This customer was changed by somebody else meanwhile.', [], current);
}

/** Details and contacts at once; refused with theirs when somebody changed them since. */
export async function changeCustomer(db: Database, id: number, change: CustomerChange): Promise<CustomerPage> {
  await db.sequelize.transaction(async (t) => {
    const row = await find(db, id, t);
    await refuseOld(db, row, change.version, t);
    const { contacts, ...details } = change;
    await row.update({ ...details, version: change.version + 1 }, { transaction: t });
    await keepContacts(db, id, contacts, t);
  });
  return readCustomer(db, id);
}

/** Two records of one customer into one: saws, contacts and what was empty go over; the double is gone, and who did it is kept. */
export async function mergeCustomers(db: Database, id: number, change: MergeChange, who: Who): Promise<CustomerPage> {
  if (id === change.doubleId) throw new Problem('bad-input', 'A customer cannot be made one with itself.');
  await db.sequelize.transaction(async (t) => {
    // Always in the same order, so that two merges of one pair wait for each other instead of both failing.
    const [first, second] = [Math.min(id, change.doubleId), Math.max(id, change.doubleId)];
    const rows = [await find(db, first, t), await find(db, second, t)];
    const [kept, gone] = (rows[0]?.id === id ? rows : rows.reverse()) as [CustomerRow, CustomerRow];
    await refuseOld(db, kept, change.version, t);
    const contacts = await db.models.Contact.findAll({
      where: { customerId: [id, change.doubleId] },
      order: [['customerId', id < change.doubleId ? 'ASC' : 'DESC'], 'place'],
      transaction: t,
    });
    await db.models.Saw.update({ customerId: id }, { where: { customerId: change.doubleId }, transaction: t });
    await db.sequelize.query('UPDATE arrival SET customer_id = :id WHERE customer_id = :gone', {
      replacements: { id, gone: change.doubleId },
      transaction: t,
    });
    await db.sequelize.query('UPDATE customer_merge SET into_id = :id WHERE into_id = :gone', {
      replacements: { id, gone: change.doubleId },
      transaction: t,
    });
    await db.sequelize.query('INSERT INTO customer_merge (gone_id, into_id, merged_by) VALUES (:gone, :id, :by)', {
      replacements: { id, gone: change.doubleId, by: who.personId },
      transaction: t,
    });
    await kept.update(
      {
        phone: kept.phone || gone.phone,
        email: kept.email || gone.email,
        note: [kept.note, gone.note]
          .filter((n) => n !== '')
          .join('\n')
          .slice(0, 2000),
        business: kept.business || gone.business,
        version: kept.version + 1,
      },
      { transaction: t },
    );
    await keepContacts(
      db,
      id,
      contacts.map(({ name, phone, email }) => ({ name, phone, email })),
      t,
    );
    await gone.destroy({ transaction: t });
    const told = { kind: 'customers-merged', about: `customer ${id}`, before: `customer ${change.doubleId}` } as const;
    await keepChange(db, who, told, t);
  });
  return readCustomer(db, id);
}

/** Everything kept about one person, as plain data to hand over. */
export async function exportCustomer(db: Database, id: number): Promise<object> {
  const { version: _version, alike: _alike, ...page } = await readCustomer(db, id);
  const tickets = await db.sequelize.query(
    `SELECT t.number, t.stage, t.opened_at AS "openedAt", t.closed_at AS "closedAt", t.complaint, t.wood, t.use_rate AS "useRate",
            t.verdict, t.promised_on AS "promisedOn", t.currency, t.ended_as AS "endedAs", t.tried,
            (SELECT json_agg(json_build_object('kind', w.kind, 'low', w.low, 'high', w.high, 'quote', w.quote, 'wordBy', w.word_by, 'at', w.at, 'said', p.said, 'note', p.note) ORDER BY w.id)
               FROM price_word w LEFT JOIN price_said p ON p.price_word_id = w.id WHERE w.ticket_id = t.id) AS prices, (SELECT json_agg(json_build_object('before', c.before, 'after', c.after, 'why', c.why, 'at', c.at) ORDER BY c.id)
               FROM saw_correction c WHERE c.ticket_id = t.id) AS corrections,
            (SELECT json_agg(json_build_object('grinder', o.grinder, 'work', o.work, 'dueOn', o.due_on, 'amount', o.amount, 'at', o.at) ORDER BY o.id)
               FROM outwork o WHERE o.ticket_id = t.id) AS outwork, t.work_done AS "workDone", t.consents, t.handover_note AS "handoverNote", t.override_reason AS "overrideReason"
       FROM ticket t JOIN saw s ON s.id = t.saw_id WHERE s.customer_id = :id ORDER BY t.number`,
    { type: QueryTypes.SELECT, replacements: { id } },
  );
  const messages = await db.sequelize.query(
    `SELECT t.number, m.kind, m.sent_to AS "sentTo", m.body, m.state, m.written_at AS "writtenAt", m.sent_at AS "sentAt"
       FROM message m JOIN ticket t ON t.id = m.ticket_id JOIN saw s ON s.id = t.saw_id WHERE s.customer_id = :id ORDER BY m.id`,
    { type: QueryTypes.SELECT, replacements: { id } },
  );
  const photographs = await db.sequelize.query(
    `SELECT t.number, p.caption, p.taken_at AS "takenAt", encode(p.bytes, 'base64') AS jpeg
       FROM photograph p JOIN ticket t ON t.id = p.ticket_id JOIN saw s ON s.id = t.saw_id WHERE s.customer_id = :id ORDER BY p.id`,
    { type: QueryTypes.SELECT, replacements: { id } },
  );
  return { format: 'odontis-customer', version: 1, customer: page, tickets, messages, photographs };
}

/**
 * A person's data taken out for good: name, telephone, e-mail, note, contacts,
 * and what was written about their saws in words. The saws' measurements stay,
 * as nobody's. Refused while a saw of theirs is in the shop.
 */
export async function forgetCustomer(db: Database, id: number, version: number, who: Who): Promise<CustomerPage> {
  await db.sequelize.transaction(async (t) => {
    const row = await find(db, id, t);
    await refuseOld(db, row, version, t);
    const [open] = await db.sequelize.query<{ number: number }>(
      `SELECT t.number FROM ticket t JOIN saw s ON s.id = t.saw_id WHERE s.customer_id = :id AND t.closed_at IS NULL LIMIT 1`,
      { type: QueryTypes.SELECT, replacements: { id }, transaction: t },
    );
    if (open)
      throw new Problem(
        'saw-in-shop',
        `A saw of theirs is in the shop on ticket no. ${open.number}: hand it over first.`,
      );
    await row.update(
      { name: FORGOTTEN_NAME, phone: '', email: '', note: '', version: version + 1, forgottenAt: new Date() },
      { transaction: t },
    );
    await db.models.Contact.destroy({ where: { customerId: id }, transaction: t });
    await db.sequelize.query(
      `UPDATE ticket SET complaint = '', waits_for = NULL, waits_note = '', override_reason = '', tried = '',
              handover_note = CASE WHEN handover_note IS NULL THEN NULL ELSE '' END,
              work_done = CASE WHEN work_done IS NULL THEN NULL ELSE '' END
        WHERE saw_id IN (SELECT id FROM saw WHERE customer_id = :id)`,
      { replacements: { id }, transaction: t },
    );
    // What shows or names the person goes altogether: pictures, notes sent, labels printed.
    for (const table of ['photograph', 'message', 'label_printed'])
      await db.sequelize.query(
        `DELETE FROM ${table} WHERE ticket_id IN (SELECT t.id FROM ticket t JOIN saw s ON s.id = t.saw_id WHERE s.customer_id = :id)`,
        { replacements: { id }, transaction: t },
      );
    await db.sequelize.query(
      `UPDATE session SET note = '' WHERE ticket_id IN (SELECT t.id FROM ticket t JOIN saw s ON s.id = t.saw_id WHERE s.customer_id = :id)`,
      { replacements: { id }, transaction: t },
    );
    const theirs = `ticket_id IN (SELECT t.id FROM ticket t JOIN saw s ON s.id = t.saw_id WHERE s.customer_id = :id)`;
    const words = [
      `UPDATE check_round SET note = '' WHERE ${theirs}`,
      `DELETE FROM price_said WHERE price_word_id IN (SELECT id FROM price_word WHERE ${theirs})`,
      `UPDATE bench_event SET reason = '' WHERE reason <> '' AND action <> 'file' AND plan_id IN (SELECT id FROM plan WHERE ${theirs})`,
      `DELETE FROM saw_correction WHERE ${theirs}`,
      `DELETE FROM reading_reason WHERE evidence_key IN (SELECT e.key FROM evidence e JOIN session s ON s.id = e.session_id WHERE s.${theirs})`,
      `DELETE FROM plan_reason WHERE plan_id IN (SELECT id FROM plan WHERE ${theirs})`,
      `DELETE FROM evidence WHERE quantity = 'note' AND session_id IN (SELECT id FROM session WHERE ${theirs})`,
    ];
    for (const sql of words) await db.sequelize.query(sql, { replacements: { id }, transaction: t });
    // A saw may be called by whose it is.
    for (const saw of await db.models.Saw.findAll({ where: { customerId: id }, transaction: t }))
      await saw.update({ marksOnIt: '', name: FAMILY_WORDS[saw.family] }, { transaction: t });
    await keepChange(db, who, { kind: 'customer-forgotten', about: `customer ${id}` }, t);
  });
  return readCustomer(db, id);
}

/** Customers out of a vCard file: new ones added, those with the same name and telephone left as they are. All or nothing. */
export async function takeCards(db: Database, text: string, by: number): Promise<CardsTaken> {
  const read = readCards(text);
  if (!read.ok) throw new Problem('bad-input', read.message, [{ path: '/text', message: read.message }]);
  const taken: { added: CardsTaken['added']; known: CardsTaken['known'] } = { added: [], known: [] };
  await db.sequelize.transaction(async (t) => {
    // One file after the other, so that a customer in two of them at once is made once.
    await db.sequelize.query('SELECT pg_advisory_xact_lock(7002)', { transaction: t });
    for (const card of read.cards) {
      const known = await sameCustomer(db, card, t);
      if (known) {
        taken.known.push(known);
        continue;
      }
      const { contacts, ...details } = card;
      const { name, phone, email, business, note } = details;
      const row = await db.models.Customer.create(
        { name, phone, email, business, note, createdBy: by },
        { transaction: t },
      );
      await keepContacts(db, row.id, contacts, t);
      taken.added.push({ id: row.id, name });
    }
  });
  return taken;
}

async function sameCustomer(
  db: Database,
  card: Card,
  t: Transaction,
): Promise<{ id: number; name: string } | undefined> {
  const [found] = await db.sequelize.query<{ id: number; name: string }>(
    `SELECT id, name FROM customer WHERE plain_name = plain_text(:name) AND (phone_digits = :digits OR :digits = '' OR phone_digits = '')
      ORDER BY id LIMIT 1`,
    {
      type: QueryTypes.SELECT,
      replacements: { name: card.name, digits: card.phone.replace(/\D/g, '') },
      transaction: t,
    },
  );
  return found;
}
