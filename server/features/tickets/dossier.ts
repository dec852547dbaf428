import { QueryTypes } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { CheckRound, LastCheck } from '@odontis/contract/check';
import type { Dossier } from '@odontis/contract/dossier';
import type { AcceptedPlan } from '@odontis/contract/plan';
import type { Preparation } from '@odontis/contract/preparing';
import type { Customer, Ticket } from '@odontis/contract/ticket';
import type { Pause } from '@odontis/core/band/count-check';
import { longestPause } from '@odontis/core/band/count-check';
import { readOrder } from '@odontis/core/work/read-order';
import type { How } from '@odontis/core/work/place-keeping';
import type { Database } from '../../database/connect';
import { Problem } from '../../http/problem';
import { toSaw } from '../customers/service';
import { readPrices } from '../money/price-words';
import { readMessages } from '../outbox/read-messages';
import { readPhotographs } from '../photographs/read-photographs';
import { readCorrections, readReasons } from '../corrections/read-corrections';
import { readOutwork } from '../outwork/read-outwork';
import { readSessions } from '../evidence/read-sessions';
import type { PlanRow } from '../plans/model';
import type { Result } from '@odontis/core/work/deeds';
import type { TicketRow } from './model';
import { readVisits } from './visits';

type Names = ReadonlyMap<number, string>;

/** A stop that is done or skipped, by the press that made it so. */
interface Mark {
  readonly stop: number;
  readonly how: How;
  readonly skipped: boolean;
  readonly reason: string;
  readonly result: Result | null;
  readonly minutes: number | null;
}

export async function personNames(db: Database, transaction?: Transaction): Promise<Names> {
  const people = await db.models.Person.findAll({ transaction });
  return new Map(people.map((p) => [p.id, p.name]));
}

const nameOf = (names: Names, id: number | null): string | null => (id === null ? null : (names.get(id) ?? null));

export const toTicket = (row: TicketRow, names: Names): Ticket => ({
  id: row.id,
  number: row.number,
  stage: row.stage,
  version: row.version,
  wood: row.wood,
  useRate: row.useRate,
  complaint: row.complaint,
  hardened: row.hardened,
  marks: row.marks,
  consents: row.consents,
  lineLook: row.lineLook,
  grain: row.grain,
  wantsFiling: row.wantsFiling,
  etch: row.etch,
  collectible: row.collectible,
  replacement: row.replacement,
  minutesTaken: row.minutesTaken,
  workDone: row.workDone,
  arrival: row.arrivalId,
  overrideReason: row.overrideReason,
  verdict: row.verdict,
  reasons: row.reasons,
  promisedOn: row.promisedOn,
  currency: row.currency,
  openedBy: nameOf(names, row.openedBy) ?? '',
  openedAt: row.openedAt.toISOString(),
  closedBy: nameOf(names, row.closedBy),
  closedAt: row.closedAt?.toISOString() ?? null,
  handoverNote: row.handoverNote,
  waitsFor: row.waitsFor,
  waitsNote: row.waitsNote,
  heldFrom: row.heldFrom,
  endedAs: row.endedAs,
  endedFrom: row.endedFrom,
  tried: row.tried,
});

function countBy(hows: readonly How[]): Partial<Record<How, number>> {
  const counts: Partial<Record<How, number>> = {};
  for (const how of hows) counts[how] = (counts[how] ?? 0) + 1;
  return counts;
}

async function readPreparations(db: Database, ticketId: number, names: Names, t?: Transaction): Promise<Preparation[]> {
  const rows = await db.models.Preparation.findAll({ where: { ticketId }, order: ['id'], transaction: t });
  return rows.map(({ id, kind, result, minutes, personId, at }) => ({
    ...{ id, kind, result, minutes, by: nameOf(names, personId) ?? '', at: at.toISOString() },
  }));
}

