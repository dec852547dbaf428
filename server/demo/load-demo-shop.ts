import { randomUUID } from 'node:crypto';
import { DateTime } from 'luxon';
import sharp from 'sharp';
import { workFactsOf } from '@odontis/contract/work-facts';
import { workOf } from '@odontis/core/work/families';
import type { WorkFacts } from '@odontis/core/work/family-work';
import type { WorkOrder } from '@odontis/core/work/order';
import { PLAIN_WISH } from '@odontis/core/work/family-work';
import { walkOf } from '@odontis/core/work/step';
import { keptOrder } from '../features/plans/kept-order';
import { readDossier } from '../features/tickets/dossier';
import type { Transaction } from 'sequelize';
import type { Stage, Waits } from '@odontis/contract/ticket';
import { handOf } from '@odontis/core/calibration/hand';
import type { Answered } from '@odontis/core/shop/judge-intake';
import { judgeIntake } from '@odontis/core/shop/judge-intake';
import type { Reading } from '@odontis/core/evidence/reading';
import type { Saw } from '@odontis/core/saw/saw';
import type { RakerTip } from '@odontis/core/raker/raker-plan';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import { keepReadings } from '../features/evidence/keep-readings';
import type { PlateMark } from '@odontis/core/saw/plate-marks';
import type { Database } from '../database/connect';
import type { SawRow } from '../features/customers/model';
import { toSaw, toSawRow } from '../features/customers/service';
import { FIRST_BOOK } from '../features/shop/service';
import { loadCalibrations } from './calibrations';
import { demoSaw, isStraight } from './demo-saw';
import type { CameIn } from './measure-demo';
import { measuredAfter, measuredBefore } from './measure-demo';
import type { OtherVisit } from './other-saws';
import { linesOfOrder } from '@odontis/core/work/lines-of-order';
import { OTHER_VISITS, otherSaw } from './other-saws';
import type { PictureKind } from './pictured';
import { PICTURE_CAPTIONS, pictureBytes, readPictured } from './pictured';
import { COMPLAINTS, CUSTOMERS, REFUSALS, SHOP_NAME, STAFF } from './invented';
import { loadNotes } from './notes';
import { seeded } from './worn-line';

const SAWS = 90;
/** From this saw on every other one is of another family than hand and back. */
const OTHERS_FROM = 17;
/** How each of the staff stands to the reckoned minutes, so that paces differ as they do. */
const PACES = [0.95, 1.2, 1.05] as const;
/** What stands in the shop now: stage, days from today it is promised for, and what it waits for. */
const QUEUE: readonly (readonly [Stage, number, (readonly [Waits, string])?])[] = [
  ['measure', 2],
  ['plan', 1],
  ['bench', 0],
  ['check', 0],
  ['handover', -1],
  ['measure', 4],
  ['bench', -2],
  ['plan', 3],
  ['measure', 5],
  ['handover', 1],
  ['measure', 7, ['part', 'two handle bolts, ordered']],
  ['bench', 2],
  ['plan', 8, ['customer', 'may the toe be shortened?']],
  ['measure', 9],
  ['measure', 11],
];

/** Saws that stand in the shop now and were measured from pictures: hand and back saws by their number. */
const PICTURED: Readonly<Record<number, readonly PictureKind[]>> = { 10: ['photograph', 'edge'], 13: ['scan'] };

interface Visit extends Pick<CameIn, 'wear' | 'band' | 'blade'> {
  readonly stage: Stage;
  readonly opened: DateTime;
  readonly promised: DateTime;
  readonly marks: PlateMark[];
  readonly hardened: 'no' | 'yes' | 'unsure';
  readonly consents?: readonly string[];
  readonly complaint: string;
  readonly waits?: readonly [Waits, string];
  readonly rakerTip?: RakerTip;
  readonly pictured?: readonly PictureKind[];
}

/** The whole demo in one transaction, only into a database without people. True when it was loaded. */
export function loadDemoShop(db: Database): Promise<boolean> {
  return db.sequelize.transaction(async (t) => {
    if ((await db.models.Person.count({ transaction: t })) > 0) return false;
    const loader = new DemoLoader(db, t, seeded(1804));
    await loader.load();
    return true;
  });
}

/**
 * Plays the shop's three years into an empty database, in one story from the counter
 * to the handover.
 */
class DemoLoader {
  private staff: number[] = [];
  private readonly planned: { saw: SawRow; n: number; visit: Visit; salt: number }[] = [];
  private readonly today = DateTime.now().startOf('day');

  constructor(
    private readonly db: Database,
    private readonly transaction: Transaction,
    private readonly random: () => number,
  ) {}

