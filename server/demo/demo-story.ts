import { DateTime } from 'luxon';
import type { CreationAttributes } from 'sequelize';
import { handOf } from '@odontis/core/calibration/hand';
import type { Reading } from '@odontis/core/evidence/reading';
import type { SessionKind } from '@odontis/core/evidence/session';
import type { Saw } from '@odontis/core/saw/saw';
import type { Answered } from '@odontis/core/shop/judge-intake';
import { judgeIntake } from '@odontis/core/shop/judge-intake';
import { DRIFT_DEPTH_MM } from '@odontis/core/testcut/foretold';
import { workOf } from '@odontis/core/work/families';
import type { WorkFacts } from '@odontis/core/work/family-work';
import { PLAIN_WISH } from '@odontis/core/work/family-work';
import { linesOfOrder } from '@odontis/core/work/lines-of-order';
import type { WorkOrder } from '@odontis/core/work/order';
import { minutesAtStop, walkOf } from '@odontis/core/work/step';
import type { CheckRoundRow } from '../features/checks/model';
import type { Ordered } from '../features/plans/kept-order';
import { FIRST_BOOK } from '../features/shop/service';
import type { TicketRow } from '../features/tickets/model';
import { demoSaw, isStraight } from './demo-saw';
import type { Coming, Visit } from './demo-visits';
import { DemoVisits } from './demo-visits';
import { CUSTOMERS, STAFF } from './invented';
import { measuredAfter, measuredBefore } from './measure-demo';
import { otherSaw } from './other-saws';
import type { PictureKind } from './pictured';
import { readPictured } from './pictured';
import { seeded } from './worn-line';

// Over 250 lines: one story, whose chances are drawn in one order from the counter to the handover.

const SAWS = 90;
/** How each of the staff stands to the reckoned minutes, so that paces differ as they do. */
const PACES = [0.95, 1.2, 1.05] as const;

/** A person of the story, a customer or a saw is its place in {@link STAFF}, in {@link CUSTOMERS} or in the story's saws: ids are the database's to give. */
type Place = number;

/** One sitting of measuring. */
export interface ToldMeasuring {
  readonly kind: SessionKind;
  readonly readings: readonly Reading[];
  readonly by: Place;
  readonly at: Date;
}

/** An order that was accepted, and what was pressed of it at the vise. */
export interface ToldWork {
  readonly ordered: Ordered;
  readonly acceptedAt: Date;
  readonly presses: readonly { readonly stop: number; readonly at: Date }[];
}

/** What was told at the counter. */
export interface ToldEstimate {
  readonly low: number;
  readonly high: number;
  readonly minutesLow: number;
  readonly minutesHigh: number;
  readonly minutesLikely: number;
}

/** One coming of a saw, as far as it got. */
export interface ToldVisit {
  readonly saw: Place;
  readonly by: Place;
  readonly opened: Date;
  readonly estimate: ToldEstimate;
  readonly ticket: Omit<CreationAttributes<TicketRow>, 'sawId' | 'arrivalId' | 'openedBy' | 'closedBy'>;
  readonly measurings: readonly ToldMeasuring[];
  readonly pictures: readonly PictureKind[];
  readonly work: ToldWork | null;
  readonly checks: readonly Omit<CreationAttributes<CheckRoundRow>, 'ticketId' | 'personId'>[];
}

/** The demo shop's three years up to a day, worked out and not kept yet. */
export interface DemoStory {
  readonly today: DateTime;
  readonly saws: readonly { readonly owner: Place; readonly facts: Saw }[];
  /** In the order they came in: so numbers are given. */
  readonly visits: readonly ToldVisit[];
}

/** The story of the demo shop: takes a second or two, and nothing but itself. */
export const tellDemo = (): DemoStory => new DemoTeller(seeded(1804)).tell();

/** Plays the shop's three years, in one story from the counter to the handover. */
class DemoTeller {
  /** What the shop's cuts were found to do: apart, so that nothing else of the story changes with it. */
  private readonly found = seeded(2207);
  /** What was done on a saw's earlier visits, the latest first. */
  private readonly past = new Map<Place, { work: WorkOrder['work'] | null }[]>();
  private readonly hand = handOf([]);
  private readonly today = DateTime.now().startOf('day');

  constructor(private readonly random: () => number) {}

  tell(): DemoStory {
    const coming = new DemoVisits(this.today, this.random);
    const saws: { owner: Place; facts: Saw }[] = [];
    const planned: (Coming & { n: number })[] = [];
    for (let n = 0; n < SAWS; n++) {
      const other = coming.otherAt(n);
      const facts = other ? otherSaw(other.pattern, this.random) : demoSaw(n, this.random);
      saws.push({ owner: n % CUSTOMERS.length, facts });
      const comings = other ? coming.ofOther(n, other) : coming.ofStraight(n, facts.family);
      planned.push(...comings.map((one) => ({ n, ...one })));
    }
    planned.sort((a, b) => a.visit.opened.toMillis() - b.visit.opened.toMillis());
    return {
      today: this.today,
      saws,
      visits: planned.map(({ n, visit, salt }) => this.visit(n, (saws[n] as { facts: Saw }).facts, visit, salt)),
    };
  }

