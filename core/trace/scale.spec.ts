import { pictureHeader } from './picture-header';
import { believableDpi, pictureFault, pictureFaultWords } from './picture-faults';
import { scaleFault, scaleFromDpi, scaleFromLength } from './scale';
import { scaleFaultWords } from './trace-words';

describe('the scale of a picture', () => {
  it('from a resolution, and from a known length marked by hand with the error of the hand', () => {
    expect(scaleFromDpi(600).mmPerPx).toBeCloseTo(0.0423333, 6);
    const marked = scaleFromLength(100, { x: 10, y: 20 }, { x: 2370, y: 40 });
    expect(marked.mmPerPx).toBeCloseTo(100 / Math.hypot(2360, 20), 9);
    expect(marked.scaleError).toBeCloseTo((1.5 * Math.SQRT2) / 2360, 6);
    expect(() => scaleFromDpi(0)).toThrowError(RangeError);
    expect(() => scaleFromLength(10, { x: 1, y: 1 }, { x: 1, y: 1 })).toThrowError(RangeError);
  });

  it('a traced pitch that cannot be this saw’s is asked about, with the resolution that explains it', () => {
    expect(scaleFault(2.54, 2.5, 25.4 / 600)).toBeNull();
    // Tagged 300, scanned at 600: everything comes out twice as large.
    const fault = scaleFault(5.08, 2.54, 25.4 / 300);
    expect(fault?.likelyDpi).toBe(600);
    expect(fault && scaleFaultWords(fault)).toContain('looks like 600 dots');
    const none = scaleFault(3.3, 2.54, 25.4 / 600);
    expect(none?.likelyDpi).toBe(800);
    expect(scaleFault(0.1, 2.54, 25.4 / 600)?.likelyDpi).toBeNull();
  });
});

describe('what a picture file says of itself', () => {
  const bytes = (...values: number[]): Uint8Array => new Uint8Array(values);

  it('reads TIFF of either byte order, inches and centimetres', () => {
    for (const little of [true, false]) {
      const view = new DataView(new ArrayBuffer(120));
      view.setUint32(0, little ? 0x49492a00 : 0x4d4d002a);
      view.setUint32(4, 8, little);
      const entries = [
        [256, 4, 7000],
        [257, 3, 900],
        [282, 5, 100],
        [283, 5, 100],
        [296, 3, 3],
      ] as const;
      view.setUint16(8, entries.length, little);
      entries.forEach(([tag, kind, value], k) => {
        const at = 10 + 12 * k;
        view.setUint16(at, tag, little);
        view.setUint16(at + 2, kind, little);
        view.setUint32(at + 4, 1, little);
        if (kind === 3) view.setUint16(at + 8, value, little);
        else view.setUint32(at + 8, value, little);
      });
      view.setUint32(100, 23622, little);
      view.setUint32(104, 100, little);
      const header = pictureHeader(new Uint8Array(view.buffer));
      expect(header).toEqual(jasmine.objectContaining({ format: 'tiff', widthPx: 7000, heightPx: 900 }));
      expect(header?.dpi).toBeCloseTo(600, 1);
      expect(pictureHeader(new Uint8Array(view.buffer).slice(0, 30))).toBeNull();
    }
  });

  it('believes a scanner’s resolution, not a screen’s and not pixels that are not square', () => {
    const of = (dpi: number | null, dpiAcross = dpi) =>
      believableDpi({ format: 'png', widthPx: 9, heightPx: 9, dpi, dpiAcross });
    expect([of(600), of(72), of(96), of(null), of(600, 300)]).toEqual([600, null, null, null, null]);
  });

  it('says what is no picture and what is too large, before anything is decoded', () => {
    expect(pictureFault(pictureHeader(new TextEncoder().encode('a cat, in words')))).toBe('not-a-picture');
    expect(pictureFault(pictureHeader(bytes()))).toBe('not-a-picture');
    const png = (width: number, height: number): Uint8Array => {
      const view = new DataView(new ArrayBuffer(33));
      view.setUint32(0, 0x89504e47);
      view.setUint32(16, width);
      view.setUint32(20, height);
      return new Uint8Array(view.buffer);
    };
    const large = pictureHeader(png(30_000, 20_000));
    expect(pictureFault(large)).toBe('too-many-pixels');
    expect(pictureFaultWords('too-many-pixels', 'saw.png', large)).toContain('600 million pixels');
    expect(pictureFault(pictureHeader(png(70_000, 10)))).toBe('too-many-pixels');
    expect(pictureFault(pictureHeader(png(7000, 900)))).toBeNull();
  });
});
