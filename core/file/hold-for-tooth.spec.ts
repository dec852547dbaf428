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
  it('by geometry’s own table: fleam 25, slope 10, roll 15 leaves a face of 16.574 (tip to the toe) or 15.906', () => {
    const wanted = (faceDeg: number) => ({ rakeDeg: -faceDeg, fleamDeg: 25, slopeDeg: 10, section: 'taper' as const });
    expect(holdForTooth(wanted(16.574), 1, 150).hold.rollDeg).toBeCloseTo(15, 2);
    expect(holdForTooth(wanted(15.906), -1, 150).hold.rollDeg).toBeCloseTo(15, 2);
    expect(holdForTooth(wanted(16.574), 1, 150).tipTowards).toBe('along');
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
  it('every bound is held to, and named', () => {
    const ask = (more: object) => () =>
      holdForTooth({ rakeDeg: 0, fleamDeg: 0, slopeDeg: 0, section: 'taper', ...more }, 1, 150);
    for (const rakeDeg of [90, -90, NaN])
      expect(ask({ rakeDeg })).toThrowError('Rake must lie between -90 and 90 degrees.');
    for (const fleamDeg of [-1, 90])
      expect(ask({ fleamDeg })).toThrowError('Fleam must be from 0 to below 90 degrees.');
    for (const slopeDeg of [-1, 90])
      expect(ask({ slopeDeg })).toThrowError('Slope must be from 0 to below 90 degrees.');
    expect(ask({ rakeDeg: 75, fleamDeg: 60, slopeDeg: 60 })).toThrowError(
      'No roll of the file leaves that rake at this slope.',
    );
    expect(ask({ rakeDeg: 30 })).toThrowError('The file’s other face would lie past level.');
    expect(ask({ rakeDeg: 29 })).not.toThrowError();
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
