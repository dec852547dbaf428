import type { Reason } from '../reason/reason';
import { because, input } from '../reason/reason';

/** Work promised for a day. Days are whole days of one calendar count, such as {@link dayNumber}'s. */
export interface DueWork {
  readonly day: number;
  readonly minutes: number;
}

/** What the bench can do. */
export interface BenchHours {
  readonly minutesPerDay: number;
  /** Days worked, Monday 1 to Sunday 7. */
  readonly days: readonly number[];
}

/** Five hours at the vise on working days; the rest of a day is counter, telephone and sweeping. No source. */
export const USUAL_HOURS: BenchHours = { minutesPerDay: 300, days: [1, 2, 3, 4, 5] };

/**
 * Days since 1970-01-01 of a day written year-month-day, in the calendar of
 * today carried back and forth: years begin in March, so that the leap day ends
 * them; 400 years are 146,097 days (Howard Hinnant, "chrono-compatible low-level
 * date algorithms", from memory). Throws RangeError on what is no day. Example: 2000-03-01 -> 11017.
 */
export function dayNumber(isoDay: string): number {
  const [, y, m, d] = (/^(\d{4})-(\d{2})-(\d{2})$/.exec(isoDay) ?? []).map(Number) as [number, number, number, number];
  const day = daysFrom(y, m, d);
  if (!(m >= 1 && m <= 12) || isoOfDay(day) !== isoDay) throw new RangeError(`"${isoDay}" is no day.`);
  return day;
}

function daysFrom(y: number, m: number, d: number): number {
  const year = m <= 2 ? y - 1 : y;
  const era = Math.floor(year / 400);
  const ofEra = year - era * 400;
  const ofYear = Math.floor((153 * ((m + 9) % 12) + 2) / 5) + d - 1;
  return era * 146_097 + ofEra * 365 + Math.floor(ofEra / 4) - Math.floor(ofEra / 100) + ofYear - 719_468;
}

/** The way back. */
export function isoOfDay(day: number): string {
  const z = day + 719_468;
  const era = Math.floor(z / 146_097);
  const ofEra = z - era * 146_097;
  const year = Math.floor(
    (ofEra - Math.floor(ofEra / 1460) + Math.floor(ofEra / 36_524) - Math.floor(ofEra / 146_096)) / 365,
  );
  const ofYear = ofEra - (365 * year + Math.floor(year / 4) - Math.floor(year / 100));
  const march = Math.floor((5 * ofYear + 2) / 153);
  const d = ofYear - Math.floor((153 * march + 2) / 5) + 1;
  const m = march < 10 ? march + 3 : march - 9;
  const y = year + era * 400 + (m <= 2 ? 1 : 0);
  const two = (n: number): string => String(n).padStart(2, '0');
  return `${String(y).padStart(4, '0')}-${two(m)}-${two(d)}`;
}

/** Monday 1 to Sunday 7. 1970-01-01 was a Thursday. */
export const weekdayOf = (day: number): number => ((((day + 3) % 7) + 7) % 7) + 1;

export interface EarliestDay {
  readonly day: number;
  readonly reason: Reason;
}

/** A promise kept or not: where the load first runs over, null where it does not. */
export interface PromiseJudged {
  readonly holds: boolean;
  /** Minutes the bench lacks on the worst day from the promised one on. */
  readonly overMinutes: number;
}

/** Further ahead than this nothing is promised. */
const FURTHEST_DAYS = 730;

/**
 * Spare bench minutes up to and including each day from today on. Work is done
 * in the order it is due, so a day is kept exactly when everything due by it fits
 * into the minutes until it (earliest due date first is optimal on one bench:
 * Jackson 1955, from memory). Late work is due today.
 */
function spareUpTo(
  due: readonly DueWork[],
  hours: BenchHours,
  today: number,
  todayLeftMinutes: number,
  last: number,
): number[] {
  const load = new Float64Array(last - today + 1);
  for (const { day, minutes } of due) {
    const at = Math.max(today, day) - today;
    if (at < load.length) load[at] = (load[at] as number) + minutes;
  }
  const spare: number[] = [];
  let sum = 0;
  for (let at = 0; at < load.length; at++) {
    const works = hours.days.includes(weekdayOf(today + at));
    sum += (works ? (at === 0 ? todayLeftMinutes : hours.minutesPerDay) : 0) - (load[at] as number);
    spare.push(sum);
  }
  return spare;
}

const lastDay = (due: readonly DueWork[], today: number): number =>
  Math.min(today + FURTHEST_DAYS, Math.max(today, ...due.map((d) => d.day))) + FURTHEST_DAYS;

/**
 * The earliest day a saw can honestly be promised for: the first from which on
 * it fits beside everything promised already, on every later day as well. It is
 * handed back on a day the shop works. Minutes in, day out. O(days + saws).
 * Throws RangeError when the bench never works.
 */
export function earliestDay(
  due: readonly DueWork[],
  minutes: number,
  hours: BenchHours,
  today: number,
  todayLeftMinutes: number,
): EarliestDay {
  if (hours.days.length === 0 || !(hours.minutesPerDay > 0))
    throw new RangeError('A bench that never works keeps no day.');
  const spare = spareUpTo(due, hours, today, todayLeftMinutes, lastDay(due, today));
  let at = spare.length;
  let least = Infinity;
  for (let i = spare.length - 1; i >= 0; i--) {
    least = Math.min(least, spare[i] as number);
    if (least < minutes) break;
    if (hours.days.includes(weekdayOf(today + i))) at = i;
  }
  const day = today + Math.min(at, spare.length - 1);
  return {
    day,
    reason: because(
      'Earliest day',
      'the first working day on which, and on every day after, the promised work and this saw fit the bench',
      [
        input('this saw', minutes, 'minutes'),
        input(
          'promised already',
          due.reduce((sum, d) => sum + d.minutes, 0),
          'minutes',
        ),
        input('a bench day', hours.minutesPerDay, 'minutes'),
        input('left of today', todayLeftMinutes, 'minutes'),
      ],
      'the rack’s load, work done in the order it is due',
    ),
  };
}

/** Whether a promise for a day can be kept beside what is promised already. */
export function judgePromise(
  due: readonly DueWork[],
  minutes: number,
  promised: number,
  hours: BenchHours,
  today: number,
  todayLeftMinutes: number,
): PromiseJudged {
  const spare = spareUpTo(due, hours, today, todayLeftMinutes, Math.max(lastDay(due, today), promised));
  const from = Math.max(0, promised - today);
  const least = spare.slice(from).reduce((m, s) => Math.min(m, s), Infinity);
  const over = promised < today ? minutes : Math.max(0, minutes - least);
  return { holds: over <= 0, overMinutes: over };
}
