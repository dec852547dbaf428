import fc from 'fast-check';
import type { BenchHours, DueWork } from './bench-load';
import { dayNumber, earliestDay, isoOfDay, judgePromise, USUAL_HOURS, weekdayOf } from './bench-load';

const MONDAY = dayNumber('2026-11-23');
const everyDay: BenchHours = { minutesPerDay: 100, days: [1, 2, 3, 4, 5, 6, 7] };

/** The bench played minute by minute, work in the order it is due: is everything done by its day? */
function played(due: readonly DueWork[], hours: BenchHours, today: number, todayLeft: number): boolean {
  const queue = due
    .map((d) => ({ day: Math.max(today, d.day), left: Math.round(d.minutes) }))
    .sort((a, b) => a.day - b.day);
  for (let day = today; queue.some((q) => q.left > 0) && day < today + 400; day++) {
    let minutes = hours.days.includes(weekdayOf(day)) ? (day === today ? todayLeft : hours.minutesPerDay) : 0;
    while (minutes > 0 && queue.length > 0) {
      const next = queue.find((q) => q.left > 0);
      if (!next) break;
      next.left--;
      minutes--;
    }
    if (queue.some((q) => q.left > 0 && q.day <= day)) return false;
  }
  return queue.every((q) => q.left === 0);
}

describe('days', () => {
  it('are counted, written back, and know their weekday', () => {
    expect(dayNumber('1970-01-01')).toBe(0);
    expect(isoOfDay(dayNumber('2028-02-29'))).toBe('2028-02-29');
    expect(weekdayOf(MONDAY)).toBe(1);
    expect([0, 1, 2, 3].map((n) => weekdayOf(n))).toEqual([4, 5, 6, 7]);
    for (const no of ['tomorrow', '2026-02-29', '2026-13-01', '2026-1-1', ''])
      expect(() => dayNumber(no))
        .withContext(no)
        .toThrowError(RangeError);
    expect(dayNumber('2000-03-01')).toBe(11_017);
  });
  it('agree with the machine’s own calendar over eight centuries', () => {
    for (let day = -200_000; day < 100_000; day += 97) {
      const theirs = new Date(day * 86_400_000);
      expect(isoOfDay(day)).toBe(theirs.toISOString().slice(0, 10));
      expect(dayNumber(isoOfDay(day))).toBe(day);
      expect(weekdayOf(day) % 7).toBe(theirs.getUTCDay());
    }
  });
});

