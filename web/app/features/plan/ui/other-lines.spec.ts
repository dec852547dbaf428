import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import type { Dossier } from '@odontis/contract/dossier';
import type { LengthReading } from '@odontis/core/evidence/reading';
import type { Saw } from '@odontis/core/saw/saw';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { bandDossier } from '../../../testing/other-dossier';
import { testSession } from '../../../testing/test-dossier';
import type { Bench } from '../../../testing/with-store';
import { withStore } from '../../../testing/with-store';
import { PlanPage } from './plan-page';

const length = (quantity: LengthReading['quantity'], place: number, value: number, part: string | null = null) => ({
  ...{ key: crypto.randomUUID(), quantity, place, value, gauge: 'straight-edge' as const, part },
  ...{ setAside: false, corrects: null, simulated: false },
});

/** A ticket at its plan with this saw and these readings of it. */
function planned(saw: object, readings: LengthReading[]): Dossier {
  const dossier = bandDossier();
  const kept = { ...dossier.saw, ...saw } as Saw & { id: number };
  return {
    ...dossier,
    saw: kept,
    ticket: { ...dossier.ticket, stage: 'plan' },
    sessions: [{ ...testSession([]), readings: readings.map((r) => ({ ...r, by: 'First Hand', at: '' })) }],
  };
}
const LONG = { family: 'crosscut', filing: 'crosscut', kind: 'two-man', pattern: 'CCR', pitchMm: 12, toothLineMm: 348 };
const LONG_PLATE = { plateThicknessMm: 1.6, plateDepthHeelMm: 120, plateDepthToeMm: 120 };
const long = (): LengthReading[] =>
  Array.from({ length: 30 }, (_, i) => i + 1).map((tooth) =>
    tooth % 3 === 0
      ? length('raker-depth', tooth, tooth === 12 ? 0.9 : 0.2)
      : length('height', tooth, -3 * ((2 * (tooth - 1)) / 29 - 1) ** 2 - 0.15 * Math.abs(Math.sin(tooth))),
  );
const PULL = { family: 'pull', filing: 'crosscut', edges: 2, ripPitchMm: 2.4, pitchMm: 1.6, toothLineMm: 48 };
const PULL_PLATE = { plateThicknessMm: 0.5, plateDepthHeelMm: 80, plateDepthToeMm: 90 };
const edge = (part: string, teeth: number): LengthReading[] =>
  Array.from({ length: teeth }, (_, i) => length('height', i + 1, -0.05 * (i % 3), part));

describe('the plan of other lines than a hand saw’s', () => {
  let bench: Bench;
  let fixture: ComponentFixture<PlanPage>;
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const text = (): string => host().textContent?.replace(/\s+/g, ' ') ?? '';
  const sheet = (): SawSheet => TestBed.inject(SawSheet);
  const open = async (dossier: Dossier): Promise<void> => {
    bench = withStore(dossier, undefined, [SawSheet]);
    fixture = TestBed.createComponent(PlanPage);
    await fixture.whenStable();
  };
  const choose = async (name: string): Promise<void> => {
    const button = [...host().querySelectorAll('mat-button-toggle button')].find((b) => b.textContent?.trim() === name);
    (button as HTMLButtonElement).click();
    await fixture.whenStable();
  };
  beforeEach(() => sessionStorage.clear());
  afterEach(() => {
    fixture.destroy();
    bench.http.match(() => true);
  });

  it('cutters and rakers: breast, jointer, the raker too low and what lowering all would cost', async () => {
    await open(planned({ ...LONG, ...LONG_PLATE }, long()));
    expect(text()).toMatch(/Jointer’s file bent [\d.]+ thou/);
    expect(text()).toMatch(/Already too low, and left: raker 12 by/);
    expect(text()).toMatch(/Every cutter down to the lowest would be/);
    expect(text()).toContain('Rakers to depth, tips to end A');
    expect(
      sheet()
        .drawing()
        ?.lanes.map((l) => l.id),
    ).toEqual(['over', 'rakers', 'flats', 'spacing', 'set', 'load']);
    expect(sheet().drawing()?.ends).toEqual({ heel: 'end A', toe: 'end B' });
    await choose('straight');
    expect(text()).toContain('Jointer’s file straight');
    await choose('swaged tips');
    expect(text()).toContain('Hammer the rakers over');
    const typed = host().querySelector<HTMLInputElement>('[aria-label="Breast, as measured"]');
    if (!typed) throw new Error('no field');
    typed.value = '3 in';
    typed.dispatchEvent(new Event('change'));
    await fixture.whenStable();
    expect(text()).toContain('“3 in” is no breast of this line');
    (host().querySelector('.accept') as HTMLButtonElement).click();
    const { request } = bench.http.expectOne(`/api/tickets/${bandDossier().ticket.id}/plan`);
    expect(request.body).toEqual(jasmine.objectContaining({ breastMm: 0, rakerMm: null, rakerTip: 'swaged' }));
  });

  it('a two-edged pull saw: both lines under one order, each looked at by itself and levelled by itself', async () => {
    await open(planned({ ...PULL, ...PULL_PLATE }, [...edge('crosscut', 31), ...edge('rip', 21)]));
    expect(text()).toContain('The top bevels alone');
    expect(sheet().drawing()?.title).toContain('crosscut edge');
    const teeth = sheet().drawing()?.teeth.length;
    await choose('rip edge');
    expect(sheet().drawing()?.teeth.length).toBeLessThan(teeth ?? 0);
    sheet().handle()?.move(0.1);
    await fixture.whenStable();
    expect(text()).toMatch(/levelling 3\.9 thou/);
    await choose('all three edges');
    expect(text()).toContain('File the faces, crosscut edge, from the right');
    (host().querySelector('.accept') as HTMLButtonElement).click();
    const { request } = bench.http.expectOne(`/api/tickets/${bandDossier().ticket.id}/plan`);
    expect(request.body).toEqual(jasmine.objectContaining({ besideMm: 0.1, pullFiling: 'full' }));
  });

  it('one edge of two measured is not the whole saw', async () => {
    await open(planned({ ...PULL, ...PULL_PLATE }, edge('crosscut', 31)));
    expect(text()).toContain('The rip edge is not measured.');
    expect((host().querySelector('.accept') as HTMLButtonElement).disabled).toBeTrue();
  });
});
