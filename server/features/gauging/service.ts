import type { Transaction } from 'sequelize';
import type { Dossier } from '@odontis/contract/dossier';
import type { NewAngle, NewGauged, NewGauging } from '@odontis/contract/gauging';
import type { Saw } from '@odontis/core/saw/saw';
import { waysOf, ANGLE_WAY_WORDS } from '@odontis/core/angles/angle-reading';
import { leavesTooth } from '@odontis/core/angles/doubt-angle';
import { partsFor, placesOf, QUANTITY_FACTS, quantitiesOf, teethOfPart } from '@odontis/core/gauge/quantities';
import type { Database } from '../../database/connect';
import { Problem } from '../../http/problem';
import { toSaw } from '../customers/service';
import { readDossier } from '../tickets/dossier';
import { changeTicket } from '../tickets/hold';
import { toldColumns } from './angle-row';
import type { GaugingRow } from './model';

/** A saw in the shop can be measured at any time: as it came in, and as it goes out. */
const OPEN_STAGES = ['measure', 'plan', 'bench', 'check', 'handover'] as const;

/** Opens a session; the same key sent twice opens one. */
export function openGauging(db: Database, ticketId: number, wanted: NewGauging, by: number): Promise<Dossier> {
  return changeTicket(db, ticketId, OPEN_STAGES, async (_, t) => {
    const known = await db.models.Gauging.findOne({ where: { key: wanted.key }, transaction: t });
    if (known && known.ticketId !== ticketId) throw new Problem('bad-input', 'That session belongs to another ticket.');
    if (!known)
      await db.models.Gauging.create({ ...wanted, ticketId, startedBy: by, finishedAt: null }, { transaction: t });
  });
}

async function openSession(db: Database, ticketId: number, sessionId: number, t: Transaction): Promise<GaugingRow> {
  const session = await db.models.Gauging.findOne({ where: { id: sessionId, ticketId }, transaction: t });
  if (!session) throw new Problem('not-found', 'There is no such session on this ticket.');
  if (session.finishedAt)
    throw new Problem(
      'wrong-stage',
      'This session is closed and stays as it is: open another.',
      [],
      await readDossier(db, ticketId, t),
    );
  return session;
}

/** Adds readings to an open session: all or none; one that is there already is not added again. */
export function addGauged(
  db: Database,
  ticketId: number,
  sessionId: number,
  readings: readonly NewGauged[],
  by: number,
): Promise<Dossier> {
  return changeTicket(db, ticketId, OPEN_STAGES, async (ticket, t) => {
    const session = await openSession(db, ticketId, sessionId, t);
    const saw = toSaw(await db.models.Saw.findByPk(ticket.sawId, { transaction: t, rejectOnEmpty: true }));
    const known = await db.models.Gauged.findAll({ where: { gaugingId: session.id }, raw: true, transaction: t });
    const at = new Map<string, NewGauged>(known.map((r) => [r.key, r]));
    const faults = readings.flatMap((r, i) => {
      const says = faultOf(saw, r, at);
      at.set(r.key, r);
      return says ? [{ path: `/readings/${i}`, message: says }] : [];
    });
    if (faults.length > 0) throw new Problem('bad-input', faults[0]?.message ?? '', faults);
    const here = new Set(known.map((r) => r.key));
    await db.models.Gauged.bulkCreate(
      readings.filter((r) => !here.has(r.key)).map((r) => ({ ...r, gaugingId: session.id, takenBy: by })),
      { transaction: t },
    );
  });
}

