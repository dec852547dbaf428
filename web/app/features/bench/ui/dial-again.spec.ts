import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import type { Further } from '@odontis/core/circular/further-strokes';
import { EvidenceDesk } from '../../../shared/evidence/evidence-desk';
import { testDossier } from '../../../testing/test-dossier';
import { withStore } from '../../../testing/with-store';
import type { Bench } from '../../../testing/with-store';
import { DialAgain } from './dial-again';

describe('the dial read between strokes', () => {
  let bench: Bench;
  let fixture: ComponentFixture<DialAgain>;
  let found: Further | null;
  const text = (): string => (fixture.nativeElement as HTMLElement).textContent ?? '';
  const stop = { part: 'chipper 2', tooth: 3, beforeMm: -0.2, aimMm: -0.5, strokes: 9, tool: null };
  beforeEach(async () => {
    localStorage.clear();
    bench = withStore(testDossier('bench'), undefined, [EvidenceDesk]);
    fixture = TestBed.createComponent(DialAgain);
    fixture.componentRef.setInput('stop', stop);
    fixture.componentInstance.found.subscribe((one) => (found = one));
    await fixture.whenStable();
  });
  afterEach(() => {
    fixture.destroy();
    bench.http.match(() => true);
    localStorage.clear();
  });
  const type = async (typed: string): Promise<void> => {
    const field = (fixture.nativeElement as HTMLElement).querySelector('input') as HTMLInputElement;
    field.value = typed;
    field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    await fixture.whenStable();
  };

  it('says how many strokes more, then enough; what is under is left', async () => {
    expect(found).toBeNull();
    await type('-0.3 mm');
    expect(text()).toContain('6 strokes more, then read again');
    await type('-0.48 mm');
    expect(text()).toContain('enough, another stroke could take it under');
    expect(found?.finds).toBe('there');
    await type('-0.6 mm');
    expect(text()).toContain('under its aim. Leave it');
    await type('deep');
    expect(text()).toContain('“deep” is no dial reading');
  });

  it('is kept as measured after the work, a later reading in the place of the earlier', async () => {
    await type('-0.3 mm');
    await type('-0.48 mm');
    const desk = TestBed.inject(EvidenceDesk);
    expect(desk.kind()).toBe('after');
    const [first, second] = desk.readings();
    expect([first?.value, second?.value, second?.corrects]).toEqual([-0.3, -0.48, first?.key]);
    expect(second).toEqual(
      jasmine.objectContaining({ quantity: 'chipper-height', part: 'chipper 2', place: 3, gauge: 'indicator' }),
    );
  });

  it('another tooth begins without a reading', async () => {
    await type('-0.3 mm');
    fixture.componentRef.setInput('stop', { ...stop, tooth: 4 });
    await fixture.whenStable();
    expect(found).toBeNull();
    expect(text()).not.toContain('strokes more');
  });
});
