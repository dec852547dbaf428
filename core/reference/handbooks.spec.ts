/**
 * Checks against printed sources and reference data sets, each named at its case.
 * "From memory" stands where the figure was recalled, not looked up.
 */
import { addReading, fitRate, NO_READINGS } from '../calibration/proportional-fit';
import { addPair, fitStraight, NO_PAIRS } from '../calibration/straight-fit';
import { rimSpeed } from '../circular/blade-geometry';
import { breastRadiusMm, sagittaMm } from '../line/sagitta';
import { rakerTarget } from '../raker/raker-target';
import { countFromPitchMm, pitchMmFromCount } from '../units/points';
import { familySet } from '../set/family-set';
import { normalBelow } from '../set/drift';

const fitOf = (x: readonly number[], y: readonly number[]) =>
  fitRate(
    x.reduce((sums, v, i) => addReading(sums, v, y[i] as number), NO_READINGS),
    { rate: 1, error: 1 },
  );

describe('handbooks, manuals and reference data', () => {
  // NIST Statistical Reference Datasets, linear regression, "NoInt1": certified values, from memory.
  it('NoInt1: slope 2.07438016528926, its standard deviation 0.0165289256, residual 3.56753034006338', () => {
    const x = Array.from({ length: 11 }, (_, i) => 60 + i);
    const fit = fitOf(
      x,
      x.map((v) => v + 70),
    );
    expect(fit.rate).toBeCloseTo(2.07438016528926, 12);
    expect(fit.error).toBeCloseTo(0.0165289256198347, 12);
    expect(fit.scatter).toBeCloseTo(3.56753034006338, 10);
  });
  // NIST Statistical Reference Datasets, "NoInt2": certified values, from memory.
  it('NoInt2: slope 0.727272727272727, its standard deviation 0.0420827318, residual 0.369274472937998', () => {
    const fit = fitOf([4, 5, 6], [3, 4, 4]);
    expect(fit.rate).toBeCloseTo(0.727272727272727, 12);
    expect(fit.error).toBeCloseTo(0.0420827318078432, 10);
    expect(fit.scatter).toBeCloseTo(0.369274472937998, 10);
  });
  // Anscombe, "Graphs in statistical analysis", The American Statistician 27 (1973), first set: y = 3.00 + 0.500 x.
  it('Anscombe’s first set: intercept 3.00, slope 0.500', () => {
    const x = [10, 8, 13, 9, 11, 14, 6, 4, 12, 7, 5];
    const y = [8.04, 6.95, 7.58, 8.81, 8.33, 9.96, 7.24, 4.26, 10.84, 4.82, 5.68];
    const fit = fitStraight(x.reduce((sums, v, i) => addPair(sums, v, y[i] as number), NO_PAIRS));
    expect(fit?.intercept).toBeCloseTo(3.0, 2);
    expect(fit?.slope).toBeCloseTo(0.5, 3);
    expect(fit?.scatter).toBeCloseTo(1.237, 3);
  });
  // Engineers' handbooks, table of segments of circles for radius 1, from memory: 60 degrees has chord 1.0000, height 0.13397.
  it('segments of circles: 60 degrees, chord 1.0000, height 0.13397; 90 degrees, 1.4142 and 0.29289', () => {
    expect(sagittaMm(1, 1)).toBeCloseTo(0.13397, 5);
    expect(sagittaMm(Math.SQRT2, 1)).toBeCloseTo(0.29289, 5);
    expect(breastRadiusMm(1, 0.1339746)).toBeCloseTo(1, 5);
  });
  // Tables of the normal distribution in any statistics handbook, from memory.
  it('normal distribution: 1.2816, 1.6449, 2.3263 leave 10, 5 and 1 % above', () =>
    [
      [1.2816, 0.9],
      [1.6449, 0.95],
      [2.3263, 0.99],
    ].forEach(([z, share]) => expect(normalBelow(z as number)).toBeCloseTo(share as number, 4)));
  // Surface speeds in engineers' handbooks, from memory: 12 in at 3,000 a minute is 9,425 feet a minute.
  it('surface speed: 12 inches at 3,000 a minute is 9,425 feet a minute', () => {
    const speed = rimSpeed(304.8, 3000, 5000);
    expect((speed.metresPerSecond * 60) / 0.3048).toBeCloseTo(9424.8, 1);
  });
  // Hand-tool manuals, from memory: 8 points to the inch are 7 teeth; 5 1/2 points are 4 1/2.
  it('points are one more than teeth to the inch', () => {
    expect(countFromPitchMm(pitchMmFromCount(8, 'points'), 'teeth')).toBeCloseTo(7, 12);
    expect(countFromPitchMm(pitchMmFromCount(5.5, 'points'), 'teeth')).toBeCloseTo(4.5, 12);
  });
  // A United States Forest Service manual on crosscut saws (1977), from memory: rakers from about 0.008 inch below the
  // cutters in hard dry wood to about 0.030 in soft green wood; set from about 0.005 to 0.020 inch a side.
  it('rakers and set of long crosscut saws lie where a government manual puts them', () => {
    for (const wood of ['dry-hard', 'dry-soft', 'green'] as const) {
      const inches = rakerTarget('two-man', wood).depthMm / 25.4;
      expect(inches).toBeGreaterThanOrEqual(0.008);
      expect(inches).toBeLessThanOrEqual(0.03);
    }
    for (const [moisture, timber] of [
      ['dry', 'hard'],
      ['green', 'soft'],
    ] as const) {
      const inches = familySet('crosscut', { moisture, timber }, 'ordinary', 1.8).perSideMm / 25.4;
      expect(inches).toBeGreaterThanOrEqual(0.005);
      expect(inches).toBeLessThanOrEqual(0.02);
    }
  });
});
