import { TestBed } from '@angular/core/testing';
import { provideEffects } from '@ngrx/effects';
import { provideState } from '@ngrx/store';
import type { RackRow } from '@odontis/contract/ticket';
import { DateTime } from 'luxon';
import { withStore } from '../../../testing/with-store';
import * as rackEffects from '../state/rack.effects';
import { rackFeature } from '../state/rack.feature';
import { RackPage } from './rack-page';

const row = (id: number, days: number, stage: RackRow['stage'] = 'plan'): RackRow => ({
  id,
  number: 1000 + id,
  stage,
  promisedOn: DateTime.now().plus({ days }).toISODate(),
  customer: `Customer ${id}`,
  saw: 'Tenon saw',
  pitchMm: 2.3,
  minutes: stage === 'bench' ? 40 : null,
  stops: stage === 'bench' ? 100 : 0,
  stopsDone: stage === 'bench' ? 25 : 0,
  waitsFor: null,
  waitsNote: '',
  hands: [],
  family: 'back',
  openedOn: '2026-01-05',
  planned: true,
});

describe('the rack', () => {
  const open = async (rows: RackRow[], show?: string) => {
    const { http } = withStore(null, undefined, [provideState(rackFeature), provideEffects(rackEffects)]);
    const fixture = TestBed.createComponent(RackPage);
    fixture.componentRef.setInput('show', show);
    await fixture.whenStable();
    http.expectOne('/api/rack').flush(rows);
    await fixture.whenStable();
    return fixture.nativeElement as HTMLElement;
  };
  const words = (host: HTMLElement, selector: string): string[] =>
    [...host.querySelectorAll(selector)].map((e) => e.textContent?.replace(/\s+/g, ' ').trim() ?? '');

  it('shows late saws first, then a peg a day, each by number', async () => {
    const host = await open([row(4, 2), row(1, -3), row(3, 0), row(2, -1), row(5, 2)]);
    const names = [...host.querySelectorAll('section')].map((s) => s.getAttribute('aria-label'));
    expect(names.slice(0, 2)).toEqual(['Late', 'Today']);
    expect(words(host, '.number')).toEqual(['1001', '1002', '1003', '1004', '1005']);
    expect(words(host, '.stop-text')).toEqual(['late for 3 days', 'late since yesterday']);
  });

  it('opens each at its stage and says what bench work is left', async () => {
    const host = await open([row(1, 0, 'bench'), row(2, 0, 'handover')]);
    expect([...host.querySelectorAll('li a')].map((a) => a.getAttribute('href'))).toEqual([
      '/ticket/1/bench',
      '/ticket/2/handover',
    ]);
    expect(words(host, 'h2')[0]).toContain('30 min of bench work left');
    expect(words(host, '.how')[0]).toBe('25 of 100 stops');
  });

  it('shows mine, those that wait for somebody or something, and those ready to go, each with its count', async () => {
    const rows: RackRow[] = [
      { ...row(1, 1), hands: [1] },
      { ...row(2, 1), hands: [2], waitsFor: 'customer', waitsNote: 'colour of the handle' },
      { ...row(3, 1), waitsFor: 'part' },
      { ...row(4, 1, 'handover') },
      { ...row(5, 1, 'handover'), waitsFor: 'customer' },
      { ...row(6, 0, 'handover'), family: 'band' },
      { ...row(7, 9), family: 'circular', waitsFor: 'grinder', waitsNote: 'sent on' },
    ];
    const host = await open(rows);
    expect(words(host, '.views a')).toEqual([
      'All 7',
      'Counter today 3',
      'Mine 1',
      'Waiting on the customer 2',
      'Waiting on a part 1',
      'At the grinder 1',
      'Ready to go 2',
    ]);
    expect(words(host, '.held')).toEqual([
      'waits for the customer',
      'waits for a part',
      'waits for the customer',
      'waits for the grinder',
    ]);
    TestBed.resetTestingModule();
    expect(words(await open(rows, 'mine'), '.number')).toEqual(['1001']);
    TestBed.resetTestingModule();
    expect(words(await open(rows, 'ready'), '.number').sort()).toEqual(['1004', '1006']);
    TestBed.resetTestingModule();
    expect(words(await open(rows, 'counter'), '.number').sort()).toEqual(['1002', '1005', '1006']);
    TestBed.resetTestingModule();
    expect((await open([row(1, 1)], 'waits-for-part')).textContent).toContain('No saw on the rack is of this kind.');
  });

  it('an empty rack points to the counter', async () => {
    expect((await open([])).textContent).toContain('Take a saw in at the counter');
  });
});