describe('the earliest honest day', () => {
  it('by hand: an empty bench is today when the work fits into what is left of it, else the next day', () => {
    expect(earliestDay([], 60, everyDay, MONDAY, 60).day).toBe(MONDAY);
    expect(earliestDay([], 61, everyDay, MONDAY, 60).day).toBe(MONDAY + 1);
    // 60 + 100 + 100 minutes are had by Wednesday; 250 fit, 261 do not.
    expect(earliestDay([], 250, everyDay, MONDAY, 60).day).toBe(MONDAY + 2);
    expect(earliestDay([], 261, everyDay, MONDAY, 60).day).toBe(MONDAY + 3);
  });
  it('no saw is handed back on a day the shop does not work', () => {
    const friday = MONDAY + 4;
    expect(isoOfDay(earliestDay([], 100, USUAL_HOURS, friday, 0).day)).toBe('2026-11-30');
  });
  it('what is late is due today and comes first', () =>
    expect(earliestDay([{ day: MONDAY - 3, minutes: 90 }], 50, everyDay, MONDAY, 100).day).toBe(MONDAY + 1));
  it('a day is not free when taking it would break a promise behind it', () => {
    // Wednesday is full to the brim: whatever is promised before it pushes it over.
    const due = [{ day: MONDAY + 2, minutes: 300 }];
    expect(earliestDay(due, 50, everyDay, MONDAY, 100).day).toBe(MONDAY + 3);
    expect(judgePromise(due, 50, MONDAY, everyDay, MONDAY, 100)).toEqual({ holds: false, overMinutes: 50 });
  });
  it('against the bench played minute by minute: the day found is kept, and no day before it is', () => {
    const work = fc.record({ day: fc.integer({ min: -2, max: 12 }), minutes: fc.integer({ min: 1, max: 160 }) });
    fc.assert(
      fc.property(
        fc.array(work, { maxLength: 8 }),
        fc.integer({ min: 1, max: 250 }),
        fc.integer({ min: 0, max: 100 }),
        fc.constantFrom<number[][]>([1, 2, 3, 4, 5], [1, 3, 5], [1, 2, 3, 4, 5, 6, 7]),
        (dues, minutes, left, days) => {
          const hours = { minutesPerDay: 100, days };
          const due = dues.map((d) => ({ day: MONDAY + d.day, minutes: d.minutes }));
          // A bench that cannot keep what it has promised is another question.
          fc.pre(played(due, hours, MONDAY, left));
          const { day } = earliestDay(due, minutes, hours, MONDAY, left);
          expect(played([...due, { day, minutes }], hours, MONDAY, left)).toBeTrue();
          for (let earlier = day - 1; earlier >= MONDAY; earlier--) {
            const kept = played([...due, { day: earlier, minutes }], hours, MONDAY, left);
            expect(judgePromise(due, minutes, earlier, hours, MONDAY, left).holds).toBe(kept);
            if (days.includes(weekdayOf(earlier))) expect(kept).toBeFalse();
          }
        },
      ),
      { numRuns: 300 },
    );
  });
  it('a promise is judged as the bench plays it, early and late, and lacks exactly the minutes it is short of', () => {
    const work = fc.record({ day: fc.integer({ min: -1, max: 9 }), minutes: fc.integer({ min: 1, max: 150 }) });
    fc.assert(
      fc.property(
        fc.array(work, { maxLength: 7 }),
        fc.integer({ min: 1, max: 250 }),
        fc.integer({ min: 0, max: 100 }),
        fc.integer({ min: 0, max: 14 }),
        (dues, minutes, left, ahead) => {
          const due = dues.map((d) => ({ day: MONDAY + d.day, minutes: d.minutes }));
          fc.pre(played(due, everyDay, MONDAY, left));
          const promised = MONDAY + ahead;
          const kept = (m: number): boolean => played([...due, { day: promised, minutes: m }], everyDay, MONDAY, left);
          const { holds, overMinutes } = judgePromise(due, minutes, promised, everyDay, MONDAY, left);
          expect(holds).toBe(kept(minutes));
          expect(holds).toBe(overMinutes === 0);
          if (holds) return;
          expect(kept(minutes - overMinutes)).toBeTrue();
          expect(kept(minutes - overMinutes + 1)).toBeFalse();
        },
      ),
      { numRuns: 300 },
    );
  });
  it('says what it was reckoned from', () => {
    const due = [
      { day: MONDAY, minutes: 30 },
      { day: MONDAY + 1, minutes: 12 },
    ];
    expect(earliestDay(due, 20, everyDay, MONDAY, 60).reason.inputs.map((i) => i.value)).toEqual([20, 42, 100, 60]);
  });
  it('work promised years ahead is looked at, and a day far enough off is always found', () => {
    const far = [{ day: MONDAY + 700, minutes: 60_000 }];
    expect(earliestDay(far, 20_000, everyDay, MONDAY, 0).day).toBeGreaterThan(MONDAY + 700);
    expect(() => earliestDay([], 10, { minutesPerDay: 100, days: [] }, MONDAY, 0)).toThrowError(RangeError);
  });
  it('a promise for a day gone by never holds, and a bench that never works keeps none', () => {
    expect(judgePromise([], 30, MONDAY - 1, everyDay, MONDAY, 100).holds).toBeFalse();
    expect(() => earliestDay([], 10, { minutesPerDay: 0, days: [1] }, MONDAY, 0)).toThrowError(RangeError);
  });
});
