import { ChangeDetectionStrategy, Component, provideZonelessChangeDetection, signal } from '@angular/core';
import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { TestBed } from '@angular/core/testing';
import { MatDatepickerInputHarness } from '@angular/material/datepicker/testing';
import { DayField } from './day-field';

@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DayField],
  template: `<od-day-field label="Promised" [day]="day()" (dayChosen)="day.set($event)" />`,
})
class Host {
  readonly day = signal('2031-05-04');
}

describe('a day, typed or picked', () => {
  const show = async () => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    const fixture = TestBed.createComponent(Host);
    const field = await TestbedHarnessEnvironment.loader(fixture).getHarness(MatDatepickerInputHarness);
    return { host: fixture.componentInstance, field };
  };

  it('is written with the day first and the month in words', async () => {
    const { field } = await show();
    expect(await field.getValue()).toBe('4 May 2031');
  });

  it('is typed in any way that puts the day first, or the year', async () => {
    const { host, field } = await show();
    for (const [typed, means] of [
      ['6 May 2031', '2031-05-06'],
      ['7.5.2031', '2031-05-07'],
      ['8/5/2031', '2031-05-08'],
      ['2031-05-09', '2031-05-09'],
    ] as const) {
      await field.setValue(typed);
      await field.blur();
      expect(host.day()).withContext(typed).toBe(means);
    }
    // The thirteenth month is no day: nothing is turned round to make one.
    await field.setValue('5/13/2031');
    await field.blur();
    expect(host.day()).toBe('');
  });

  it('is picked from a calendar', async () => {
    const { host, field } = await show();
    await field.openCalendar();
    await (await field.getCalendar()).selectCell({ text: '20' });
    expect(host.day()).toBe('2031-05-20');
  });
});
