import { TestBed } from '@angular/core/testing';
import type { Dossier } from '@odontis/contract/dossier';
import type { Gauging, NewGauged } from '@odontis/contract/gauging';
import { bandDossier } from '../../../testing/other-dossier';
import type { Bench } from '../../../testing/with-store';
import { refusalBody, withStore } from '../../../testing/with-store';
import { GaugeKeeper } from './gauge-keeper';
import { SessionKeeper } from './session-keeper';

const gauging = (readings: readonly NewGauged[], more: Partial<Gauging> = {}): Gauging => ({
  id: 3,
  key: crypto.randomUUID(),
  kind: 'before',
  by: 'First Hand',
  startedAt: '2031-05-01T09:00:00.000Z',
  finishedAt: null,
  note: '',
  readings: readings.map((r) => ({ ...r, by: 'First Hand', at: '2031-05-01T09:00:00.000Z' })),
  angles: [],
  ...more,
});

describe('the session of gauge readings', () => {
  let bench: Bench;
  let keeper: GaugeKeeper;
  let sessions: SessionKeeper;
  const dossier = (gaugings: Gauging[] = []): Dossier => ({ ...bandDossier('measure'), gaugings });
  const start = (at: Dossier): void => {
    bench = withStore(at, undefined, [SessionKeeper, GaugeKeeper]);
    keeper = TestBed.inject(GaugeKeeper);
    sessions = TestBed.inject(SessionKeeper);
    TestBed.tick();
  };
  /** The screen turns and timers of no length run out. */
  const turn = async (): Promise<void> => {
    TestBed.tick();
    await new Promise((resolve) => setTimeout(resolve, 5));
    TestBed.tick();
  };
  const posted = (path: string) => bench.http.expectOne(`/api/tickets/9/sessions${path}`);

  beforeEach(() => localStorage.clear());
  afterEach(() => {
    bench.http.match(() => true);
    localStorage.clear();
  });

  it('the first reading opens a session; it and the next then go there, and the place moves on', async () => {
    start(dossier());
    expect([keeper.quantity(), keeper.place()]).toEqual(['set', 1]);
    expect(keeper.take(0.14)).toBeTrue();
    expect(keeper.place()).toBe(2);
    await turn();
    const opening = posted('');
    expect((opening.request.body as { kind: string }).kind).toBe('before');
    keeper.take(0.15);
    opening.flush(dossier([gauging([])]));
    await turn();
    const sent = posted('/3/readings');
    const { readings } = sent.request.body as { readings: NewGauged[] };
    expect(readings.map((r) => [r.place, r.valueMm])).toEqual([
      [1, 0.14],
      [2, 0.15],
    ]);
    sent.flush(dossier([gauging(readings)]));
    await turn();
    expect(sessions.unsent()).toBe(0);
    expect(localStorage.getItem('odontis.gauged.9')).toBeNull();
    expect(keeper.estimates().map((e) => e.place)).toEqual([1, 2]);
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
    expect(keeper.readings().map((r) => [r.valueMm, r.setAside])).toEqual([
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

  it('what the server has not got yet outlives a reload, and is sent again after a refusal that was not its fault', async () => {
    start(dossier([gauging([])]));
    keeper.take(0.14);
    await turn();
    posted('/3/readings').flush(refusalBody('unavailable', 'The server is away.', { status: 503 }), {
      status: 503,
      statusText: 'away',
    });
    await turn();
    expect(sessions.unsent()).toBe(1);
    TestBed.resetTestingModule();
    start(dossier([gauging([])]));
    await turn();
    expect(keeper.readings().map((r) => r.valueMm)).toEqual([0.14]);
    expect((posted('/3/readings').request.body as { readings: unknown[] }).readings.length).toBe(1);
  });

  it('a session being closed sends nothing again and opens no other', async () => {
    start(dossier([gauging([])]));
    keeper.take(0.14);
    await turn();
    const sent = posted('/3/readings');
    const { readings } = sent.request.body as { readings: NewGauged[] };
    sent.flush(dossier([gauging(readings)]));
    await turn();
    sessions.finish('done');
    posted('/3/finish').flush(dossier([gauging(readings, { finishedAt: '2031-05-01T10:00:00.000Z' })]));
    await turn();
    expect(sessions.unsent()).toBe(0);
    expect(keeper.readings()).toEqual([]);
    bench.http.expectNone('/api/tickets/9/sessions');
  });

  it('a sample goes all round the band; a closed session is no longer added to', () => {
    start(dossier([gauging([], { finishedAt: '2031-05-01T10:00:00.000Z' })]));
    expect(sessions.session()).toBeNull();
    expect(sessions.finished().length).toBe(1);
    keeper.sampled.set(true);
    const first = keeper.order().slice(0, 8);
    expect(Math.max(...first) - Math.min(...first)).toBeGreaterThan(250);
    expect(new Set(keeper.order()).size).toBe(403);
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
