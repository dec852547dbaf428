import type { SawOf } from './saw';
import { placesOn, teethOf } from './saw';
import { sawFaults } from './saw-faults';
import { evenZone, lineZones, nominalLine, placeInPitches, toeLengthMm, toeTeeth } from './zones';

const handSaw = (change: Partial<SawOf<'hand'>>): SawOf<'hand'> => ({
  family: 'hand',
  name: 'A panel saw',
  marksOnIt: '',
  convention: 'points',
  plateThicknessMm: 0.8,
  pitchMm: 3,
  toothLineMm: 600,
  plateDepthHeelMm: 150,
  plateDepthToeMm: 90,
  filing: 'rip',
  backFixing: 'none',
  ...change,
});

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

describe('teeth at the toe of a straight saw', () => {
  const toe = [{ teeth: 4, pitchFromMm: 1, pitchToMm: 1, relaxFromDeg: 10, relaxToDeg: 10 }];
  it('by hand: after ten teeth of 2 mm four of 1, the space between them still 2', () => {
    expect(toeLengthMm(2, toe)).toBe(2 + 3);
    expect(toeTeeth(toe)).toBe(4);
    const place = placeInPitches(14, 2, toe);
    expect([1, 10, 11, 14, 15].map(place)).toEqual([1, 10, 11, 12.5, 13]);
  });
  it('a line without them counts by its teeth', () => expect(placeInPitches(9, 2)(7)).toBe(7));
  it('a saw’s teeth are counted with them, and their places run from the teeth told where few are read', () => {
    const saw = handSaw({ toothLineMm: 9 * 2 + 5, pitchMm: 2, toeZones: toe });
    expect(teethOf(saw)).toBe(14);
    expect(placesOn(saw, 6)(11)).toBe(11);
    expect(placesOn(saw, 15)(12)).toBe(12);
  });
  it('refuses a toe as long as the line', () => expect(() => lineZones(5, 2, 0, toe)).toThrowError(RangeError));
  it('a toe longer than half of the line is said to be a slip', () =>
    expect(sawFaults(handSaw({ toothLineMm: 9, pitchMm: 2, toeZones: toe })).map((f) => f.path)).toContain([
      'toeZones',
    ]));
});