  private visit(n: Place, saw: Saw, visit: Visit, salt: number): ToldVisit {
    const by = salt % STAFF.length;
    const { stage, marks, hardened, complaint, opened } = visit;
    const wood = (['dry-soft', 'dry-hard', 'green'] as const)[salt % 3] ?? 'dry-soft';
    const answered: Answered = {
      wood,
      hardened,
      marks,
      // Along a loop or round a rim nobody looks.
      lineLook: stage === 'measure' || goesRound(saw) ? 'not-looked' : salt % 3 !== 2 ? 'hollow' : 'even',
      grain: 'unsaid',
      wantsFiling: 'as-it-is',
      etch: false,
      collectible: false,
      useRate: (CUSTOMERS[n % CUSTOMERS.length] as (typeof CUSTOMERS)[number])[2],
      replacement: null,
    };
    const { judgement, work: reckoned, low, high } = judgeIntake(saw, answered, FIRST_BOOK);
    const { verdict, reasons } = judgement.taken;
    const visits = this.past.get(n) ?? [];
    const ended = stage === 'closed' || stage === 'declined';
    const ticket = {
      stage,
      ...answered,
      marks: [...answered.marks],
      complaint,
      consents: [...(visit.consents ?? [])],
      overrideReason: '',
      verdict,
      reasons: [...reasons],
      promisedOn: visit.promised.toISODate() as string,
      currency: FIRST_BOOK.rates.currency,
      openedAt: opened.toJSDate(),
      closedAt: ended ? opened.plus({ days: stage === 'closed' ? 5 : 0 }).toJSDate() : null,
      ...(stage === 'declined' && { endedAs: 'refused' as const }),
      handoverNote: stage === 'closed' ? 'Full strokes, no pressure.' : null,
      waitsFor: visit.waits?.[0] ?? null,
      waitsNote: visit.waits?.[1] ?? '',
    };
    const at = opened.toJSDate();
    const before = (readings: readonly Reading[]): ToldMeasuring => ({ kind: 'before', readings, by, at });
    const pictured = visit.pictured ? [before(readPictured(visit.pictured))] : [];
    const estimate = {
      ...{ low: low.amount, high: high.amount },
      ...{ minutesLow: reckoned.lowMinutes, minutesHigh: reckoned.highMinutes, minutesLikely: reckoned.likelyMinutes },
    };
    const came = { estimate, saw: n, by, opened: at, ticket, pictures: visit.pictured ?? [], checks: [] };
    this.past.set(n, [{ work: null }, ...visits]);
    if (stage === 'declined') return { ...came, measurings: [], work: null };
    // A hand or back saw that waits to be measured has no reading yet, or a picture's.
    if (stage === 'measure' && isStraight(saw)) return { ...came, measurings: pictured, work: null };
    const cameIn = { ...visit, hard: salt % 3 !== 2, brokenAt: n === 1 ? 31 : undefined };
    const measured = measuredBefore(saw, cameIn, this.random);
    const measurings = visit.pictured ? pictured : measured ? [before(measured.readings)] : [];
    if (stage === 'plan' || stage === 'measure') return { ...came, measurings, work: null };
    const known: WorkFacts = {
      saw,
      visit: { ...answered, wood },
      sessions: [{ key: 'before', kind: 'before', readings: measured?.readings ?? [] }],
      visits,
      ...{ habits: FIRST_BOOK.habits, judgement: FIRST_BOOK.judgement },
      ...{ strokeRateOf: this.hand.strokeRateOf, stoning: this.hand.stoning },
    };
    const ordered = demoOrder(known, visit);
    this.past.set(n, [{ work: ordered.order.work }, ...visits]);
    const work = this.atTheVise(ordered, visit, by);
    if (stage === 'bench') return { ...came, measurings, work };
    const after = measuredAfter(saw, ordered.order, measured?.teeth ?? [], this.random);
    const looked = stage === 'closed' && isLong(saw) ? after.filter(isSampled) : after;
    const later = { kind: 'after', readings: looked, by, at: opened.plus({ days: 2 }).toJSDate() } as const;
    const told = { ...came, measurings: [...measurings, later], work };
    return stage === 'check' ? told : { ...told, checks: this.cuts(ordered.order, opened) };
  }

  /** What was pressed of an order, at the pace of whom it was; up to its longest step where the saw lies there still. */
  private atTheVise(ordered: Ordered, visit: Visit, by: Place): ToldWork {
    const { steps } = ordered.order;
    const walk = walkOf(steps);
    const acceptedAt = visit.opened.plus({ days: 1 }).toJSDate();
    const done = visit.stage === 'bench' ? this.amidst(steps) : walk.length;
    let clock = acceptedAt.getTime();
    const tick = (stop: number): Date => {
      const planned = minutesAtStop(steps[walk[stop]?.step ?? 0]);
      clock += planned * 60_000 * (PACES[by % PACES.length] ?? 1) * (0.85 + 0.3 * this.random());
      return new Date(clock);
    };
    const presses = Array.from({ length: done }, (_, stop) => ({ stop, at: tick(stop) }));
    return { ordered, acceptedAt, presses };
  }

  /** How many stops are behind a saw that lies in the midst of its longest step. */
  private amidst(steps: WorkOrder['steps']): number {
    const counts = steps.map(({ stops }) => stops.length);
    const longest = counts.indexOf(Math.max(...counts));
    const before = counts.slice(0, longest).reduce((sum, count) => sum + count, 0);
    return before + Math.floor((counts[longest] ?? 0) * (0.1 + 0.4 * this.random()));
  }

  /** The cuts that passed, one an edge. */
  private cuts(order: WorkOrder, opened: DateTime): ToldVisit['checks'] {
    const edges = order.round ? [{ edge: null, forecast: order.round.forecast }] : linesOfOrder(order);
    return edges.map(({ edge, forecast }, i) => {
      const cut = cutFound(forecast.set.perSideMm, this.found);
      return {
        number: i + 1,
        edge,
        runs: 'true',
        binds: false,
        chatters: false,
        beatAt: null,
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
        stonedSide: null,
        stonedPasses: null,
        advice: ['passes'],
        at: opened.plus({ days: 2, hours: 3 }).toJSDate(),
      };
    });
  }
}

const goesRound = (saw: Saw): boolean => ['band', 'circular', 'dado'].includes(saw.family);
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