/** Every order that was accepted, the earliest first, each with what was done of it. */
async function readPlans(db: Database, ticketId: number, names: Names, t?: Transaction): Promise<AcceptedPlan[]> {
  const rows = await db.models.Plan.findAll({ where: { ticketId }, order: ['number'], transaction: t });
  const plans: AcceptedPlan[] = [];
  // One after the other: within a transaction they share its connection.
  for (const row of rows) plans.push(await readPlan(db, row, names, t));
  return plans;
}

async function readPlan(db: Database, row: PlanRow, names: Names, t?: Transaction): Promise<AcceptedPlan> {
  const marks = await db.sequelize.query<Mark>(
    `SELECT m.stop, e.how, m.skipped, e.reason, e.result, e.minutes FROM bench_mark m JOIN bench_event e ON e.id = m.event_id
      WHERE m.plan_id = :id ORDER BY m.stop`,
    { type: QueryTypes.SELECT, replacements: { id: row.id }, transaction: t },
  );
  const done = marks.filter((m) => !m.skipped);
  const order = readOrder(row.body);
  return {
    id: row.id,
    number: row.number,
    acceptedBy: nameOf(names, row.acceptedBy) ?? '',
    acceptedAt: row.acceptedAt.toISOString(),
    order,
    way: row.way,
    least: row.leastWay,
    why: (await db.models.PlanReason.findByPk(row.id, { transaction: t }))?.why ?? '',
    done: done.map((m) => m.stop),
    skipped: marks.filter((m) => m.skipped).map(({ stop, reason }) => ({ stop, reason })),
    results: done
      .filter((m) => m.result !== null || m.minutes !== null)
      .map(({ stop, result, minutes }) => ({ stop, result, minutes })),
    ...(await readSaidAtVise(db, row.id, t)),
    how: countBy(done.map((m) => m.how)),
    pause: order.round ? await readPause(db, row.id, t) : null,
  };
}

/** Where somebody stopped, and which other file was used. */
async function readSaidAtVise(
  db: Database,
  planId: number,
  transaction?: Transaction,
): Promise<Pick<AcceptedPlan, 'stopped' | 'files'>> {
  const said = await db.sequelize.query<{ action: string; stop: number; reason: string; by: string; at: Date }>(
    `SELECT e.action, e.stop, e.reason, p.name AS by, e.happened_at AS at FROM bench_event e JOIN person p ON p.id = e.person_id
      WHERE e.plan_id = :planId AND e.action IN ('stopped', 'file') ORDER BY e.happened_at, e.received_at`,
    { type: QueryTypes.SELECT, replacements: { planId }, transaction },
  );
  return {
    stopped: said
      .filter((one) => one.action === 'stopped')
      .map(({ stop, reason, by, at }) => ({ stop, note: reason, by, at: at.toISOString() })),
    files: said.filter((one) => one.action === 'file').map(({ stop, reason, by }) => ({ stop, name: reason, by })),
  };
}

/** Where the work on a loop stood still longest, by when its windows were pressed done. */
async function readPause(db: Database, planId: number, transaction?: Transaction): Promise<Pause | null> {
  const pressed = await db.sequelize.query<{ stop: number; at: Date }>(
    `SELECT stop, max(happened_at) AS at FROM bench_event WHERE plan_id = :planId AND action = 'done' GROUP BY stop`,
    { type: QueryTypes.SELECT, replacements: { planId }, transaction },
  );
  return longestPause(pressed.map(({ stop, at }) => ({ stop, atMs: at.getTime() })));
}

async function readChecks(db: Database, ticketId: number, names: Names, t?: Transaction): Promise<CheckRound[]> {
  const rows = await db.models.CheckRound.findAll({ where: { ticketId }, order: ['number'], transaction: t });
  return rows.map((r) => ({
    number: r.number,
    edge: r.edge,
    runs: r.runs,
    binds: r.binds,
    chatters: r.chatters,
    beatAt: r.beatAt,
    shavings: r.shavings,
    kerfMm: r.kerfMm,
    offLineMm: r.offLineMm,
    overMm: r.overMm,
    wall: r.wall,
    floor: r.floor,
    plate: r.plate,
    again: r.again,
    rakers: r.rakers,
    note: r.note,
    verdict: r.verdict,
    setLeftMm: r.setLeftMm,
    setRightMm: r.setRightMm,
    stoneSide: r.stoneSide,
    stonePasses: r.stonePasses,
    stonedSide: r.stonedSide,
    stonedPasses: r.stonedPasses,
    advice: r.advice,
    by: nameOf(names, r.personId) ?? '',
    at: r.at.toISOString(),
  }));
}