  async load(): Promise<void> {
    const { db, transaction } = this;
    const people = await db.models.Person.bulkCreate([...STAFF], { transaction, returning: true });
    this.staff = people.map((p) => p.id);
    const by = this.staff[0] as number;
    await db.models.Shop.create(
      { id: 1, version: 1, book: { ...FIRST_BOOK, name: SHOP_NAME }, changedBy: by, changedAt: new Date(), demo: true },
      { transaction },
    );
    await loadCalibrations(db, this.staff[0] as number, transaction);
    const customers = await db.models.Customer.bulkCreate(
      CUSTOMERS.map(([name, phone]) => ({ name, phone, email: '', createdBy: by })),
      { transaction, returning: true },
    );
    for (let n = 0; n < SAWS; n++) {
      const owner = n % CUSTOMERS.length;
      const other = this.otherAt(n);
      const facts = other ? otherSaw(other.pattern, this.random) : demoSaw(n, this.random);
      const saw = await db.models.Saw.create(
        { ...toSawRow(facts), customerId: (customers[owner] as { id: number }).id, createdBy: by },
        { transaction },
      );
      if (other) this.otherHistory(saw, n, other, n < OTHERS_FROM + 2 * OTHER_VISITS.length);
      else this.history(saw, n);
    }
    // Numbers are given in the order saws came in.
    this.planned.sort((a, b) => a.visit.opened.toMillis() - b.visit.opened.toMillis());
    for (const { saw, n, visit, salt } of this.planned) await this.visit(saw, n, visit, salt);
    await loadNotes(db, this.today, transaction);
  }

  /** Every other saw from the seventeenth on, each family and state in turn. */
  private otherAt(n: number): OtherVisit | undefined {
    if (n < OTHERS_FROM || (n - OTHERS_FROM) % 2 !== 0) return undefined;
    return OTHER_VISITS[((n - OTHERS_FROM) / 2) % OTHER_VISITS.length];
  }

  /** A saw of another family: now and then an earlier visit, then what it is here for now, or was refused for. */
  private otherHistory(saw: SawRow, n: number, other: OtherVisit, here: boolean): void {
    const { stage, complaint, marks = [], hardened = 'no', waits, consents = [], wear, rakerTip, band, blade } = other;
    const { pictured } = other;
    const said = {
      complaint,
      hardened,
      consents,
      ...(wear && { wear }),
      ...(rakerTip && { rakerTip }),
      ...(band && { band }),
      ...(blade && { blade }),
    } as const;
    if (stage !== 'declined' && this.random() < 0.6) {
      const opened = this.today.minus({ days: Math.round(80 + this.random() * 900) }).plus({ hours: 10 });
      const past: Visit = { ...said, marks: [], stage: 'closed', opened, promised: opened.plus({ days: 6 }) };
      this.planned.push({ saw, n, visit: past, salt: n });
    }
    if (!here) return;
    const opened = this.today.minus({ days: stage === 'declined' ? 3 - other.days : 3 }).plus({ hours: 9, minutes: n });
    const promised = stage === 'declined' ? opened : this.today.plus({ days: other.days });
    const visit: Visit = {
      ...{ ...said, marks: [...marks], stage, opened, promised },
      ...(waits && { waits }),
      ...(pictured && { pictured }),
    };
    this.planned.push({ saw, n, visit, salt: n });
  }

  /** Past visits over three years, then, for the first saws, what is in the shop now. */
  private history(saw: SawRow, n: number): void {
    const come = (visit: Visit, salt: number): void => void this.planned.push({ saw, n, visit, salt });
    const refusal = n % 23 === 7 ? REFUSALS[Math.floor(n / 23) % REFUSALS.length] : undefined;
    const visits = n === 2 ? 2 : Math.floor(this.random() * 2.4);
    for (let v = 0; v < visits && !refusal; v++) {
      const opened = this.today.minus({ days: Math.round(60 + this.random() * 1000) }).plus({ hours: 10 });
      come({ ...this.told(), stage: 'closed', promised: opened.plus({ days: 6 }), opened }, n + v);
    }
    if (refusal) {
      const mark = refusal.mark === 'bent-back' && saw.family === 'hand' ? 'crack' : refusal.mark;
      const opened = this.today.minus({ days: 10 + n });
      const marks: PlateMark[] = mark ? [{ kind: mark, along: 0.6, down: 0.8 }] : [];
      const told = { hardened: refusal.hardened, complaint: refusal.complaint, marks };
      come({ ...told, stage: 'declined', promised: opened, opened }, n);
    }
    const queued = QUEUE[n];
    if (!queued || refusal) return;
    const [stage, days, waits] = queued;
    const opened = this.today.minus({ days: 4 }).plus({ hours: 9, minutes: n });
    const pictured = PICTURED[n];
    const promised = this.today.plus({ days });
    come({ ...this.told(), stage, promised, opened, ...(waits && { waits }), ...(pictured && { pictured }) }, n);
  }

