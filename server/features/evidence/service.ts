import { QueryTypes } from 'sequelize';
import type { Transaction } from 'sequelize';
import { literal } from 'sequelize';
import type { Dossier } from '@odontis/contract/dossier';
import type { EvidenceKept, NewEvidence } from '@odontis/contract/evidence';
import type { FieldProblem } from '@odontis/contract/problem';
import { hasToothLine } from '@odontis/core/evidence/quantities';
import type { Reading } from '@odontis/core/evidence/reading';
import { readingFault } from '@odontis/core/evidence/reading-fault';
import type { Saw } from '@odontis/core/saw/saw';
import { leavesTooth } from '@odontis/core/angles/doubt-angle';
import type { Database } from '../../database/connect';
import { keepChange } from '../../database/keep-change';
import { inParts } from '../../beside/in-parts';
import { MOST_ERRORS } from '../../http/parse';
import { Problem } from '../../http/problem';

import type { Who } from '../../http/who';
import { toSaw } from '../customers/service';
import { lineIsRead } from '../plans/saw-work';
import { personNames, readDossier } from '../tickets/dossier';
import { changeTicket, holdTicket, refuseStale } from '../tickets/hold';
import { refuseAway } from '../outwork/read-outwork';
import { keepReadings } from './keep-readings';
import type { SessionRow } from './model';
import { readSessions } from './read-sessions';

/** A saw in the shop can be measured at any time: as it came in, and as it goes out. */
const OPEN_STAGES = ['measure', 'plan', 'bench', 'check', 'handover'] as const;

/** So many are looked at before others are answered between. */
const READINGS_AT_ONCE = 500;

/** The session of that key, begun here where it is new. A closed one takes nothing more. */
async function openSession(
  db: Database,
  ticketId: number,
  { session: { key, kind }, readings, why }: Pick<NewEvidence, 'session' | 'readings' | 'why'>,
  by: number,
  t: Transaction,
): Promise<SessionRow> {
  const known = await db.models.Session.findOne({ where: { key }, transaction: t });
  if (!known) return db.models.Session.create({ key, kind, ticketId, startedBy: by }, { transaction: t });
  if (known.ticketId !== ticketId) throw new Problem('bad-input', 'That session belongs to another ticket.');
  // What a closed session holds may be put right by who says why; nothing new comes into it.
  if (known.finishedAt && ((why ?? '') === '' || readings.some((r) => r.corrects === null)))
    throw new Problem(
      'session-closed',
      'This session is closed and stays as it is: these readings want another.',
      [],
      await readDossier(db, ticketId, t),
    );
  return known;
}

/**
 * Readings added to a session, begun with them where it is new: all or none. One that is
 * there already is not added again. Somebody else's reading at the same place, taken since
 * this screen looked, is told first: nothing is added over it unseen.
 */
export async function addEvidence(
  db: Database,
  ticketId: number,
  { session: wanted, seen, why = '', readings }: NewEvidence,
  who: Who,
): Promise<EvidenceKept> {
  const by = who.personId;
  return db.sequelize.transaction(async (t) => {
    const ticket = await holdTicket(db, ticketId, OPEN_STAGES, t);
    await refuseAway(db, ticketId, t);
    const names = await personNames(db, t);
    const nameOf = (id: number): string => names.get(id) ?? '';
    const keys = readings.map((r) => r.key);
    const here = await db.sequelize.query<{ key: string; sessionId: number }>(
      'SELECT key, session_id AS "sessionId" FROM evidence WHERE key = ANY($1::uuid[])',
      { type: QueryTypes.SELECT, bind: [keys], transaction: t },
    );
    const known = new Set(here.map((r) => r.key));
    const fresh = readings.filter((r) => !known.has(r.key));
    if (new Set(keys).size < keys.length)
      throw new Problem('bad-input', 'Two of these readings have the same key: each has one of its own.');
    await refuseElsewhere(db, ticketId, here, t);
    // All of it is here already: the answer was lost on its way. Closed since or not, nothing is added.
    // Told before a session is begun, so that the record shown beside the refusal holds none that is rolled back.
    if (fresh.length > 0) await refuseUnseen(db, ticketId, wanted.kind, seen, fresh, t);
    const session =
      fresh.length === 0
        ? await db.models.Session.findByPk(here[0]?.sessionId ?? 0, { transaction: t, rejectOnEmpty: true })
        : await openSession(db, ticketId, { session: wanted, readings: fresh, why: why.trim() }, by, t);
    if (fresh.length > 0) {
      const saw = toSaw(await db.models.Saw.findByPk(ticket.sawId, { transaction: t, rejectOnEmpty: true }));
      await refuseUnfit(db, session, saw, fresh, t);
      await keepReadings(db, [{ readings: fresh, sessionId: session.id, by }], t);
      const corrections = fresh.filter((r) => r.corrects !== null);
      if (session.finishedAt)
        await db.models.ReadingReason.bulkCreate(
          corrections.map(({ key }) => ({ evidenceKey: key, why: why.trim() })),
          { transaction: t },
        );
      const corrected = corrections.length;
      const told = { kind: 'readings-corrected', about: `ticket ${ticketId}`, after: { corrected } } as const;
      if (corrected > 0) await keepChange(db, who, told, t);
    }
    return readSessions(db, ticketId, nameOf, t, seen);
  });
}

