import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { USUAL_HOURS } from '@odontis/core/shop/bench-load';
import { DateTime } from 'luxon';
import { benchPromise } from './bench-promise';

describe('a saw’s minutes against the bench’s load', () => {
  const day = (ahead: number): string => DateTime.now().plus({ days: ahead }).toISODate();
  const everyDay = { ...USUAL_HOURS, days: [1, 2, 3, 4, 5, 6, 7] };
  const setUp = (due: { ticket: number; day: string; minutes: number }[], minutes: number | null, promisedOn: string) =>
    TestBed.runInInjectionContext(() =>
      benchPromise(signal(due), signal(minutes), signal(promisedOn), signal(everyDay)),
    );

  it('offers the first day it fits, which then holds, and warns of one before it', () => {
    const due = [{ ticket: 1, day: day(4), minutes: 5 * 300 }];
    const { earliest } = setUp(due, 200, '');
    expect(earliest().day > day(4)).toBeTrue();
    expect(setUp(due, 200, earliest().day).promise()?.holds).toBeTrue();
    expect(setUp(due, 200, day(2)).promise()?.holds).toBeFalse();
  });

  it('says nothing of a day not chosen, half typed or that is none, nor before anything is judged', () => {
    for (const text of ['', '2031-05', '2031-02-30', 'soon'])
      expect(setUp([], 30, text).promise())
        .withContext(text)
        .toBeNull();
    expect(setUp([], null, day(1)).promise()).toBeNull();
  });
});
