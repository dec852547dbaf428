import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { bandDossier } from '../../../testing/other-dossier';
import { withStore } from '../../../testing/with-store';
import type { Bench } from '../../../testing/with-store';
import { RoundPlanPage } from './round-plan-page';

describe('the plan of a saw that goes round', () => {
  let bench: Bench;
  let fixture: ComponentFixture<RoundPlanPage>;
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const text = (): string => host().textContent?.replace(/\s+/g, ' ') ?? '';
  const open = async (): Promise<void> => {
    sessionStorage.clear();
    const dossier = bandDossier();
    bench = withStore({ ...dossier, ticket: { ...dossier.ticket, stage: 'plan' } }, undefined, [SawSheet]);
    fixture = TestBed.createComponent(RoundPlanPage);
    await fixture.whenStable();
  };
  const press = async (label: string): Promise<void> => {
    const button = [...host().querySelectorAll('button')].find((one) => one.textContent?.includes(label));
    if (!button) throw new Error(`There is no button "${label}".`);
    button.click();
    await fixture.whenStable();
  };
  const type = async (index: number, typed: string): Promise<void> => {
    const field = host().querySelectorAll('od-band-plan input')[index] as HTMLInputElement;
    field.value = typed;
    field.dispatchEvent(new Event('change'));
    await fixture.whenStable();
  };
  afterEach(() => {
    fixture.destroy();
    bench.http.match(() => true);
  });

  it('a band is planned by its count alone: windows, set anew where nobody sampled it, the loop in the vise', async () => {
    await open();
    expect(text()).toContain('403 teeth in 18 windows');
    expect(text()).toContain('reckoned from length and pitch');
    expect(text()).toMatch(/Set anew to .* one circuit each/);
    expect(host().querySelector('od-loop-picture svg')?.getAttribute('aria-label')).toContain('teeth 1 to 23');
    expect(TestBed.inject(SawSheet).drawing()?.teeth.length).toBe(403);
    // Of its cut as it is nothing is known, of the set it is given the kerf is.
    expect(text()).toContain('No set is read on both sides');
    expect(text()).toMatch(/not known ?[\d.]+ in/);
    expect(host().querySelectorAll('od-kerf-picture svg').length).toBe(1);
  });

  it('what is chosen is kept over a reload and sent with the version it was chosen on', async () => {
    await open();
    await press('leave it');
    await press('joint lightly');
    await type(1, '3');
    expect(text()).toContain('Joint round, lightly');
    await press('To the bench with it');
    const call = bench.http.expectOne('/api/tickets/9/plan');
    const round = { family: 'band', set: 'leave', joint: true, strokes: 3 };
    expect(call.request.body).toEqual({ version: jasmine.any(Number), round });
    expect(JSON.parse(sessionStorage.getItem('odontis.round.9') ?? '')).toEqual(round);
  });

  it('a count near what was told is taken, one far off is asked about first; nonsense is said in place', async () => {
    await open();
    await type(0, '405');
    const call = bench.http.expectOne('/api/tickets/9');
    expect(call.request.body).toEqual(jasmine.objectContaining({ line: { teeth: 405, pitchMm: 2560 / 405 } }));
    await type(0, '300');
    expect(text()).toContain('Count once more, or measure over ten teeth');
    bench.http.expectNone('/api/tickets/9');
    await type(0, 'many');
    expect(text()).toContain('“many” is no count of a band’s teeth');
  });
});