  private told(): Pick<Visit, 'marks' | 'hardened' | 'complaint'> {
    const marks: PlateMark[] = [];
    if (this.random() < 0.25) marks.push({ kind: 'rust', along: 0.3, down: 0.6 });
    if (this.random() < 0.15) marks.push({ kind: 'bend', along: 0.5, down: 0.5 });
    return { marks, hardened: 'no', complaint: COMPLAINTS[Math.floor(this.random() * COMPLAINTS.length)] as string };
  }

  private async visit(saw: SawRow, n: number, visit: Visit, salt: number): Promise<void> {
    const { db, transaction } = this;
    const by = this.staff[salt % this.staff.length] as number;
    const { stage, marks, hardened, complaint, opened } = visit;
    const answered: Answered = {
      hardened,
      marks,
      lineLook: stage === 'measure' ? 'not-looked' : salt % 3 !== 2 ? 'hollow' : 'even',
      grain: 'unsaid',
      wantsFiling: 'as-it-is',
      etch: false,
      collectible: false,
      useRate: (CUSTOMERS[n % CUSTOMERS.length] as (typeof CUSTOMERS)[number])[2],
      replacement: null,
    };
    const { judgement, work, low, high } = judgeIntake(toSaw(saw), answered, FIRST_BOOK);
    const { verdict, reasons } = judgement.taken;
    const arrival = await db.models.Arrival.create(
      { customerId: saw.customerId, openedBy: by, openedAt: opened.toJSDate() },
      { transaction },
    );
    const ended = stage === 'closed' || stage === 'declined';
    const quoteHigh = high.amount;
    const ticket = await db.models.Ticket.create(
      {
        sawId: saw.id,
        stage,
        wood: (['dry-soft', 'dry-hard', 'green'] as const)[salt % 3] as 'dry-soft',
        ...answered,
        marks: [...answered.marks],
        complaint,
        consents: [...(visit.consents ?? [])],
        arrivalId: arrival.id,
        minutesLow: work.lowMinutes,
        minutesHigh: work.highMinutes,
        overrideReason: '',
        verdict,
        reasons: [...reasons],
        promisedOn: visit.promised.toISODate() as string,
        quoteLow: low.amount,
        quoteHigh,
        currency: FIRST_BOOK.rates.currency,
        openedBy: by,
        openedAt: opened.toJSDate(),
        closedBy: ended ? by : null,
        closedAt: ended ? opened.plus({ days: stage === 'closed' ? 5 : 0 }).toJSDate() : null,
        charged: stage === 'closed' ? quoteHigh : null,
        handoverNote: stage === 'closed' ? 'Full strokes, no pressure.' : null,
        waitsFor: visit.waits?.[0] ?? null,
        waitsNote: visit.waits?.[1] ?? '',
      },
      { transaction },
    );
    if (stage === 'declined') return;
    const facts = toSaw(saw);
    if (visit.pictured) {
      await this.measuring(ticket.id, 'before', readPictured(visit.pictured), by, opened);
      await this.keepPictures(ticket.id, visit.pictured, by, opened);
    }
    // A hand or back saw that waits to be measured has no reading yet, or a picture's.
    if (stage === 'measure' && isStraight(facts)) return;
    const came = { ...visit, hard: salt % 3 !== 2, brokenAt: n === 1 ? 31 : undefined };
    const measured = measuredBefore(facts, came, this.random);
    if (measured && !visit.pictured) await this.measuring(ticket.id, 'before', measured.readings, by, opened);
    if (stage === 'plan' || stage === 'measure') return;
    await this.work(ticket.id, facts, visit, measured?.teeth ?? [], by);
  }

