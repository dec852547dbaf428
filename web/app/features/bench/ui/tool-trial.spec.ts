import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import { MatSelect } from '@angular/material/select';
import { By } from '@angular/platform-browser';
import type { CalibrationReading } from '@odontis/core/calibration/hand';
import type { Step } from '@odontis/core/work/step';
import { ShopPage } from '../../../shared/state/shop.feature';
import { testDossier, testPeople } from '../../../testing/test-dossier';
import { withStore } from '../../../testing/with-store';
import type { Bench } from '../../../testing/with-store';
import { ToolTrial } from './tool-trial';

describe('the tool at the first teeth', () => {
  let bench: Bench;
  let fixture: ComponentFixture<ToolTrial>;
  const steps = testDossier('bench').plan?.order.steps ?? [];
  const stepOf = (kind: Step['kind']): Step => steps.find((s) => s.kind === kind) as Step;
  const read = (amount: number, didMm: number): CalibrationReading => ({
    what: 'set-tool',
    tool: 'small',
    amount,
    didMm,
  });
  const text = (): string => (fixture.nativeElement as HTMLElement).textContent ?? '';
  const open = async (kind: Step['kind'], calibrations: CalibrationReading[] = []): Promise<void> => {
    bench = withStore(testDossier('bench'));
    const people = testPeople.map((p) => (p.id === 1 ? { ...p, calibrations } : p));
    bench.store.dispatch(ShopPage.peopleChanged({ people }));
    fixture = TestBed.createComponent(ToolTrial);
    fixture.componentRef.setInput('step', stepOf(kind));
    await fixture.whenStable();
  };
  afterEach(() => {
    fixture.destroy();
    bench.http.match(() => true);
  });

  it('offers the number for the set aimed at, by this hand’s own readings', async () => {
    const target = stepOf('set').targetMm ?? 0;
    // On a straight line of 0.02 mm a number, 6 makes just the set aimed at.
    await open('set', [read(4, target + 0.04), read(8, target - 0.04)]);
    expect(text()).toContain('Turn “small” to 6.');
  });
  it('says why there is no number yet', async () => {
    await open('set');
    expect(text()).toContain('No set tool of yours is known yet');
  });
  it('one number tells nothing of another', async () => {
    await open('set', [read(4, 0.2)]);
    expect(text()).toContain('was read at one number only');
  });
  it('the tool that was chosen stays when another reading is kept', async () => {
    const other = { ...read(5, 0.1), tool: 'pliers' };
    await open('set', [read(4, 0.2), other]);
    fixture.debugElement.query(By.directive(MatSelect)).triggerEventHandler('selectionChange', { value: 'pliers' });
    await fixture.whenStable();
    expect(text()).toContain('“pliers” was read at one number only');
    const people = testPeople.map((p) =>
      p.id === 1 ? { ...p, calibrations: [read(4, 0.2), read(6, 0.15), other] } : p,
    );
    bench.store.dispatch(ShopPage.peopleChanged({ people }));
    await fixture.whenStable();
    expect(text()).toContain('“pliers” was read at one number only');
  });
  it('keeps what was measured, and the offer follows it', async () => {
    const target = stepOf('set').targetMm ?? 0;
    await open('set', [read(4, target + 0.04)]);
    const [, amount, did] = [...(fixture.nativeElement as HTMLElement).querySelectorAll('input')];
    for (const [field, typed] of [
      [amount, '8'],
      [did, `${(target - 0.04).toFixed(6)} mm`],
    ] as const) {
      if (!field) throw new Error('A field is missing.');
      field.value = typed;
      field.dispatchEvent(new Event('input'));
    }
    (fixture.nativeElement as HTMLElement)
      .querySelector('form')
      ?.dispatchEvent(new Event('submit', { cancelable: true }));
    const call = bench.http.expectOne('/api/people/1/calibrations');
    const { reading } = call.request.body as { reading: CalibrationReading };
    expect([reading.what, reading.tool, reading.amount]).toEqual(['set-tool', 'small', 8]);
    call.flush(testPeople.map((p) => (p.id === 1 ? { ...p, calibrations: [read(4, target + 0.04), reading] } : p)));
    await fixture.whenStable();
    expect(text()).toContain('Turn “small” to 6.');
  });
  it('at the stone and the file it tells the rate that is reckoned with', async () => {
    await open('stone');
    expect(text()).toMatch(/The trade’s usual .* a pass/);
  });
  it('and whose it is, once it was measured', async () => {
    await open('shape', [{ what: 'strokes', tool: '', amount: 8, didMm: 0.24 }]);
    expect(text()).toMatch(/Your hand with other files: .* a stroke, from 1/);
  });
  it('with the very file in hand first', async () => {
    await open('shape', [
      { what: 'strokes', tool: '', amount: 8, didMm: 0.24 },
      { what: 'strokes', tool: stepOf('shape').tool ?? '', amount: 8, didMm: 0.16 },
    ]);
    expect(text()).toMatch(/Your hand: .* a stroke, from 1/);
  });
});
