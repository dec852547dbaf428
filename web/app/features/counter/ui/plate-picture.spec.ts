import { provideZonelessChangeDetection } from '@angular/core';
import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import type { PlateMark } from '@odontis/core/triage/triage';
import { PlatePicture } from './plate-picture';

describe('marks on the picture of the plate', () => {
  let fixture: ComponentFixture<PlatePicture>;
  let marks: readonly PlateMark[];

  const set = async (name: string, value: unknown): Promise<void> => {
    fixture.componentRef.setInput(name, value);
    await fixture.whenStable();
  };
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const button = (name: string): HTMLButtonElement =>
    [...host().querySelectorAll('button')].find((b) => b.textContent?.trim() === name) as HTMLButtonElement;
  const mark = (): SVGGElement => host().querySelector('.mark') as SVGGElement;
  const key = async (name: string, shiftKey = false): Promise<void> => {
    mark().dispatchEvent(new KeyboardEvent('keydown', { key: name, shiftKey, bubbles: true, cancelable: true }));
    await set('marks', marks);
  };

  beforeEach(async () => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    fixture = TestBed.createComponent(PlatePicture);
    marks = [];
    fixture.componentInstance.changed.subscribe((next) => (marks = next));
    for (const [name, value] of Object.entries({ marks, lengthMm: 300, heelMm: 60, toeMm: 50 })) {
      fixture.componentRef.setInput(name, value);
    }
    await set('backed', true);
  });

  it('puts a mark, says what it means, and takes it away again', async () => {
    button('Kink').click();
    await set('marks', marks);
    expect(marks).toEqual([{ kind: 'kink', along: 0.5, down: 0.5 }]);
    expect(host().textContent).toContain('an even chance at best');
    button('remove').click();
    expect(marks).toEqual([]);
  });

  it('moves a mark with the arrow keys, inside the plate only, and deletes it', async () => {
    button('Rust').click();
    await set('marks', marks);
    await key('ArrowRight');
    expect(marks[0]?.along).toBeCloseTo(0.52, 9);
    for (let i = 0; i < 9; i++) await key('ArrowRight', true);
    expect(marks[0]?.along).toBe(1);
    await key('ArrowUp', true);
    expect(marks[0]?.down).toBeCloseTo(0.4, 9);
    await key('Delete');
    expect(marks).toEqual([]);
  });

  it('offers a bent back only where there is a back', async () => {
    expect(button('Bent back')).toBeDefined();
    await set('backed', false);
    expect(button('Bent back')).toBeUndefined();
    expect(button('Crack')).toBeDefined();
  });

  it('draws the plate to the saw’s own proportions', async () => {
    const outline = (): number[] =>
      [...(host().querySelector('.plate')?.getAttribute('d') ?? '').matchAll(/[\d.]+/g)].map((m) => Number(m[0]));
    // 620 px stand for 300 mm: 60 mm at the heel is 124 px, 50 mm at the toe 103.3 px.
    expect(outline().at(-1)).toBeCloseTo(6 + 124, 6);
    expect(outline()[5]).toBeCloseTo(6 + (620 / 300) * 50, 6);
  });
});
