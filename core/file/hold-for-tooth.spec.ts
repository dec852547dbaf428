import fc from 'fast-check';
import { rollForRake } from './flank-angles';
import { holdForTooth } from './hold-for-tooth';
import { slopedTooth } from './slope-planes';

describe('how the file is held for a wanted tooth', () => {
  it('upright and square: no roll, across, level', () => {
    expect(holdForTooth({ rakeDeg: 0, fleamDeg: 0, slopeDeg: 0, section: 'taper' }, 1, 150)).toEqual({
      hold: { rollDeg: 0, fleamDeg: 0, slopeDeg: 0, sectionDeg: 60, tip: 1 },
      tipTowards: 'across',
      handleLowMm: 0,
      handleAsideMm: 0,
    });
  });
  it('by hand: 150 mm of file at slope 10, fleam 20 has its handle 13.02 mm low and 25.26 mm aside', () => {
    const setting = holdForTooth({ rakeDeg: -15, fleamDeg: 20, slopeDeg: 10, section: 'taper' }, -1, 150);
    expect(setting.handleLowMm).toBeCloseTo(13.024, 3);
    expect(setting.handleAsideMm).toBeCloseTo(25.262, 3);
    expect(setting.tipTowards).toBe('against');
  });
  it('what is asked for comes out, at any slope, either way the file points', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -25, max: 8, noNaN: true }),
        fc.double({ min: 0, max: 35, noNaN: true }),
        fc.double({ min: 0, max: 18, noNaN: true }),
        fc.constantFrom<1 | -1>(1, -1),
        fc.constantFrom('taper' as const, 'feather' as const),
        (rakeDeg, fleamDeg, slopeDeg, tip, section) => {
          fc.pre(section === 'taper' || rakeDeg > -18);
          const { hold } = holdForTooth({ rakeDeg, fleamDeg, slopeDeg, section }, tip, 150);
          expect(slopedTooth(hold).faceDeg).toBeCloseTo(-rakeDeg, 8);
          if (slopeDeg === 0) expect(hold.rollDeg).toBeCloseTo(rollForRake(rakeDeg, fleamDeg), 9);
        },
      ),
    );
  });
  it('refuses what no file leaves', () => {
    expect(() => holdForTooth({ rakeDeg: 40, fleamDeg: 0, slopeDeg: 0, section: 'taper' }, 1, 150)).toThrowError(
      RangeError,
    );
    expect(() => holdForTooth({ rakeDeg: 0, fleamDeg: 95, slopeDeg: 0, section: 'taper' }, 1, 150)).toThrowError(
      RangeError,
    );
    expect(() => holdForTooth({ rakeDeg: 0, fleamDeg: 0, slopeDeg: 0, section: 'mill' }, 1, 150)).toThrowError(
      'A mill file has no corner: it files one face at a time.',
    );
  });
});
