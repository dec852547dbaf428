import { sent } from '../../testing/sent';
import { testDossier } from '../../testing/test-dossier';
import { refusalBody, withStore } from '../../testing/with-store';
import type { Dossier } from '@odontis/contract/dossier';
import type { KeptReading } from '@odontis/core/evidence/reading';
import { selectRequest, TicketCalls, ticketFeature, TicketPageEvents } from './ticket.feature';

describe('the ticket in the store', () => {
  const reduce = ticketFeature.reducer;
  const answered = (dossier: Dossier) => TicketCalls.answered({ id: dossier.ticket.id, request: 'load', dossier });
  const opened = (id: number) => reduce(undefined, TicketPageEvents.opened({ id }));

  it('keeps every answer under its own ticket, whichever is open by then', () => {
    const dossier = testDossier('plan');
    const { store, http } = withStore(dossier);
    const open = store.selectSignal(ticketFeature.selectDossier);
    expect(open()).toBe(dossier);
    store.dispatch(TicketPageEvents.opened({ id: 10 }));
    expect(open()).toBeNull();
    store.dispatch(answered(dossier));
    expect(open()).toBeNull();
    const other = { ...dossier, ticket: { ...dossier.ticket, id: 10 } };
    http.expectOne('/api/tickets/10').flush(sent(other));
    expect(open()?.ticket.id).toBe(10);
    // The first one again is there at once, and fetched anew behind it.
    store.dispatch(TicketPageEvents.opened({ id: 9 }));
    expect(open()).toBe(dossier);
  });

  it('a refusal of one ticket never shows on another, nor on another request of its own', () => {
    const { store, http } = withStore(testDossier('plan'));
    const choice = {
      version: 4,
      depthMm: 0.1,
      line: 'free' as const,
      rakeDeg: 0,
      fleamDeg: 0,
      convert: false,
      sample: false,
    };
    store.dispatch(TicketPageEvents.planAccepted({ id: 9, choice }));
    store.dispatch(TicketPageEvents.opened({ id: 10 }));
    http
      .expectOne('/api/tickets/9/plan')
      .flush(refusalBody('readings-unfit', 'Tooth 3.'), { status: 422, statusText: 'Unprocessable' });
    const plan = store.selectSignal(selectRequest('plan'));
    expect(plan()).toEqual({ busy: false, refusal: null });
    store.dispatch(TicketPageEvents.opened({ id: 9 }));
    expect(plan().refusal?.code).toBe('readings-unfit');
    expect(store.selectSignal(selectRequest('check'))().refusal).toBeNull();
  });

  it('the bench’s state moves the place and, at the end, the stage with the version the server says', () => {
    const dossier = testDossier('bench');
    const state = reduce(opened(9), answered(dossier));
    const bench = (done: number[], stage: 'bench' | 'check', version: number, planId = 11) =>
      TicketPageEvents.benchCaughtUp({ id: 9, state: { planId, done, skipped: [], stage, version } });
    const going = reduce(state, bench([0, 1], 'bench', 4));
    expect(going.entities[9]?.plan?.done).toEqual([0, 1]);
    const ended = reduce(going, bench([0, 1, 2], 'check', 7));
    expect(ended.entities[9]?.ticket).toEqual(jasmine.objectContaining({ stage: 'check', version: 7 }));
    // An answer for an older plan is passed over.
    expect(reduce(state, bench([5], 'check', 9, 99)).entities[9]).toEqual(dossier);
  });

  it('readings that were kept come to their sessions once, those of others among them', () => {
    const dossier = testDossier('plan');
    const [session] = dossier.sessions;
    if (!session) throw new Error('no session');
    const fresh = { ...(session.readings[0] as KeptReading), key: 'f', by: 'Second Hand' };
    const kept = {
      sessions: [{ ...session, finishedAt: null, readings: [fresh, session.readings[1] as KeptReading] }],
      seen: 99,
    };
    const state = reduce(reduce(opened(9), answered(dossier)), TicketCalls.evidenceKept({ id: 9, kept }));
    const [now] = state.entities[9]?.sessions ?? [];
    expect([now?.readings.length, now?.finishedAt, state.entities[9]?.seen]).toEqual([
      session.readings.length + 1,
      null,
      99,
    ]);
  });

  it('a change goes over the wire and comes back as the new dossier', () => {
    const { store, http } = withStore(testDossier('plan'));
    const choice = {
      version: 4,
      depthMm: 0.1,
      line: 'free' as const,
      rakeDeg: 0,
      fleamDeg: 0,
      convert: false,
      sample: false,
    };
    store.dispatch(TicketPageEvents.planAccepted({ id: 9, choice }));
    const call = http.expectOne('/api/tickets/9/plan');
    expect(call.request.method).toBe('POST');
    expect(call.request.body).toEqual(choice);
    expect(store.selectSignal(selectRequest('plan'))().busy).toBeTrue();
    call.flush(sent(testDossier('bench')));
    expect(store.selectSignal(ticketFeature.selectDossier)()?.ticket.stage).toBe('bench');
    expect(store.selectSignal(selectRequest('plan'))().busy).toBeFalse();
  });

  it('a refusal leaves the dossier as it was and keeps the reason', () => {
    const { store, http } = withStore(testDossier('plan'));
    store.dispatch(
      TicketPageEvents.ticketEdited({ id: 9, change: { version: 4, complaint: 'x', promisedOn: '2031-05-04' } }),
    );
    http
      .expectOne('/api/tickets/9')
      .flush(refusalBody('edited-elsewhere', 'Changed.'), { status: 409, statusText: 'Conflict' });
    expect(store.selectSignal(selectRequest('edit'))().refusal?.code).toBe('edited-elsewhere');
    expect(store.selectSignal(ticketFeature.selectDossier)()?.ticket.complaint).toBe('dull');
  });
});
