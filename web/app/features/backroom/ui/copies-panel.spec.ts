import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import type { CopiesState } from '@odontis/contract/copies';
import { refusalBody, withStore } from '../../../testing/with-store';
import type { Bench } from '../../../testing/with-store';
import { CopiesPanel } from './copies-panel';

describe('the shop’s copies', () => {
  let bench: Bench;
  let fixture: ComponentFixture<CopiesPanel>;
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const text = (): string => host().textContent?.replace(/\s+/g, ' ') ?? '';
  const state = (hoursOld: number | null, more: Partial<CopiesState> = {}): CopiesState => ({
    folder: '/copies',
    count: 3,
    kept: 14,
    newest:
      hoursOld === null
        ? null
        : { madeAt: new Date(Date.now() - hoursOld * 3_600_000).toISOString(), bytes: 4_200_000, encrypted: true },
    ...more,
  });
  const open = async (answer: CopiesState): Promise<void> => {
    bench = withStore(null);
    fixture = TestBed.createComponent(CopiesPanel);
    fixture.detectChanges();
    bench.http.expectOne('/api/copies').flush(answer);
    await fixture.whenStable();
  };
  const press = (): void => (host().querySelector('button') as HTMLButtonElement).click();
  afterEach(() => fixture.destroy());

  it('says the last one, its age and where it lies; nothing more while it is of last night', async () => {
    await open(state(9));
    expect(text()).toContain('9 hours old, 4.2 MB, encrypted. 3 of 14 kept in /copies.');
    expect(host().querySelector('od-notice')).toBeNull();
  });

  it('an old one and none at all are told loudly', async () => {
    await open(state(60));
    expect(text()).toContain('3 days old');
    expect(host().querySelector('od-notice')?.textContent).toContain('more than a day old');
    fixture.destroy();
    TestBed.resetTestingModule();
    await open(state(null, { count: 0 }));
    expect(host().querySelector('od-notice')?.textContent).toContain('There is no copy yet');
  });

  it('one is made now; what keeps it from being made is said', async () => {
    await open(state(60));
    press();
    bench.http
      .expectOne({ method: 'POST', url: '/api/copies' })
      .flush(refusalBody('copy-failed', 'No room.'), { status: 507, statusText: 'x' });
    await fixture.whenStable();
    expect(text()).toContain('No room.');
    press();
    bench.http.expectOne({ method: 'POST', url: '/api/copies' }).flush(state(0));
    await fixture.whenStable();
    expect(text()).toContain('Copied.');
    expect(text()).toContain('less than an hour old');
    expect(host().querySelector('od-notice')).toBeNull();
  });
});