/** What is wrong with a reading on this saw; null where it can stand. */
function faultOf(saw: Saw, r: NewGauged, known: ReadonlyMap<string, NewGauged>): string | null {
  const { name, place } = QUANTITY_FACTS[r.quantity];
  if (!quantitiesOf(saw).includes(r.quantity)) return `${name} is not measured on this saw.`;
  if (!partsFor(saw, r.quantity).includes(r.part)) return `${name} is not measured on part "${r.part ?? 'the whole'}".`;
  if (place === 'station' && r.place > saw.toothLineMm)
    return `The place at ${r.place} mm lies beyond the saw's ${Math.round(saw.toothLineMm)} mm.`;
  if (place === 'tooth' && !placesOf(saw, r.quantity, r.part).includes(r.place))
    return `${name} is not measured at tooth ${r.place}.`;
  if (r.corrects === null) return null;
  const old = known.get(r.corrects);
  if (!old) return 'The reading to be corrected is not in this session.';
  return old.quantity === r.quantity && old.part === r.part && old.place === r.place
    ? null
    : 'A correction stands at the same place as what it corrects.';
}

/** Adds readings of angles to an open session: all or none; one that is there already is not added again. */
export function addAngles(
  db: Database,
  ticketId: number,
  sessionId: number,
  readings: readonly NewAngle[],
  by: number,
): Promise<Dossier> {
  return changeTicket(db, ticketId, OPEN_STAGES, async (ticket, t) => {
    const session = await openSession(db, ticketId, sessionId, t);
    const saw = toSaw(await db.models.Saw.findByPk(ticket.sawId, { transaction: t, rejectOnEmpty: true }));
    const known = await db.models.AngleRead.findAll({ where: { gaugingId: session.id }, raw: true, transaction: t });
    const at = new Map<string, Pick<NewAngle, 'part' | 'tooth'>>(known.map((r) => [r.key, r]));
    const faults = readings.flatMap((r, i) => {
      const says = angleFaultOf(saw, r, at);
      at.set(r.key, r);
      return says ? [{ path: `/readings/${i}`, message: says }] : [];
    });
    if (faults.length > 0) throw new Problem('bad-input', faults[0]?.message ?? '', faults);
    const here = new Set(known.map((r) => r.key));
    await db.models.AngleRead.bulkCreate(
      readings
        .filter((r) => !here.has(r.key))
        .map(({ finding, ...r }) => ({ ...r, ...toldColumns(finding), gaugingId: session.id, takenBy: by })),
      { transaction: t },
    );
  });
}

/** Teeth a saw may have: a blade its own; of a line only pitch and length were told, and a scan may find more. */
const mostTeeth = (saw: Saw, part: string | null): number =>
  teethOfPart(saw, part) * (saw.family === 'circular' || saw.family === 'dado' ? 1 : MORE_THAN_TOLD);
const MORE_THAN_TOLD = 2;

/** What is wrong with a reading of angles on this saw; null where it can stand. */
function angleFaultOf(
  saw: Saw,
  r: NewAngle,
  known: ReadonlyMap<string, Pick<NewAngle, 'part' | 'tooth'>>,
): string | null {
  if (!waysOf(saw).includes(r.finding.way))
    return `Angles of this saw are not read by ${ANGLE_WAY_WORDS[r.finding.way]}.`;
  if (!partsFor(saw, 'set').includes(r.part)) return `The set has no part "${r.part ?? 'the whole'}".`;
  if (r.tooth > mostTeeth(saw, r.part)) return `This saw has no tooth ${r.tooth}.`;
  if (r.finding.way === 'file' && !r.setAside && !leavesTooth(r.finding))
    return 'A file held like that leaves no tooth: read its roll again.';
  if (r.corrects === null) return null;
  const old = known.get(r.corrects);
  if (!old) return 'The reading to be corrected is not in this session.';
  return old.part === r.part && old.tooth === r.tooth
    ? null
    : 'A correction stands at the same tooth as what it corrects.';
}

/** Closes a session for good. */
export function finishGauging(db: Database, ticketId: number, sessionId: number, note: string): Promise<Dossier> {
  return changeTicket(db, ticketId, OPEN_STAGES, async (_, t) => {
    const session = await openSession(db, ticketId, sessionId, t);
    await session.update({ note, finishedAt: new Date() }, { transaction: t });
  });
}
