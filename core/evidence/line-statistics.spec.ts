import { linearRegression, sampleStandardDeviation } from 'simple-statistics';
import { sagittaMm } from '../line/sagitta';
import { lineStatistics, meanAndSpread, setOfLine } from './line-statistics';
import type { ToothReading } from './tooth-reading';

const line = (n: number, y: (x: number) => number): ToothReading[] =>
  Array.from({ length: n }, (_, i) => ({
    tooth: i + 1,
    xMm: i * 2.5 + 0.1 * Math.sin(i),
    yMm: y(i * 2.5),
    kind: 'tooth',
  }));

describe('places', () => {
  const line = (off: number) =>
    lineStatistics(
      Array.from({ length: 40 }, (_, i) => ({
        tooth: i + 1,
        xMm: i * 1.5875 + (i === 7 ? off : 0),
        yMm: 0,
        kind: 'tooth' as const,
      })),
    );
  it('filled in by the pitch are not said to be even', () => expect(line(0)?.placesMeasured).toBeFalse());
  it('keyed to a hundredth are measured', () => expect(line(0.01)?.placesMeasured).toBeTrue());
});

describe('lineStatistics', () => {
  it('fits the pitch as a statistics library does', () => {
    const readings = line(50, (x) => 0.01 * Math.cos(x));
    const reference = linearRegression(readings.map((r) => [r.tooth, r.xMm])).m;
    expect(lineStatistics(readings)?.pitchMm).toBeCloseTo(reference, 10);
  });

  it('tells a breasted line from a hollow one, in sagitta', () => {
    const length = 99 * 2.5;
    const radius = 4000;
    const crown = sagittaMm(length, radius);
    const arc = (x: number): number => Math.sqrt(radius * radius - (x - length / 2) ** 2) - radius;
    expect(lineStatistics(line(100, arc))?.crownMm).toBeCloseTo(crown, 2);
    expect(lineStatistics(line(100, (x) => -arc(x)))?.crownMm).toBeCloseTo(-crown, 2);
  });

  it('takes set by side, with the sample spread', () => {
    const values = [0.05, 0.06, 0.055, 0.07];
    expect(meanAndSpread(values).spreadMm).toBeCloseTo(sampleStandardDeviation(values), 12);
    const readings = line(4, () => 0).map((r, i) => ({ ...r, setMm: values[i] as number }));
    const statistics = lineStatistics(readings);
    expect(statistics?.setLeft.meanMm).toBeCloseTo(0.0525, 12);
    expect(statistics?.setRight.count).toBe(2);
    expect(setOfLine(readings)?.left).toEqual(statistics?.setLeft);
    expect(setOfLine(readings)?.right).toEqual(statistics?.setRight);
    expect(setOfLine(readings.slice(0, 2))).toBeNull();
  });

  it('has nothing to say below three teeth', () => expect(lineStatistics(line(2, () => 0))).toBeNull());
});
