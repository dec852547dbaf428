import { randomUUID } from 'node:crypto';
import { DateTime } from 'luxon';
import sharp from 'sharp';
import { workOf } from '@odontis/core/work/families';
import type { WorkFacts } from '@odontis/core/work/family-work';
import type { WorkOrder } from '@odontis/core/work/order';
import { PLAIN_WISH } from '@odontis/core/work/family-work';
import { minutesAtStop, walkOf } from '@odontis/core/work/step';
import type { Ordered } from '../features/plans/kept-order';
import { keptOrder } from '../features/plans/kept-order';
import type { Transaction } from 'sequelize';
import { handOf } from '@odontis/core/calibration/hand';
import type { Answered } from '@odontis/core/shop/judge-intake';
import { judgeIntake } from '@odontis/core/shop/judge-intake';
import type { Reading } from '@odontis/core/evidence/reading';
import type { Saw } from '@odontis/core/saw/saw';
import { DRIFT_DEPTH_MM } from '@odontis/core/testcut/foretold';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import { keepReadings } from '../features/evidence/keep-readings';
import type { Database } from '../database/connect';
import type { SawRow } from '../features/customers/model';
import { toSaw, toSawRow } from '../features/customers/service';
import { FIRST_BOOK } from '../features/shop/service';
import { loadCalibrations } from './calibrations';
import { demoSaw, isStraight } from './demo-saw';
import { measuredAfter, measuredBefore } from './measure-demo';
import { linesOfOrder } from '@odontis/core/work/lines-of-order';
import { otherSaw } from './other-saws';
import type { Coming, Visit } from './demo-visits';
import { DemoVisits } from './demo-visits';
import type { PictureKind } from './pictured';
import { PICTURE_CAPTIONS, pictureBytes, readPictured } from './pictured';
import { CUSTOMERS, SHOP_NAME, STAFF } from './invented';
import { keepUses } from '../features/store/service';
import { loadNotes } from './notes';
import { loadStoreRoom } from './store-room';
import { seeded } from './worn-line';

