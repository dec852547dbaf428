import { evenZone, nominalLine } from './zones';

describe('zones of another pitch or rake', () => {
  it('by hand: ten teeth of 2 mm, then four starters of 1 mm', () => {
    const line = nominalLine([evenZone(10, 2, 0), evenZone(4, 1, -10)]);
    expect([...line.xMm].slice(8)).toEqual([16, 18, 20, 21, 22, 23]);
    expect([...line.rakeDeg].slice(9, 11)).toEqual([0, -10]);
    expect([...line.zone].slice(9, 11)).toEqual([0, 1]);
  });
  it('a graded zone goes evenly from end to end: its length is n times the middle pitch', () => {
    const line = nominalLine([{ teeth: 21, pitchFromMm: 1.5, pitchToMm: 2.5, rakeFromDeg: 0, rakeToDeg: -20 }]);
    expect(line.pitchMm[10]).toBeCloseTo(2, 12);
    expect(line.rakeDeg[10]).toBeCloseTo(-10, 12);
    // Sum of an arithmetic series: 20 spacings from 1.5 to 2.45.
    expect(line.xMm[20]).toBeCloseTo(20 * (1.5 + 2.45) * 0.5, 9);
  });
  it('refuses an empty zone and a pitch of nothing', () => {
    expect(() => nominalLine([evenZone(0, 2, 0)])).toThrowError(RangeError);
    expect(() => nominalLine([evenZone(3, 0, 0)])).toThrowError(RangeError);
  });
});
