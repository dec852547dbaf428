import { TestBed } from '@angular/core/testing';
import type { Dossier } from '@odontis/contract/dossier';
import type { NewEvidence } from '@odontis/contract/evidence';
import type { Reading } from '@odontis/core/evidence/reading';
import type { Session } from '@odontis/core/evidence/session';
import { EvidenceDesk } from '../evidence/evidence-desk';
import { bandDossier } from '../../testing/other-dossier';
import { testSession } from '../../testing/test-dossier';
import type { Bench } from '../../testing/with-store';
import { withStore } from '../../testing/with-store';
import { GaugeKeeper } from './gauge-keeper';

const session = (readings: readonly Reading[], more: Partial<Session> = {}): Session =>
  testSession([], {
    finishedAt: null,
    readings: readings.map((r) => ({ ...r, by: 'First Hand', at: '2031-05-01T09:00:00.000Z' })),
    ...more,
  });

describe('readings taken place by place', () => {
  let bench: Bench;
  let keeper: GaugeKeeper;
  const dossier = (sessions: Session[] = []): Dossier => ({ ...bandDossier('measure'), sessions, seen: 0 });
  const start = (at: Dossier): void => {
    bench = withStore(at, undefined, [EvidenceDesk, GaugeKeeper]);
    keeper = TestBed.inject(GaugeKeeper);
    TestBed.tick();
  };

  beforeEach(() => localStorage.clear());
  afterEach(() => {
    bench.http.match(() => true);
    localStorage.clear();
  });

  it('a reading lands on the present place and goes on', () => {
    start(dossier());
    expect([keeper.quantity(), keeper.place()]).toEqual(['set', 1]);
    expect(keeper.take(0.14)).toBeTrue();
    expect(keeper.place()).toBe(2);
    expect(keeper.estimates().map((e) => e.valueMm)).toEqual([0.14]);
  });

  it('out of a stand-in it is marked so, from the moment it is taken and on the wire', async () => {
    start(dossier([session([])]));
    keeper.take(0.14, 'indicator', true);
    keeper.take(0.15, 'indicator');
    TestBed.tick();
    await new Promise((resolve) => setTimeout(resolve, 320));
    const sent = bench.http.expectOne('/api/tickets/9/evidence').request.body as NewEvidence;
    expect(sent.readings.map((r) => [r.gauge, r.simulated])).toEqual([
      ['indicator', true],
      ['indicator', false],
    ]);
  });

  it('a doubtful reading is kept but set aside and asked about; settled, both stay in the record', () => {
    start(dossier());
    expect(keeper.take(5)).toBeFalse();
    expect(keeper.place()).toBe(1);
    const asked = keeper.asked();
    expect(asked?.doubt.meant?.mm).toBeCloseTo(0.127, 6);
    expect(keeper.estimates()).toEqual([]);
    expect(keeper.setAside().length).toBe(1);
    if (asked) keeper.settle(asked.reading, asked.doubt.meant?.mm ?? NaN);
    expect(keeper.readings().map((r) => [r.value, r.setAside])).toEqual([
      [5, true],
      [5 * 0.0254, false],
    ]);
    expect(keeper.setAside()).toEqual([]);
    expect(keeper.place()).toBe(2);
  });

  it('taking back leaves the reading in the record and goes back to its place', () => {
    start(dossier());
    keeper.take(0.14);
    keeper.take(0.15);
    keeper.takeBack();
    expect(keeper.estimates().map((e) => e.valueMm)).toEqual([0.14]);
    expect(keeper.readings().length).toBe(3);
    expect(keeper.place()).toBe(2);
    expect(keeper.setAside()).toEqual([]);
  });

  it('a sample goes all round the band; a closed session is no longer added to', () => {
    start(dossier([session([], { finishedAt: '2031-05-01T10:00:00.000Z' })]));
    const desk = TestBed.inject(EvidenceDesk);
    expect(desk.sessionKey()).toBeNull();
    expect(desk.finished().length).toBe(1);
    keeper.sample(true);
    const first = keeper.order().slice(0, 8);
    expect(Math.max(...first) - Math.min(...first)).toBeGreaterThan(250);
    expect(new Set(keeper.order()).size).toBe(401);
  });

  it('a file’s doubtful readings come in set aside, the others count', () => {
    start(dossier());
    const row = (place: number, valueMm: number) => ({
      quantity: 'set' as const,
      part: null,
      place,
      valueMm,
      gauge: 'caliper' as const,
    });
    const aside = keeper.takeAll([row(1, 0.14), row(2, 4.5), row(3, 0.13)]);
    expect(aside).toBe(1);
    expect(keeper.estimates().map((e) => e.place)).toEqual([1, 3]);
    expect(keeper.setAside().map((r) => r.place)).toEqual([2]);
  });
});
