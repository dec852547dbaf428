import { testDossier } from '../../testing/test-dossier';
import { refusalBody, withStore } from '../../testing/with-store';
import { TicketCalls, ticketFeature, TicketPageEvents } from './ticket.feature';

describe('the ticket in the store', () => {
  const reduce = ticketFeature.reducer;
  const opened = (id: number) => reduce(undefined, TicketPageEvents.opened({ id }));

  it('takes only the answer of the ticket that is open', () => {
    const dossier = testDossier('plan');
    expect(reduce(opened(9), TicketCalls.loaded({ dossier })).dossier).toBe(dossier);
    expect(reduce(opened(8), TicketCalls.loaded({ dossier })).dossier).toBeNull();
  });

  it('opening another ticket lets the old one go; opening the same keeps it on the screen meanwhile', () => {
    const state = reduce(opened(9), TicketCalls.loaded({ dossier: testDossier('plan') }));
    expect(reduce(state, TicketPageEvents.opened({ id: 9 })).dossier).not.toBeNull();
    expect(reduce(state, TicketPageEvents.opened({ id: 10 })).dossier).toBeNull();
  });

  it('the bench’s state moves the place and, at the end, the stage', () => {
    const dossier = testDossier('bench');
    const state = reduce(opened(9), TicketCalls.loaded({ dossier }));
    const going = reduce(
      state,
      TicketPageEvents.benchCaughtUp({ id: 9, state: { planId: 11, done: [0, 1], stage: 'bench' } }),
    );
    expect(going.dossier?.plan?.done).toEqual([0, 1]);
    expect(going.dossier?.ticket.version).toBe(dossier.ticket.version);
    const ended = reduce(
      going,
      TicketPageEvents.benchCaughtUp({ id: 9, state: { planId: 11, done: [0, 1, 2], stage: 'check' } }),
    );
    expect(ended.dossier?.ticket.stage).toBe('check');
    expect(ended.dossier?.ticket.version).toBe(dossier.ticket.version + 1);
  });

  it('an answer for an older plan is passed over', () => {
    const state = reduce(opened(9), TicketCalls.loaded({ dossier: testDossier('bench') }));
    const other = TicketPageEvents.benchCaughtUp({ id: 9, state: { planId: 99, done: [5], stage: 'check' } });
    expect(reduce(state, other)).toBe(state);
  });

  it('a change goes over the wire with the person’s id and comes back as the new dossier', () => {
    const { store, http } = withStore(testDossier('plan'));
    const choice = { version: 4, depthMm: 0.1, line: 'free' as const, rakeDeg: 0, fleamDeg: 0 };
    store.dispatch(TicketPageEvents.planAccepted({ id: 9, choice }));
    const call = http.expectOne('/api/tickets/9/plan');
    expect(call.request.method).toBe('POST');
    expect(call.request.headers.get('x-odontis-person')).toBe('1');
    expect(call.request.body).toEqual(choice);
    expect(store.selectSignal(ticketFeature.selectBusy)()).toBeTrue();
    call.flush(testDossier('bench'));
    expect(store.selectSignal(ticketFeature.selectDossier)()?.ticket.stage).toBe('bench');
    expect(store.selectSignal(ticketFeature.selectBusy)()).toBeFalse();
  });

  it('a refusal leaves the dossier as it was and keeps the reason', () => {
    const { store, http } = withStore(testDossier('plan'));
    store.dispatch(
      TicketPageEvents.ticketEdited({ id: 9, change: { version: 4, complaint: 'x', promisedOn: '2031-05-04' } }),
    );
    http
      .expectOne('/api/tickets/9')
      .flush(refusalBody('edited-elsewhere', 'Changed.'), { status: 409, statusText: 'Conflict' });
    expect(store.selectSignal(ticketFeature.selectRefusal)()?.code).toBe('edited-elsewhere');
    expect(store.selectSignal(ticketFeature.selectDossier)()?.ticket.complaint).toBe('dull');
  });
});