/** Readings that are kept already are of a session of this ticket, or the sender mixes two up. */
async function refuseElsewhere(
  db: Database,
  ticketId: number,
  here: readonly { readonly sessionId: number }[],
  t: Transaction,
): Promise<void> {
  const ids = [...new Set(here.map((r) => r.sessionId))];
  if (ids.length === 0) return;
  if ((await db.models.Session.count({ where: { id: ids, ticketId }, transaction: t })) < ids.length)
    throw new Problem('bad-input', 'One of these readings is kept on another ticket already.');
}

/** What is wrong with readings on this saw refuses them all. Only what they correct is looked up. */
async function refuseUnfit(
  db: Database,
  session: SessionRow,
  saw: Saw,
  fresh: readonly Reading[],
  t: Transaction,
): Promise<void> {
  const corrected = fresh.flatMap((r) => r.corrects ?? []);
  const olds =
    corrected.length === 0
      ? []
      : await db.models.Evidence.findAll({
          attributes: ['key', 'quantity', 'part', 'place'],
          where: { key: corrected, sessionId: session.id },
          raw: true,
          transaction: t,
        });
  const known = new Map<string, Pick<Reading, 'quantity' | 'part' | 'place'>>(olds.map((r) => [r.key, r]));
  const faults: FieldProblem[] = [];
  let at = 0;
  for await (const part of inParts(fresh, READINGS_AT_ONCE)) {
    for (const reading of part) {
      const says = readingFault(saw, reading, known) ?? toothFault(reading);
      known.set(reading.key, reading);
      if (says) faults.push({ path: `/readings/${at}`, message: says });
      at++;
    }
    if (faults.length >= MOST_ERRORS) break;
  }
  if (faults.length > 0) throw new Problem('bad-input', faults[0]?.message ?? '', faults);
}

const toothFault = (r: Reading): string | null =>
  r.quantity === 'angles' && r.value.way === 'file' && !r.setAside && !leavesTooth(r.value)
    ? 'A file held like that leaves no tooth: read its roll again.'
    : null;

/** Readings of others, or of another window, at the same places since the sender last saw the record. */
async function refuseUnseen(
  db: Database,
  ticketId: number,
  kind: string,
  seen: number,
  fresh: readonly Reading[],
  t: Transaction,
): Promise<void> {
  const since = await db.sequelize.query<{ quantity: string; part: string | null; place: number }>(
    `SELECT e.quantity, e.part, e.place FROM evidence e JOIN session s ON s.id = e.session_id
      WHERE s.ticket_id = :ticketId AND s.kind = :kind AND e.taken > :seen`,
    { type: QueryTypes.SELECT, replacements: { ticketId, kind, seen }, transaction: t },
  );
  if (since.length === 0) return;
  const taken = new Set(since.map((r) => `${r.quantity} ${r.part ?? ''} ${r.place}`));
  if (fresh.some((r) => taken.has(`${r.quantity} ${r.part ?? ''} ${r.place}`)))
    throw new Problem(
      'edited-elsewhere',
      'These places were measured by somebody else meanwhile.',
      [],
      await readDossier(db, ticketId, t),
    );
}

/** Now by the database's clock; where that was set back since, when the session began. */
const notBeforeItBegan = (): ReturnType<typeof literal> => literal('GREATEST(now(), started_at)');

/** Closes a session for good. */
export function finishSession(db: Database, ticketId: number, key: string, note: string): Promise<Dossier> {
  return changeTicket(db, ticketId, OPEN_STAGES, async (_, t) => {
    const session = await db.models.Session.findOne({ where: { key, ticketId }, transaction: t });
    if (!session) throw new Problem('not-found', 'There is no such session on this ticket.');
    // Closed twice, as when the first answer was lost, it stays as it is.
    if (!session.finishedAt) await session.update({ note, finishedAt: notBeforeItBegan() }, { transaction: t });
  });
}

/** Every session of a kind that is open is closed: what follows is another time. */
export async function closeSessions(db: Database, ticketId: number, kind: string, t: Transaction): Promise<void> {
  await db.models.Session.update(
    { finishedAt: notBeforeItBegan() },
    { where: { ticketId, kind, finishedAt: null }, transaction: t },
  );
}

/** The tooth line is measured: on to the plan. */
export function lineIsMeasured(db: Database, ticketId: number, version: number): Promise<Dossier> {
  return changeTicket(db, ticketId, ['measure', 'plan'], async (row, t) => {
    const dossier = await readDossier(db, ticketId, t);
    await refuseStale(db, row, version, t);
    await refuseAway(db, ticketId, t);
    // A band may be planned by its count alone.
    if (!hasToothLine(dossier.saw)) {
      if (row.stage === 'measure') await row.update({ stage: 'plan', version: row.version + 1 }, { transaction: t });
      return;
    }
    if (!(await lineIsRead(dossier)))
      throw new Problem('readings-unfit', 'Measure three teeth at least before going on.');
    if (row.stage === 'measure') await row.update({ stage: 'plan', version: row.version + 1 }, { transaction: t });
  });
}
