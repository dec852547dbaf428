import { randomUUID } from 'node:crypto';
import { DateTime } from 'luxon';
import type { Transaction } from 'sequelize';
import type { Stage, Waits } from '@odontis/contract/ticket';
import { assembleInputs } from '@odontis/core/plan/assemble-inputs';
import { makePlan } from '@odontis/core/plan/make-plan';
import { counterMinutes, priceFor } from '@odontis/core/plan/price';
import { walkPlan } from '@odontis/core/plan/steps';
import { studyLine } from '@odontis/core/plan/study';
import { fitStrokeRate } from '@odontis/core/line/strokes';
import { teethOnLine } from '@odontis/core/saw/points';
import type { ToothReading } from '@odontis/core/saw/tooth-reading';
import { triage } from '@odontis/core/triage/triage';
import type { PlateMark } from '@odontis/core/triage/triage';
import type { Database } from '../database/connect';
import type { SawRow } from '../features/customers/model';
import { FIRST_BOOK } from '../features/shop/service';
import { demoAfter, demoReadings, demoSaw } from './demo-saw';
import { COMPLAINTS, CUSTOMERS, REFUSALS, SHOP_NAME, STAFF } from './invented';
import { seeded } from './worn-line';

const SAWS = 90;
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

interface Visit {
  readonly stage: Stage;
  readonly opened: DateTime;
  readonly promised: DateTime;
  readonly marks: PlateMark[];
  readonly hardened: 'no' | 'yes';
  readonly complaint: string;
  readonly waits?: readonly [Waits, string];
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
 * Plays the shop's three years into an empty database. Over 250 lines: it is one
 * story from the counter to the handover, and reads better in one place.
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
      { id: 1, version: 1, book: { ...FIRST_BOOK, name: SHOP_NAME }, changedBy: by, changedAt: new Date() },
      { transaction },
    );
    await this.strokeReadings();
    const customers = await db.models.Customer.bulkCreate(
      CUSTOMERS.map(([name, phone]) => ({ name, phone, email: '', createdBy: by })),
      { transaction, returning: true },
    );
    for (let n = 0; n < SAWS; n++) {
      const owner = n % CUSTOMERS.length;
      const facts = demoSaw(n, this.random);
      const saw = await db.models.Saw.create(
        { ...facts, customerId: (customers[owner] as { id: number }).id, createdBy: by },
        { transaction },
      );
      this.history(saw, n);
    }
    // Numbers are given in the order saws came in.
    this.planned.sort((a, b) => a.visit.opened.toMillis() - b.visit.opened.toMillis());
    for (const { saw, n, visit, salt } of this.planned) await this.visit(saw, n, visit, salt);
  }

  private async strokeReadings(): Promise<void> {
    const drops = [
      [2, 0.05],
      [4, 0.09],
      [6, 0.155],
      [8, 0.19],
      [10, 0.26],
      [12, 0.29],
    ] as const;
    await this.db.models.StrokeReading.bulkCreate(
      drops.map(([strokes, dropMm]) => ({
        personId: this.staff[0] as number,
        strokes,
        dropMm,
        createdBy: this.staff[0] as number,
      })),
      { transaction: this.transaction },
    );
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
    come({ ...this.told(), stage, promised: this.today.plus({ days }), opened, ...(waits && { waits }) }, n);
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
    const { verdict, reasons } = triage({ family: saw.family, backFixing: saw.backFixing, hardened, marks });
    const minutes = counterMinutes(
      teethOnLine(saw.toothLineMm, saw.pitchMm),
      marks.some((m) => m.kind === 'rust'),
      marks.some((m) => m.kind === 'bend'),
    );
    const ended = stage === 'closed' || stage === 'declined';
    const quoteHigh = priceFor(minutes.high, FIRST_BOOK.rates).amount;
    const ticket = await db.models.Ticket.create(
      {
        sawId: saw.id,
        stage,
        wood: (['dry-soft', 'dry-hard', 'green'] as const)[salt % 3] as 'dry-soft',
        useRate: (CUSTOMERS[n % CUSTOMERS.length] as (typeof CUSTOMERS)[number])[2],
        complaint,
        hardened,
        marks,
        consent: false,
        overrideReason: '',
        verdict,
        reasons: [...reasons],
        promisedOn: visit.promised.toISODate() as string,
        quoteLow: priceFor(minutes.low, FIRST_BOOK.rates).amount,
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
    if (stage === 'measure' || stage === 'declined') return;
    const hard = salt % 3 !== 2;
    const readings = demoReadings(saw, { hard, brokenAt: n === 1 ? 31 : undefined }, this.random);
    await this.measuring(ticket.id, 'before', readings, by, opened);
    if (stage === 'plan') return;
    await this.work(ticket.id, saw, visit, readings, by);
  }

  private async work(ticketId: number, saw: SawRow, visit: Visit, readings: ToothReading[], by: number): Promise<void> {
    const { db, transaction } = this;
    const facts = { saw, wood: 'dry-soft' as const, marks: visit.marks, readings };
    const inputs = assembleInputs(facts, FIRST_BOOK.habits, fitStrokeRate([]), 'free');
    const study = studyLine(inputs);
    const plan = makePlan(study, study.recommended.depthMm);
    const stops = walkPlan(plan.steps).length;
    const acceptedAt = visit.opened.plus({ days: 1 }).toJSDate();
    const row = await db.models.Plan.create(
      { ticketId, number: 1, inputs, plan, stops, minutes: plan.minutes, acceptedBy: by, acceptedAt },
      { transaction },
    );
    const done = visit.stage === 'bench' ? Math.floor(stops * (0.15 + 0.5 * this.random())) : stops;
    const events = Array.from({ length: done }, (_, stop) => ({
      id: randomUUID(),
      planId: row.id,
      stop,
      action: 'done' as const,
      personId: by,
      happenedAt: acceptedAt,
    }));
    await db.models.BenchEvent.bulkCreate(events, { transaction });
    await db.models.BenchMark.bulkCreate(
      events.map((e) => ({ planId: row.id, stop: e.stop, eventId: e.id })),
      { transaction },
    );
    if (visit.stage === 'bench') return;
    const after = demoAfter(plan.targets, readings, plan.setPerSideMm, this.random);
    await this.measuring(ticketId, 'after', after, by, visit.opened.plus({ days: 2 }));
    if (visit.stage === 'check') return;
    await db.models.CheckRound.create(
      {
        ticketId,
        number: 1,
        runs: 'true',
        binds: false,
        chatters: false,
        note: '',
        verdict: 'pass',
        setLeftMm: plan.setPerSideMm,
        setRightMm: plan.setPerSideMm,
        stoneSide: 'none',
        stonePasses: 0,
        advice: ['passes'],
        personId: by,
        at: visit.opened.plus({ days: 3 }).toJSDate(),
      },
      { transaction },
    );
  }

  private async measuring(
    ticketId: number,
    kind: 'before' | 'after',
    readings: ToothReading[],
    by: number,
    at: DateTime,
  ): Promise<void> {
    const { db, transaction } = this;
    const row = await db.models.Measuring.create(
      { ticketId, kind, round: 1, version: 1, finished: true, changedBy: by, changedAt: at.toJSDate() },
      { transaction },
    );
    await db.models.Reading.bulkCreate(
      readings.map((r) => ({
        ...r,
        measuringId: row.id,
        lean: r.lean ?? null,
        setMm: r.setMm ?? null,
        note: r.note ?? null,
      })),
      { transaction },
    );
  }
}