/** The checks of the saw's latest visit before this one that had any. */
async function readLastCheck(db: Database, row: TicketRow, names: Names, t?: Transaction): Promise<LastCheck | null> {
  const [last] = await db.sequelize.query<{ id: number; number: number; closedAt: Date | null; note: string | null }>(
    `SELECT t.id, t.number, t.closed_at AS "closedAt", t.handover_note AS note FROM ticket t
      WHERE t.saw_id = :saw AND t.id <> :id AND t.opened_at <= :opened
        AND EXISTS (SELECT 1 FROM check_round r WHERE r.ticket_id = t.id)
      ORDER BY t.opened_at DESC, t.id DESC LIMIT 1`,
    { type: QueryTypes.SELECT, replacements: { saw: row.sawId, id: row.id, opened: row.openedAt }, transaction: t },
  );
  if (!last) return null;
  const { number, closedAt, note } = last;
  return {
    ...{ number, closedAt: closedAt?.toISOString() ?? null, note: note ?? '' },
    rounds: await readChecks(db, last.id, names, t),
  };
}

function readCameWith(db: Database, row: TicketRow, transaction?: Transaction): Promise<Dossier['cameWith'][number][]> {
  return db.sequelize.query(
    `SELECT t.id, t.number, s.name AS saw, t.stage FROM ticket t JOIN saw s ON s.id = t.saw_id
      WHERE t.arrival_id = :arrival AND t.id <> :id ORDER BY t.number`,
    { type: QueryTypes.SELECT, replacements: { arrival: row.arrivalId, id: row.id }, transaction },
  );
}

/** Everything about one ticket, read in one consistent view when given a transaction. */
export async function readDossier(db: Database, ticketId: number, transaction?: Transaction): Promise<Dossier> {
  const row = await db.models.Ticket.findByPk(ticketId, { transaction });
  if (!row) throw new Problem('not-found', 'There is no such ticket.');
  const names = await personNames(db, transaction);
  const saw = await db.models.Saw.findByPk(row.sawId, { transaction, rejectOnEmpty: true });
  const owner = await db.models.Customer.findByPk(saw.customerId, { transaction, rejectOnEmpty: true });
  const customer: Customer = { id: owner.id, name: owner.name, phone: owner.phone, email: owner.email };
  const visits = await readVisits(db, { sawId: row.sawId }, transaction);
  const plans = await readPlans(db, ticketId, names, transaction);
  return {
    ticket: toTicket(row, names),
    customer,
    saw: toSaw(saw),
    ...(await readSessions(db, ticketId, (id) => nameOf(names, id) ?? '', transaction)),
    plan: plans.at(-1) ?? null,
    earlier: plans.slice(0, -1),
    preparations: await readPreparations(db, ticketId, names, transaction),
    corrections: await readCorrections(db, row.sawId, transaction),
    reasons: await readReasons(db, ticketId, transaction),
    outwork: await readOutwork(db, ticketId, transaction),
    prices: await readPrices(db, ticketId, transaction),
    checks: await readChecks(db, ticketId, names, transaction),
    visits: visits.map((v) => v.visit).filter((v) => v.id !== ticketId),
    lastCheck: visits.length > 1 ? await readLastCheck(db, row, names, transaction) : null,
    cameWith: await readCameWith(db, row, transaction),
    photographs: await readPhotographs(db, ticketId, transaction),
    messages: await readMessages(db, ticketId, transaction),
  };
}
