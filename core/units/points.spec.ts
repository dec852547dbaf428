import { countFromPitchMm, pitchMmFromCount, teethOnLine } from './points';

describe('points and teeth to the inch', () => {
  // Points per inch = teeth per inch + 1, both end points counted in one inch (hand-tool manuals, from memory).
  it('takes one point more than teeth in the same inch', () => {
    expect(pitchMmFromCount(8, 'points')).toBeCloseTo(25.4 / 7, 12);
    expect(pitchMmFromCount(7, 'teeth')).toBeCloseTo(25.4 / 7, 12);
    expect(countFromPitchMm(25.4 / 7, 'points')).toBeCloseTo(8, 12);
  });
  it('counts tips at both ends of the line', () => expect(teethOnLine(254, 25.4 / 14)).toBe(141));
  it('refuses a saw of one point', () => {
    expect(() => pitchMmFromCount(1, 'points')).toThrowError(RangeError);
    expect(() => countFromPitchMm(0, 'teeth')).toThrowError(RangeError);
  });
});
