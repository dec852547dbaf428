import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import type { Dossier } from '@odontis/contract/dossier';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { sent } from '../../../testing/sent';
import { testDossier } from '../../../testing/test-dossier';
import { refusalBody, withStore } from '../../../testing/with-store';
import type { Bench } from '../../../testing/with-store';
import { CheckPage } from './check-page';

describe('the check', () => {
  let bench: Bench;
  let fixture: ComponentFixture<CheckPage>;
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const open = async (dossier: Dossier): Promise<void> => {
    localStorage.clear();
    bench = withStore(dossier, undefined, [SawSheet]);
    fixture = TestBed.createComponent(CheckPage);
    await fixture.whenStable();
  };
  const typeSet = async (index: number, text: string): Promise<void> => {
    const field = host().querySelectorAll<HTMLInputElement>('.make input[placeholder]')[index] as HTMLInputElement;
    field.value = text;
    field.dispatchEvent(new Event('change'));
    await fixture.whenStable();
  };
  /** A word of what the cut showed, pressed. */
  const saw = (word: string): void =>
    [...host().querySelectorAll<HTMLButtonElement>('.make .looks button')]
      .find((button) => button.textContent?.trim() === word)
      ?.click();
  afterEach(() => {
    fixture.destroy();
    bench.http.match(() => true);
  });

  it('starts from the planned line but claims nothing measured: it is not sent until something is keyed', async () => {
    await open(testDossier('check'));
    const drawing = TestBed.inject(SawSheet).drawing();
    expect(drawing?.lanes.map((l) => l.before !== null)).toEqual([true, true, true]);
    expect([...(drawing?.lanes[2]?.values ?? [])].every(Number.isNaN)).toBeTrue();
    await new Promise((resolve) => setTimeout(resolve, 900));
    bench.http.expectNone('/api/tickets/9/readings/after');
  });

  it('set of a few teeth a side gives the balance with its error', async () => {
    await open(testDossier('check'));
    await typeSet(0, '3.1 3.0 3.2');
    await typeSet(1, '2.4; 2.5 2.4');
    expect(host().querySelector('.make')?.textContent).toContain('More set on the left, by 0.7 thou');
    expect(host().querySelector('.make')?.textContent).toContain('±');
    await typeSet(0, '2.4 much');
    expect(host().querySelector('od-notice')?.textContent).toContain('"much" is not a set');
  });

  it('a cut that runs is told by its causes, the foretold beside it; a length by halves is asked for, and not sent', async () => {
    await open(testDossier('check'));
    expect(host().querySelector('.causes')).toBeNull();
    saw('runs left');
    await fixture.whenStable();
    expect(host().querySelector('od-cut-causes')?.textContent).toContain('What would tell most:');
    await typeSet(0, '3.6 3.5 3.6');
    await typeSet(1, '2.4 2.5 2.4');
    const text = host().querySelector('od-cut-causes')?.textContent?.replace(/\s+/g, ' ') ?? '';
    expect(text).toContain('Foretold and found');
    expect(text).toMatch(/nearly sure\s*more set on the left/);
    expect(text).toContain('The stone on the left, pass by pass');
    const field = (label: string): HTMLInputElement | null =>
      [...host().querySelectorAll('mat-form-field')]
        .find((f) => f.textContent?.includes(label))
        ?.querySelector('input') ?? null;
    const typed = async (label: string, value: string): Promise<void> => {
      const one = field(label);
      if (one) one.value = value;
      one?.dispatchEvent(new Event('change'));
      await fixture.whenStable();
    };
    await typed('Left its line by', '0.4 mm');
    expect(host().textContent).toContain('type both');
    host()
      .querySelector('form.make')
      ?.dispatchEvent(new Event('submit', { cancelable: true }));
    bench.http.expectNone('/api/tickets/9/checks');
    await typed('over a length of', 'long');
    expect(host().textContent).toContain('"long" is no length');
    await typed('over a length of', '1');
    expect(host().textContent).toContain('no drift is told');
    await typed('over a length of', '50 mm');
    await typed('Kerf by feeler', '0.2 mm');
    expect(host().textContent).toContain('A kerf is not narrower than its plate');
    await typed('Kerf by feeler', '0.7 mm');
    expect(host().textContent).not.toContain('type both');
  });

  it('tells what each cut asked for', async () => {
    const round = {
      number: 1,
      edge: null,
      runs: 'left' as const,
      binds: false,
      chatters: true,
      beatAt: null,
      shavings: null,
      rakers: null,
      kerfMm: null,
      offLineMm: null,
      overMm: null,
      wall: null,
      floor: null,
      plate: null,
      again: null,
      note: '',
      verdict: 'again' as const,
      setLeftMm: 0.08,
      setRightMm: 0.06,
      stoneSide: 'left' as const,
      stonePasses: 2,
      stonedSide: null,
      stonedPasses: null,
      advice: ['stone', 'joint-again'],
      by: 'First Hand',
      at: '',
    };
    await open({ ...testDossier('check'), checks: [round] });
    const text = host().querySelector('.rounds')?.textContent?.replace(/\s+/g, ' ') ?? '';
    expect(text).toContain('Cut 1: again');
    expect(text).toContain('runs left, does not bind, jumps');
    expect(text).toContain('Stone the left side: 2 light passes.');
    expect(text).toContain('jumps because the line is not level');
  });

  it('a ticket that somebody else changed is read anew, and what was found is judged on it', async () => {
    await open(testDossier('check'));
    saw('runs left');
    const judge = (): void =>
      void host()
        .querySelector('form.make')
        ?.dispatchEvent(new Event('submit', { cancelable: true }));
    judge();
    const refused = refusalBody('edited-elsewhere', 'This ticket was changed by somebody else meanwhile.');
    bench.http.expectOne('/api/tickets/9/checks').flush(refused, { status: 409, statusText: 'Conflict' });
    await fixture.whenStable();
    host().querySelector<HTMLButtonElement>('od-refused button')?.click();
    const dossier = testDossier('check');
    bench.http.expectOne('/api/tickets/9').flush(sent({ ...dossier, ticket: { ...dossier.ticket, version: 12 } }));
    await fixture.whenStable();
    expect(host().querySelector('od-refused')).toBeNull();
    judge();
    const { body } = bench.http.expectOne('/api/tickets/9/checks').request;
    expect(body).toEqual(jasmine.objectContaining({ version: 12, runs: 'left' }));
  });

  it('sends the cut on the version it was judged on', async () => {
    await open(testDossier('check'));
    const judge = (): void =>
      void host()
        .querySelector('form.make')
        ?.dispatchEvent(new Event('submit', { cancelable: true }));
    // Nothing is preset: before anybody said what was seen there is nothing to judge.
    judge();
    await fixture.whenStable();
    bench.http.expectNone('/api/tickets/9/checks');
    expect(host().textContent).toContain('Nothing of this cut is looked at yet');
    expect(host().querySelectorAll('.make .looks .mat-button-toggle-checked').length).toBe(0);
    for (const word of ['runs true', 'does not bind', 'does not jump']) saw(word);
    await fixture.whenStable();
    judge();
    const call = bench.http.expectOne('/api/tickets/9/checks');
    expect(call.request.body).toEqual({
      stoned: null,
      version: 4,
      runs: 'true',
      binds: false,
      chatters: false,
      shavings: null,
      ...{ kerfMm: null, offLine: null, wall: null, floor: null, plate: null, again: null },
      note: '',
      edge: null,
    });
  });
});