const SAWS = 90;
/** How each of the staff stands to the reckoned minutes, so that paces differ as they do. */
const PACES = [0.95, 1.2, 1.05] as const;
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
  /** What the shop's cuts were found to do: apart, so that nothing else of the story changes with it. */
  private readonly found = seeded(2207);
  /** What was done on a saw's earlier visits, the latest first. */
  private readonly past = new Map<number, { work: WorkOrder['work'] | null }[]>();
  private readonly hand = handOf([]);
  private readonly plans: { id: number; order: WorkOrder }[] = [];
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
    await loadCalibrations(db, by, this.staff[1] ?? by, transaction);
    const customers = await db.models.Customer.bulkCreate(
      CUSTOMERS.map(([name, phone]) => ({ name, phone, email: '', createdBy: by })),
      { transaction, returning: true },
    );
    const visits = new DemoVisits(this.today, this.random);
    const planned: (Coming & { saw: SawRow; n: number })[] = [];
    for (let n = 0; n < SAWS; n++) {
      const owner = n % CUSTOMERS.length;
      const other = visits.otherAt(n);
      const facts = other ? otherSaw(other.pattern, this.random) : demoSaw(n, this.random);
      const saw = await db.models.Saw.create(
        { ...toSawRow(facts), customerId: (customers[owner] as { id: number }).id, createdBy: by },
        { transaction },
      );
      const comings = other ? visits.ofOther(n, other) : visits.ofStraight(n, saw.family);
      planned.push(...comings.map((coming) => ({ saw, n, ...coming })));
    }
    // Numbers are given in the order saws came in.
    planned.sort((a, b) => a.visit.opened.toMillis() - b.visit.opened.toMillis());
    for (const { saw, n, visit, salt } of planned) await this.visit(saw, n, visit, salt);
    await keepUses(db, this.plans, transaction);
    await loadStoreRoom(db, this.staff, this.today, transaction);
    await loadNotes(db, this.today, transaction);
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
    const wood = (['dry-soft', 'dry-hard', 'green'] as const)[salt % 3] ?? 'dry-soft';
    const visits = this.past.get(saw.id) ?? [];
    const ended = stage === 'closed' || stage === 'declined';
    const quoteHigh = high.amount;
    const ticket = await db.models.Ticket.create(
      {
        sawId: saw.id,
        stage,
        wood,
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
    this.past.set(saw.id, [{ work: null }, ...visits]);
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
    // As it would be read back: what was just kept need not be asked for.
    const known: WorkFacts = {
      saw: facts,
      visit: { ...answered, wood },
      sessions: [{ key: 'before', kind: 'before', readings: measured?.readings ?? [] }],
      visits,
      ...{ habits: FIRST_BOOK.habits, judgement: FIRST_BOOK.judgement },
      ...{ strokeRateOf: this.hand.strokeRateOf, stoning: this.hand.stoning },
    };
    const done = await this.work(ticket.id, known, visit, measured?.teeth ?? [], by);
    this.past.set(saw.id, [{ work: done }, ...visits]);
  }

  private async work(
    ticketId: number,
    known: WorkFacts,
    visit: Visit,
    teeth: readonly ToothReading[],
    by: number,
  ): Promise<WorkOrder['work']> {
    const { db, transaction } = this;
    const { saw } = known;
    const ordered = demoOrder(known, visit);
    const { order } = ordered;
    const walk = walkOf(order.steps);
    const stops = walk.length;
    const acceptedAt = visit.opened.plus({ days: 1 }).toJSDate();
    const row = await db.models.Plan.create(
      { ticketId, number: 1, ...keptOrder(ordered), acceptedBy: by, acceptedAt },
      { transaction },
    );
    this.plans.push({ id: row.id, order });
    const done = visit.stage === 'bench' ? Math.floor(stops * (0.15 + 0.5 * this.random())) : stops;
    let clock = acceptedAt.getTime();
    const tick = (stop: number): Date => {
      const planned = minutesAtStop(order.steps[walk[stop]?.step ?? 0]);
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
    if (visit.stage === 'bench') return order.work;
    const after = measuredAfter(saw, order, teeth, this.random);
    const looked = visit.stage === 'closed' && isLong(saw) ? after.filter(isSampled) : after;
    await this.measuring(ticketId, 'after', looked, by, visit.opened.plus({ days: 2 }));
    if (visit.stage === 'check') return order.work;
    const cuts = order.round ? [{ edge: null, forecast: order.round.forecast }] : linesOfOrder(order);
    for (const [i, { edge, forecast }] of cuts.entries()) {
      const cut = cutFound(forecast.set.perSideMm, this.found);
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
          setLeftMm: cut.leftMm,
          setRightMm: cut.rightMm,
          shavings: 'rakers' in forecast && forecast.rakers ? 'ribbons' : null,
          rakers: null,
          kerfMm: null,
          offLineMm: cut.offLineMm,
          overMm: cut.overMm,
          wall: null,
          floor: null,
          plate: null,
          again: null,
          hopMm: null,
          stoneSide: 'none',
          stonePasses: 0,
          advice: ['passes'],
          personId: by,
          at: visit.opened.plus({ days: 3 }).toJSDate(),
        },
        { transaction },
      );
    }
    return order.work;
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

/** In this made-up shop a cut leaves its line by so many times half the difference of its sets. */
const DRIFT_TIMES = 1.7;

/** Sets as measured, a little apart, and how far the test cut left its line: of two cuts in three somebody laid a rule along it. mm. */
function cutFound(perSideMm: number, random: () => number) {
  const off = (): number => random() + random() - 1;
  const [leftMm, rightMm] = [perSideMm + 0.02 * off(), perSideMm + 0.02 * off()].map((mm) => Math.max(0.01, mm));
  const looked = random() < 2 / 3;
  const [half, overMm] = [((leftMm ?? 0) - (rightMm ?? 0)) / 2, 100];
  const found = ((DRIFT_TIMES * half + 0.004 * off()) * overMm) / DRIFT_DEPTH_MM;
  return {
    ...{ leftMm: leftMm ?? perSideMm, rightMm: rightMm ?? perSideMm },
    ...(looked ? { offLineMm: found, overMm } : { offLineMm: null, overMm: null }),
  };
}

/** The order of a saw of the demo, as advised; whatever way its family is planned. */
function demoOrder(facts: WorkFacts, visit: Visit): Ordered {
  const work = workOf(facts.saw.family);
  if (work.way === 'round') {
    const studied = work.study(facts, work.plain);
    if (studied.ok)
      return { order: work.order(studied.study, FIRST_BOOK.rates), way: work.wayOf(studied.study), least: null };
  }
  if (work.way === 'planned') {
    const studied = work.study(facts, { ...PLAIN_WISH, rakerTip: visit.rakerTip ?? null });
    if (studied.ok) {
      const { depthMm } = studied.study.recommended;
      const order = work.order(studied.study, depthMm, FIRST_BOOK.rates);
      return { order, way: work.wayOf(studied.study, depthMm), least: null };
    }
  }
  throw new Error(`The demo's ${facts.saw.name} cannot be planned.`);
}
