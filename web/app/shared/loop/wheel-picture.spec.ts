import { TestBed } from '@angular/core/testing';
import { WheelPicture } from './wheel-picture';

describe('a blade as a wheel', () => {
  const dial = Array.from({ length: 20 }, (_, i) => ({
    ...{ tooth: i + 1, offMm: i === 4 ? -1.2 : 0.02 * (i % 3) },
    kind: i === 4 ? ('broken' as const) : i % 5 === 0 ? ('raker' as const) : ('scorer' as const),
  }));
  const open = async (seen: { from: number; to: number }) => {
    const fixture = TestBed.createComponent(WheelPicture);
    for (const [name, value] of Object.entries({ teeth: 20, dial, split: null, seen }))
      fixture.componentRef.setInput(name, value);
    await fixture.whenStable();
    const svg = (fixture.nativeElement as HTMLElement).querySelector('svg') as SVGElement;
    return { fixture, svg, box: (svg.getAttribute('viewBox') ?? '').split(' ').map(Number) };
  };

  it('tells scorers, rakers and broken teeth apart by shape, all on the sheet', async () => {
    const { fixture, svg, box } = await open({ from: 0, to: 1 });
    expect(['scorer', 'raker', 'broken'].map((kind) => svg.querySelectorAll(`.${kind}`).length)).toEqual([15, 4, 1]);
    expect(svg.getAttribute('aria-label')).toContain('15 scorers and 4 rakers read, 1 broken');
    const numbers = [...svg.querySelectorAll('.scorer, .raker')].flatMap((one) =>
      (one.getAttribute('d')?.match(/-?\d+(\.\d+)?/g) ?? []).map(Number),
    );
    expect(Math.max(...numbers.map(Math.abs))).toBeLessThan(Math.abs(box[0] ?? 0));
    fixture.destroy();
  });

  it('follows the rim unrolled: a quarter of it fills the picture', async () => {
    const { fixture, box } = await open({ from: 0, to: 0.25 });
    const [x = 0, y = 0, wide = 0] = box;
    expect(wide).toBeLessThan(160);
    // From tooth 1 at the top a quarter with the clock: to the right of the middle, above it.
    expect(x + wide / 2).toBeGreaterThan(0);
    expect(y + wide / 2).toBeLessThan(0);
    fixture.destroy();
  });
});
