import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import { PatternTaps } from './pattern-taps';

describe('where a line of cutters and rakers begins', () => {
  let fixture: ComponentFixture<PatternTaps>;
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const show = async (pattern: string, offset: number, teeth: number | null): Promise<void> => {
    fixture.componentRef.setInput('pattern', pattern);
    fixture.componentRef.setInput('offset', offset);
    fixture.componentRef.setInput('teeth', teeth);
    await fixture.whenStable();
  };
  const taps = (): HTMLButtonElement[] => [...host().querySelectorAll<HTMLButtonElement>('mat-button-toggle button')];
  beforeEach(() => (fixture = TestBed.createComponent(PatternTaps)));

  it('draws one group, and tells a raker from a cutter in words too', async () => {
    await show('ccr', 0, 30);
    expect(taps().map((tap) => tap.getAttribute('aria-label'))).toEqual([
      'cutter 1 of its group',
      'cutter 2 of its group',
      'the raker',
    ]);
    expect(host().textContent).toContain('CCRCCRCCRCCR …');
    expect(host().textContent).not.toContain('The last group');
  });

  it('a tap says where the line begins, and what that leaves for the last group', async () => {
    let begun = -1;
    fixture.componentInstance.begun.subscribe((offset) => (begun = offset));
    await show('CCCCR', 0, 41);
    expect(host().textContent).toContain('The last group has 1 of 5.');
    taps()[3]?.click();
    expect(begun).toBe(3);
    await show('CCCCR', 3, 41);
    expect(host().textContent).toContain('CRCCCCRCCCCR …');
    expect(host().textContent).toContain('The last group has 4 of 5.');
  });

  it('is not asked of plain teeth, nor of what is no pattern', async () => {
    for (const text of ['C', '', 'RR', 'CXR']) {
      await show(text, 0, null);
      expect(taps().length).withContext(text).toBe(0);
    }
  });
});
