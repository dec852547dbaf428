import { TestBed } from '@angular/core/testing';
import type { TestRequest } from '@angular/common/http/testing';
import type { Dossier } from '@odontis/contract/dossier';
import type { EvidenceKept, NewEvidence } from '@odontis/contract/evidence';
import type { LengthReading, Reading } from '@odontis/core/evidence/reading';
import type { Session } from '@odontis/core/evidence/session';
import { lineOf } from '@odontis/core/evidence/line-of';
import { sent as answered } from '../../testing/sent';
import { testDossier, testSession } from '../../testing/test-dossier';
import type { Bench } from '../../testing/with-store';
import { refusalBody, withStore } from '../../testing/with-store';
import { EvidenceDesk } from './evidence-desk';

const KEY = '00000000-0000-4000-9000-000000000001';
const height = (place: number, value: number, more: Partial<LengthReading> = {}): LengthReading => ({
  key: crypto.randomUUID(),
  quantity: 'height',
  part: null,
  place,
  value,
  gauge: 'straight-edge',
  setAside: false,
  corrects: null,
  simulated: false,
  ...more,
});
const kept = (readings: readonly Reading[], more: Partial<Session> = {}): Session =>
  testSession([], {
    finishedAt: null,
    readings: readings.map((r) => ({ ...r, by: 'First Hand', at: '2031-05-01T09:00:00.000Z' })),
    ...more,
  });

