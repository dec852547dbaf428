import { TestBed } from '@angular/core/testing';
import type { Learning, Lesson } from '@odontis/contract/learning';
import type { LessonId } from '@odontis/core/learn/learned';
import { withStore } from '../../../testing/with-store';
import { LearningPanel } from './learning-panel';

const lesson = (id: LessonId, more: Partial<Lesson> = {}): Lesson => ({
  ...{ id, pairs: 0, table: 1, fitted: null, tableOff: null, fitOff: null, better: false, since: null, latest: [] },
  ...more,
});
const taught: Learning = {
  lessons: [
    lesson('drift', {
      ...{ pairs: 31, fitted: { value: 1.72, error: 0.08 }, tableOff: 0.02, fitOff: 0.008, better: true },
      since: '2031-02-03T09:00:00.000Z',
      latest: [
        { foretold: 0.01, found: 0.017 },
        { foretold: -0.02, found: -0.034 },
      ],
    }),
    lesson('hop', { table: 0.05, pairs: 3 }),
    lesson('stone', {
      table: 0.004,
      pairs: 12,
      fitted: { value: 0.0041, error: 0.0003 },
      tableOff: 0.001,
      fitOff: 0.001,
    }),
  ],
};

describe('what the shop has learned, on the shop book’s page', () => {
  const shown = async (putBack: LessonId[], mayChange = true) => {
    const { http } = withStore();
    const fixture = TestBed.createComponent(LearningPanel);
    fixture.componentRef.setInput('putBack', putBack);
    fixture.componentRef.setInput('mayChange', mayChange);
    const changed: LessonId[][] = [];
    fixture.componentInstance.changed.subscribe((one) => changed.push(one));
    await new Promise((resolve) => setTimeout(resolve, 25));
    http.expectOne('/api/learning').flush(taught);
    await fixture.whenStable();
    const host = fixture.nativeElement as HTMLElement;
    return { host, changed, text: host.textContent?.replace(/\s+/g, ' ') ?? '' };
  };

  it('says what the table says, what was found, how far off each was, and since when it is in force', async () => {
    const { host, text } = await shown([]);
    expect(text).toContain('The table: 1.00 times half the difference of its sets.');
    expect(text).toContain('Found: 1.72 times ± 0.08 times, from 31.');
    expect(text).toContain('the table was off by 0.79 thou, what was found by 0.31 thou');
    expect(text).toContain('In force, better since 3 February 2031.');
    expect(text).toContain('The table stands: too few to learn from.');
    expect(text).toContain('The table stands: what was found foretells no better.');
    expect(host.querySelectorAll('circle').length).toBe(2);
    expect(host.querySelectorAll('mat-checkbox').length).toBe(1);
  });

  it('is put back by an owner, and by nobody else', async () => {
    const { host, changed } = await shown([]);
    host.querySelector<HTMLInputElement>('mat-checkbox input')?.click();
    expect(changed).toEqual([['drift']]);
  });

  it('what was put back is said so; who may not change it is offered nothing', async () => {
    const back = await shown(['drift'], false);
    expect(back.text).toContain('put back to the table all the same');
    expect(back.host.querySelector('mat-checkbox')).toBeNull();
  });
});