  private async work(
    ticketId: number,
    saw: Saw,
    visit: Visit,
    teeth: readonly ToothReading[],
    by: number,
  ): Promise<void> {
    const { db, transaction } = this;
    const dossier = await readDossier(db, ticketId, transaction);
    const order = demoOrder(workFactsOf(dossier, FIRST_BOOK, handOf([])), visit);
    const walk = walkOf(order.steps);
    const stops = walk.length;
    const acceptedAt = visit.opened.plus({ days: 1 }).toJSDate();
    const row = await db.models.Plan.create(
      { ticketId, number: 1, ...keptOrder(order), acceptedBy: by, acceptedAt },
      { transaction },
    );
    const done = visit.stage === 'bench' ? Math.floor(stops * (0.15 + 0.5 * this.random())) : stops;
    let clock = acceptedAt.getTime();
    const tick = (stop: number): Date => {
      const step = order.steps[walk[stop]?.step ?? 0];
      const planned = (step?.minutes ?? 0) / Math.max(1, step?.stops.length ?? 1);
      clock += planned * 60_000 * this.paceOf(by) * (0.85 + 0.3 * this.random());
      return new Date(clock);
    };
    const events = Array.from({ length: done }, (_, stop) => ({ id: randomUUID(), stop, at: tick(stop) }));
    await db.sequelize.query(
      `WITH told AS (SELECT * FROM jsonb_to_recordset($1::jsonb) AS r(id uuid, stop int, at timestamptz)),
            kept AS (INSERT INTO bench_event (id, plan_id, stop, action, person_id, happened_at)
                     SELECT id, $2, stop, 'done', $3, at FROM told)
       INSERT INTO bench_mark (plan_id, stop, event_id) SELECT $2, stop, id FROM told`,
      { bind: [JSON.stringify(events), row.id, by], transaction },
    );
    if (visit.stage === 'bench') return;
    const after = measuredAfter(saw, order, teeth, this.random);
    const looked = visit.stage === 'closed' && isLong(saw) ? after.filter(isSampled) : after;
    await this.measuring(ticketId, 'after', looked, by, visit.opened.plus({ days: 2 }));
    if (visit.stage === 'check') return;
    const cuts = order.round ? [{ edge: null, forecast: order.round.forecast }] : linesOfOrder(order);
    for (const [i, { edge, forecast }] of cuts.entries())
      await db.models.CheckRound.create(
        {
          ticketId,
          number: i + 1,
          edge,
          runs: 'true',
          binds: false,
          chatters: false,
          note: '',
          verdict: 'pass',
          setLeftMm: forecast.set.perSideMm,
          setRightMm: forecast.set.perSideMm,
          shavings: 'rakers' in forecast && forecast.rakers ? 'ribbons' : null,
          rakers: null,
          stoneSide: 'none',
          stonePasses: 0,
          advice: ['passes'],
          personId: by,
          at: visit.opened.plus({ days: 3 }).toJSDate(),
        },
        { transaction },
      );
  }

  private async keepPictures(
    ticketId: number,
    kinds: readonly PictureKind[],
    takenBy: number,
    at: DateTime,
  ): Promise<void> {
    for (const kind of kinds) {
      const bytes = pictureBytes(kind);
      const { width, height } = await sharp(bytes).metadata();
      await this.db.models.Photograph.create(
        {
          ticketId,
          caption: PICTURE_CAPTIONS[kind],
          bytes,
          widthPx: width,
          heightPx: height,
          takenBy,
          takenAt: at.toJSDate(),
        },
        { transaction: this.transaction },
      );
    }
  }

  private paceOf(person: number): number {
    return PACES[this.staff.indexOf(person) % PACES.length] ?? 1;
  }

  private async measuring(
    ticketId: number,
    kind: 'before' | 'after',
    readings: readonly Reading[],
    by: number,
    at: DateTime,
  ): Promise<void> {
    const { db, transaction } = this;
    const row = await db.models.Session.create(
      { key: randomUUID(), ticketId, kind, startedBy: by, startedAt: at.toJSDate(), finishedAt: at.toJSDate() },
      { transaction },
    );
    await keepReadings(db, readings, { sessionId: row.id, by, at: at.toJSDate() }, transaction);
  }
}

/** Of a line that was worked and goes home a tooth here and there is looked at, of either lean. */
const isLong = (saw: Saw): boolean => ['hand', 'back', 'pull'].includes(saw.family);
const isSampled = ({ place }: Reading): boolean => place === null || place % SAMPLED === 1;
const SAMPLED = 5;

/** The order of a saw of the demo, as advised; whatever way its family is planned. */
function demoOrder(facts: WorkFacts, visit: Visit): WorkOrder {
  const work = workOf(facts.saw.family);
  if (work.way === 'round') {
    const studied = work.study(facts, work.plain);
    if (studied.ok) return work.order(studied.study, FIRST_BOOK.rates);
  }
  if (work.way === 'planned') {
    const studied = work.study(facts, { ...PLAIN_WISH, rakerTip: visit.rakerTip ?? null });
    if (studied.ok) return work.order(studied.study, studied.study.recommended.depthMm, FIRST_BOOK.rates);
  }
  throw new Error(`The demo's ${facts.saw.name} cannot be planned.`);
}
