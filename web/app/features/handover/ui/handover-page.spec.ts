import { TestBed } from '@angular/core/testing';
import type { Dossier } from '@odontis/contract/dossier';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { TicketCalls } from '../../../shared/state/ticket.feature';
import { sent } from '../../../testing/sent';
import { testDossier } from '../../../testing/test-dossier';
import { refusalBody, withStore } from '../../../testing/with-store';
import { HandoverPage } from './handover-page';

describe('the handover', () => {
  const open = async (dossier: Dossier) => {
    const { http, store } = withStore(dossier, undefined, [SawSheet]);
    const fixture = TestBed.createComponent(HandoverPage);
    await fixture.whenStable();
    return { http, store, fixture, host: fixture.nativeElement as HTMLElement };
  };
  const submit = (host: HTMLElement): void =>
    void host.querySelector('form')?.dispatchEvent(new Event('submit', { cancelable: true }));

  it('offers the price of the bench time and closes with what was charged', async () => {
    const { http, host } = await open(testDossier('handover'));
    const charged = host.querySelector('input') as HTMLInputElement;
    expect(Number(charged.value)).toBeGreaterThanOrEqual(14);
    charged.value = '21,50';
    charged.dispatchEvent(new Event('input'));
    submit(host);
    const call = http.expectOne('/api/tickets/9/handover');
    expect(call.request.body.charged).toBe(21.5);
    expect(call.request.body.version).toBe(4);
  });

  it('what is typed outlives a change of the ticket beside it; a refused one is read anew and closed as typed', async () => {
    const dossier = testDossier('handover');
    const { http, store, host, fixture } = await open(dossier);
    const [charged, words] = [host.querySelector('input'), host.querySelector('textarea')];
    for (const [field, text] of [
      [charged, '21.50'],
      [words, 'Keep it oiled.'],
    ] as const) {
      if (!field) throw new Error('A field is missing.');
      field.value = text;
      field.dispatchEvent(new Event('input'));
    }
    await fixture.whenStable();
    store.dispatch(TicketCalls.answered({ id: 9, request: 'message', dossier: { ...dossier } }));
    await fixture.whenStable();
    expect([charged?.value, words?.value]).toEqual(['21.50', 'Keep it oiled.']);
    submit(host);
    const refused = refusalBody('edited-elsewhere', 'This ticket was changed by somebody else meanwhile.');
    http.expectOne('/api/tickets/9/handover').flush(refused, { status: 409, statusText: 'Conflict' });
    await fixture.whenStable();
    const said = host.querySelector('od-refused');
    expect(said?.textContent).toContain('changed by somebody else meanwhile');
    said?.querySelector('button')?.click();
    const newer = { ...dossier, ticket: { ...dossier.ticket, version: 12 } };
    http.expectOne('/api/tickets/9').flush(sent(newer));
    await fixture.whenStable();
    expect(host.querySelector('od-refused')).toBeNull();
    submit(host);
    const { body } = http.expectOne('/api/tickets/9/handover').request;
    expect(body).toEqual({ version: 12, charged: 21.5, why: '', note: 'Keep it oiled.', key: jasmine.any(String) });
  });

  it('says what is wrong with an amount and sends nothing', async () => {
    const { http, host, fixture } = await open(testDossier('handover'));
    const charged = host.querySelector('input') as HTMLInputElement;
    charged.value = 'a few';
    charged.dispatchEvent(new Event('input'));
    submit(host);
    await fixture.whenStable();
    http.expectNone('/api/tickets/9/handover');
    expect(host.querySelector('od-notice')?.textContent).toContain('The amount charged must lie between');
  });

  it('a saw that has not passed cannot be handed over; a closed one is told as it was', async () => {
    const waiting = await open(testDossier('check'));
    expect(waiting.host.querySelector('form')).toBeNull();
    expect(waiting.host.textContent).toContain('not passed its test cut yet');
    TestBed.resetTestingModule();
    const closed = await open(testDossier('closed'));
    expect(closed.host.textContent).toContain('Handed over on 4 May 2031 by First Hand');
    expect(closed.host.textContent).toContain('€\u00a040.00');
  });

  it('lists this saw’s years', async () => {
    const visit = {
      id: 3,
      number: 1003,
      stage: 'closed' as const,
      openedAt: '2029-02-01T09:00:00.000Z',
      closedAt: '2029-02-05T09:00:00.000Z',
      complaint: '',
      depthMm: 0.127,
      work: 'tune' as const,
      by: 'Second Hand',
    };
    const { host } = await open({ ...testDossier('handover'), visits: [visit] });
    const link = host.querySelector('table a');
    expect(link?.getAttribute('href')).toBe('/ticket/3/handover');
    expect(link?.closest('tr')?.textContent).toContain('tuned, 5.0 thou off');
  });
});