describe('the one record of readings and its sender', () => {
  let bench: Bench;
  let desk: EvidenceDesk;
  const dossier = (sessions: Session[] = [], seen = 0): Dossier => ({ ...testDossier('measure'), sessions, seen });
  const start = (at: Dossier): void => {
    bench = withStore(at, undefined, [EvidenceDesk]);
    desk = TestBed.inject(EvidenceDesk);
    TestBed.tick();
  };
  /** The screen turns, and the rest before sending runs out. */
  const rest = async (): Promise<void> => {
    TestBed.tick();
    await new Promise((resolve) => setTimeout(resolve, 320));
    TestBed.tick();
  };
  const sent = (): { call: TestRequest; body: NewEvidence } => {
    const call = bench.http.expectOne('/api/tickets/9/evidence');
    return { call, body: call.request.body as NewEvidence };
  };
  const answer = ({ call, body }: ReturnType<typeof sent>, seen: number): void => {
    const session = kept(body.readings, { ...body.session });
    call.flush(answered({ sessions: [session], seen } satisfies EvidenceKept));
  };
  const refuse = ({ call }: ReturnType<typeof sent>, code: string, more: object = {}): void =>
    call.flush(refusalBody(code, 'No.', more), { status: 409, statusText: 'No' });

  beforeEach(() => localStorage.clear());
  afterEach(() => {
    bench.http.match(() => true);
    localStorage.clear();
  });

  it('what is taken in one breath goes together, in a session begun by its first reading; the next goes there too', async () => {
    start(dossier());
    desk.take([height(1, 0)]);
    desk.take([height(2, -0.1)]);
    expect(desk.unsentCount()).toBe(2);
    await rest();
    const first = sent();
    expect(first.body.readings.map((r) => r.place)).toEqual([1, 2]);
    expect([first.body.session.kind, first.body.seen]).toEqual(['before', 0]);
    answer(first, 7);
    await rest();
    expect(desk.unsentCount()).toBe(0);
    expect(localStorage.getItem('odontis.waiting.9')).toBeNull();
    desk.take([height(3, 0)]);
    await rest();
    const next = sent();
    expect(next.body.session.key).toBe(first.body.session.key);
    expect(next.body.seen).toBe(7);
  });

  it('measured anew stays measured anew, though the first sending fails and is tried again', async () => {
    start(dossier([kept([height(1, -0.5)])]));
    desk.measureAnew();
    desk.take([height(1, -0.02)]);
    await rest();
    const first = sent();
    expect(first.body.session.key).not.toBe(KEY);
    first.call.flush(refusalBody('database-away', 'Away.'), { status: 503, statusText: 'away' });
    // A reload while it waits.
    TestBed.tick();
    TestBed.resetTestingModule();
    start(dossier([kept([height(1, -0.5)])]));
    await rest();
    const again = sent();
    expect(again.body.session.key).toBe(first.body.session.key);
    expect(again.body.readings[0]?.key).toBe(first.body.readings[0]?.key ?? '');
    // The old sitting is as it was, and the new one speaks.
    expect(desk.evidence().map((s) => s.readings.map((r) => r.value))).toEqual([[-0.5], [-0.02]]);
    expect(lineOf(desk.evidence(), testDossier('measure').saw, 'before')?.teeth[0]?.yMm).toBe(-0.02);
  });

  it('readings of one ticket never come to another', async () => {
    start(dossier());
    desk.take([height(1, 0)]);
    TestBed.tick();
    const other = dossier();
    const { store } = bench;
    const { TicketCalls, TicketPageEvents } = await import('../state/ticket.feature');
    store.dispatch(TicketPageEvents.opened({ id: 10 }));
    store.dispatch(
      TicketCalls.answered({ id: 10, request: 'load', dossier: { ...other, ticket: { ...other.ticket, id: 10 } } }),
    );
    TestBed.tick();
    expect(desk.unsentCount()).toBe(0);
    bench.http.match('/api/tickets/10');
    await rest();
    bench.http.expectNone('/api/tickets/10/evidence');
    store.dispatch(TicketPageEvents.opened({ id: 9 }));
    TestBed.tick();
    expect(desk.unsentCount()).toBe(1);
  });

  it('a session closed meanwhile: what waits for it begins another, and what it corrected there stands alone', async () => {
    const old = height(1, -0.5);
    start(dossier([kept([old])]));
    desk.take([height(1, -0.1, { corrects: old.key }), height(2, 0)]);
    await rest();
    refuse(sent(), 'session-closed');
    await rest();
    const { body } = sent();
    expect(body.session.key).not.toBe(KEY);
    expect(body.readings.map((r) => [r.place, r.corrects])).toEqual([
      [1, null],
      [2, null],
    ]);
  });

  it('of a session closed meanwhile what the server has stays there: a correction of it stands alone too', async () => {
    start(dossier([kept([])]));
    const old = height(1, -0.5);
    desk.take([old]);
    await rest();
    answer(sent(), 1);
    await rest();
    desk.take([height(1, -0.1, { corrects: old.key })]);
    await rest();
    refuse(sent(), 'session-closed');
    await rest();
    const { body } = sent();
    expect(body.session.key).not.toBe(KEY);
    expect(body.readings.map((r) => [r.place, r.corrects])).toEqual([[1, null]]);
  });

  it('closing a session sends nothing again and opens no other', async () => {
    start(dossier([kept([])]));
    desk.take([height(1, 0)]);
    await rest();
    const first = sent();
    answer(first, 1);
    await rest();
    desk.finish('done');
    bench.http
      .expectOne(`/api/tickets/9/sessions/${KEY}/finish`)
      .flush(answered(dossier([kept(first.body.readings, { finishedAt: '2031-05-01T10:00:00.000Z' })], 1)));
    await rest();
    expect([desk.unsentCount(), desk.sessionKey(), desk.readings().length]).toEqual([0, null, 0]);
    bench.http.expectNone('/api/tickets/9/evidence');
  });

  describe('when somebody else measured the same places meanwhile', () => {
    const theirs = height(3, -0.05);
    const other = kept([height(1, 0), theirs], { by: 'Second Hand' });
    const conflict = async (): Promise<void> => {
      start(dossier());
      desk.take([height(1, 0), height(3, -0.08)]);
      await rest();
      refuse(sent(), 'edited-elsewhere', { current: answered(dossier([other], 12)) });
      await rest();
      bench.http.expectNone('/api/tickets/9/evidence');
      expect(desk.theirs()?.seen).toBe(12);
    };
    it('keeping mine corrects theirs in their own session; both stay in the record', async () => {
      await conflict();
      desk.keepMine();
      await rest();
      const { body } = sent();
      expect([body.session.key, body.seen]).toEqual([KEY, 12]);
      expect(body.readings[1]?.corrects).toBe(theirs.key);
    });
    it('taking theirs lets mine go', async () => {
      await conflict();
      desk.takeTheirs();
      await rest();
      expect([desk.unsentCount(), desk.theirs()]).toEqual([0, null]);
      expect(desk.readings().map((r) => r.value)).toEqual([0, -0.05]);
      bench.http.expectNone('/api/tickets/9/evidence');
    });
  });

  it('what the server will not have waits for a person, who may let it go', async () => {
    start(dossier());
    desk.take([height(1, 0)]);
    await rest();
    refuse(sent(), 'bad-input');
    await rest();
    expect(desk.refusal()?.code).toBe('bad-input');
    desk.dropRefused();
    TestBed.tick();
    expect([desk.unsentCount(), desk.refusal()]).toEqual([0, null]);
  });
});
