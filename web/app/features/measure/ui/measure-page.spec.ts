import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { TicketCalls } from '../../../shared/state/ticket.feature';
import { sent } from '../../../testing/sent';
import { testDossier } from '../../../testing/test-dossier';
import type { Bench } from '../../../testing/with-store';
import { refusalBody, withStore } from '../../../testing/with-store';
import { MeasurePage } from './measure-page';

describe('the measuring', () => {
  let bench: Bench;
  let fixture: ComponentFixture<MeasurePage>;
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const press = async (says: string): Promise<void> => {
    const found = [...host().querySelectorAll('button')].find((one) => one.textContent?.trim().startsWith(says));
    if (!found) throw new Error(`There is no button "${says}".`);
    found.click();
    await fixture.whenStable();
  };
  beforeEach(async () => {
    localStorage.clear();
    bench = withStore(testDossier('plan'), undefined, [SawSheet]);
    fixture = TestBed.createComponent(MeasurePage);
    await fixture.whenStable();
  });
  afterEach(() => {
    fixture.destroy();
    bench.http.match(() => true);
  });

  it('a ticket that somebody else changed is read anew where it stands, and goes on to its plan from there', async () => {
    await press('Measured: plan the work');
    const refused = refusalBody('edited-elsewhere', 'This ticket was changed by somebody else meanwhile.');
    bench.http.expectOne('/api/tickets/9/measured').flush(refused, { status: 409, statusText: 'Conflict' });
    await fixture.whenStable();
    expect(host().querySelector('od-refused')?.textContent).toContain('changed by somebody else');
    await press('Load it as it stands; what you measured stays');
    const dossier = testDossier('plan');
    bench.http.expectOne('/api/tickets/9').flush(sent({ ...dossier, ticket: { ...dossier.ticket, version: 12 } }));
    await fixture.whenStable();
    expect(host().querySelector('od-refused')).toBeNull();
    await press('Measured: plan the work');
    expect(bench.http.expectOne('/api/tickets/9/measured').request.body).toEqual({ version: 12 });
  });

  it('a reading that was not taken is said in every way of measuring', async () => {
    const refusal = {
      code: 'bad-input' as const,
      detail: 'Tooth 900 is past the toe.',
      errors: [],
      current: undefined,
    };
    bench.store.dispatch(TicketCalls.refused({ id: 9, request: 'evidence', refusal }));
    for (const way of ['From a picture', 'Gauge and indicator', 'Angles', 'Keyed tooth by tooth']) {
      await press(way);
      const said = [...host().querySelectorAll('od-notice')].filter((one) => one.textContent?.includes('past the toe'));
      expect(said.length).withContext(way).toBe(1);
    }
    // What can never be taken does not stand in the way of the next ones.
    await press('Let these readings go');
    expect(host().textContent).not.toContain('past the toe');
  });
});
