import type { DateTime } from 'luxon';
import type { Stage, Waits } from '@odontis/contract/ticket';
import type { RakerTip } from '@odontis/core/raker/raker-plan';
import type { PlateMark } from '@odontis/core/saw/plate-marks';
import { COMPLAINTS, REFUSALS } from './invented';
import type { CameIn } from './measure-demo';
import type { OtherVisit } from './other-saws';
import { OTHER_VISITS } from './other-saws';
import type { PictureKind } from './pictured';

/** From this saw on every other one is of another family than hand and back. */
const OTHERS_FROM = 17;
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

/** One saw's coming in, and how far it got. */
export interface Visit extends Pick<CameIn, 'wear' | 'band' | 'blade'> {
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

/** A visit, and what makes its chances its own. */
export interface Coming {
  readonly visit: Visit;
  readonly salt: number;
}

/** When a saw of the demo came, and what for; `n` is its number among them, from 0. */
export class DemoVisits {
  constructor(
    private readonly today: DateTime,
    private readonly random: () => number,
  ) {}

  /** Every other saw from the seventeenth on, each family and state in turn. */
  otherAt(n: number): OtherVisit | undefined {
    if (n < OTHERS_FROM || (n - OTHERS_FROM) % 2 !== 0) return undefined;
    return OTHER_VISITS[((n - OTHERS_FROM) / 2) % OTHER_VISITS.length];
  }

  /** A saw of another family: now and then an earlier visit, then what it is here for now, or was refused for. */
  ofOther(n: number, other: OtherVisit): Coming[] {
    const here = n < OTHERS_FROM + 2 * OTHER_VISITS.length;
    const comings: Coming[] = [];
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
      comings.push({ visit: past, salt: n });
    }
    if (!here) return comings;
    const opened = this.today.minus({ days: stage === 'declined' ? 3 - other.days : 3 }).plus({ hours: 9, minutes: n });
    const promised = stage === 'declined' ? opened : this.workday(other.days);
    const visit: Visit = {
      ...{ ...said, marks: [...marks], stage, opened, promised },
      ...(waits && { waits }),
      ...(pictured && { pictured }),
    };
    return [...comings, { visit, salt: n }];
  }

  /** Past visits over three years, then, for the first saws, what is in the shop now. */
  ofStraight(n: number, family: string): Coming[] {
    const comings: Coming[] = [];
    const come = (visit: Visit, salt: number): void => void comings.push({ visit, salt });
    const refusal = n % 23 === 7 ? REFUSALS[Math.floor(n / 23) % REFUSALS.length] : undefined;
    const visits = n === 2 ? 2 : Math.floor(this.random() * 2.4);
    for (let v = 0; v < visits && !refusal; v++) {
      const opened = this.today.minus({ days: Math.round(60 + this.random() * 1000) }).plus({ hours: 10 });
      come({ ...this.told(), stage: 'closed', promised: opened.plus({ days: 6 }), opened }, n + v);
    }
    if (refusal) {
      const mark = refusal.mark === 'bent-back' && family === 'hand' ? 'crack' : refusal.mark;
      const opened = this.today.minus({ days: 10 + n });
      const marks: PlateMark[] = mark ? [{ kind: mark, along: 0.6, down: 0.8 }] : [];
      const told = { hardened: refusal.hardened, complaint: refusal.complaint, marks };
      come({ ...told, stage: 'declined', promised: opened, opened }, n);
    }
    const queued = QUEUE[n];
    if (!queued || refusal) return comings;
    const [stage, days, waits] = queued;
    const opened = this.today.minus({ days: 4 }).plus({ hours: 9, minutes: n });
    const pictured = PICTURED[n];
    const promised = this.workday(days);
    come({ ...this.told(), stage, promised, opened, ...(waits && { waits }), ...(pictured && { pictured }) }, n);
    return comings;
  }

  /** A day so many from today on which somebody is at the bench: after a weekend what is to come, before it what is late. */
  private workday(days: number): DateTime {
    const day = this.today.plus({ days });
    if (!day.isWeekend) return day;
    return days < 0 ? day.minus({ days: day.weekday - 5 }) : day.plus({ days: 8 - day.weekday });
  }

  private told(): Pick<Visit, 'marks' | 'hardened' | 'complaint'> {
    const marks: PlateMark[] = [];
    if (this.random() < 0.25) marks.push({ kind: 'rust', along: 0.3, down: 0.6 });
    if (this.random() < 0.15) marks.push({ kind: 'bend', along: 0.5, down: 0.5 });
    return { marks, hardened: 'no', complaint: COMPLAINTS[Math.floor(this.random() * COMPLAINTS.length)] as string };
  }
}
