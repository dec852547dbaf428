import fc from 'fast-check';
import { BAND_SETS } from '../saw/saw';
import { bandPattern, bandTeeth } from '../saw/band-teeth';
import { bandWindows } from './band-windows';

describe('a band’s teeth and its set', () => {
  it('by hand: 2,400 mm at 6.35 mm is 378 teeth', () => {
    expect(bandTeeth(2400, 6.35)).toBe(378);
    expect(() => bandTeeth(0, 6)).toThrowError(RangeError);
  });
  it('an even count alternates all round; an odd one has its odd place at the weld', () => {
    expect(bandPattern(6, 'alternate')).toEqual(jasmine.objectContaining({ over: 0, atWeld: '' }));
    const odd = bandPattern(7, 'alternate');
    expect(odd.leans.join(' ')).toBe('left right left right left right straight');
    expect(odd.over).toBe(1);
  });
  it('left, right, straight: one over is an extra straight tooth, two over a pair without its own', () => {
    expect(bandPattern(9, 'left-right-straight').over).toBe(0);
    expect(bandPattern(10, 'left-right-straight').leans.slice(-2)).toEqual(['straight', 'straight']);
    expect(bandPattern(11, 'left-right-straight').leans.slice(-2)).toEqual(['left', 'right']);
  });
  it('left and right stay equal in number whatever the count', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 900 }), fc.constantFrom(...BAND_SETS), (teeth, set) => {
        const { leans } = bandPattern(teeth, set);
        const of = (side: string): number => leans.filter((l) => l === side).length;
        expect(leans.length).toBe(teeth);
        expect(of('left')).toBe(of('right'));
      }),
    );
  });
  it('refuses half a tooth', () => expect(() => bandPattern(3.5, 'alternate')).toThrowError(RangeError));
});

describe('a band through the vise', () => {
  it('by hand: 400 teeth of 6 mm in jaws of 150 go in 16 windows of 25', () => {
    const windows = bandWindows(400, 6, 150);
    expect(windows.length).toBe(16);
    expect(windows[15]).toEqual({ number: 16, from: 376, to: 400 });
    expect(() => bandWindows(400, 6, 5)).toThrowError(RangeError);
  });
  it('every tooth is in one window, and no window is longer than the jaws', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 700 }),
        fc.double({ min: 1, max: 12, noNaN: true }),
        fc.integer({ min: 20, max: 300 }),
        (teeth, pitch, jaw) => {
          const windows = bandWindows(teeth, pitch, jaw);
          expect(windows.flatMap((w) => Array.from({ length: w.to - w.from + 1 }, (_, k) => w.from + k))).toEqual(
            Array.from({ length: teeth }, (_, i) => i + 1),
          );
          windows.forEach((w) => expect((w.to - w.from + 1) * pitch).toBeLessThanOrEqual(jaw + 1e-6));
        },
      ),
    );
  });
});
