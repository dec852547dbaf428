import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import { withStore } from '../../../testing/with-store';
import { BandCount } from './band-count';

describe('where a band’s last marker came up', () => {
  let fixture: ComponentFixture<BandCount>;
  const text = (): string => (fixture.nativeElement as HTMLElement).textContent ?? '';
  const open = async (pause: { afterStop: number; minutes: number } | null = null): Promise<void> => {
    withStore(null);
    fixture = TestBed.createComponent(BandCount);
    const walk = Array.from({ length: 16 }, (_, i) => ({
      ...{ at: 1 + 23 * i, to: 23 * (i + 1), strokes: 2, heavier: 'even' as const },
      ...{ index: i, step: 1 },
    }));
    for (const [name, value] of Object.entries({ teeth: 368, each: 23, walk, pause }))
      fixture.componentRef.setInput(name, value);
    await fixture.whenStable();
  };
  const type = async (typed: string): Promise<void> => {
    const field = (fixture.nativeElement as HTMLElement).querySelector('input') as HTMLInputElement;
    field.value = typed;
    field.dispatchEvent(new Event('change'));
    await fixture.whenStable();
  };
  afterEach(() => fixture.destroy());

  it('as foretold, a window early, or a wrong count', async () => {
    await open();
    await type('368');
    expect(text()).toContain('as foretold: every window was done once');
    await type('345');
    expect(text()).toContain('23 teeth early: a window was passed over. Look for fresh steel');
    await type('371');
    expect(text()).toContain('the band most likely has 371 teeth');
    await type('the weld');
    expect(text()).toContain('“the weld” is no tooth of this band');
  });

  it('says where to look, when somebody was away for long', async () => {
    await open({ afterStop: 4, minutes: 34 });
    await type('391');
    expect(text()).toMatch(/a window was done twice\. Most likely after tooth 115, where you were away for 34 min/);
  });
});
