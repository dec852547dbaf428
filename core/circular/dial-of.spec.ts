import fc from 'fast-check';
import type { PlaceEstimate } from '../evidence/estimates';
import { ordinarySaw } from '../saw/ordinary-saws';
import type { Saw } from '../saw/saw';
import { dialOf, dialReadings } from './dial-of';
import { BELOW_SCORERS_MM } from './equalise';

const combination = (pattern?: string): Saw => {
  const saw = ordinarySaw('blade-combination');
  if (saw.family !== 'circular') throw new Error('The combination blade is a circular saw.');
  const { pattern: _own, ...plain } = saw;
  return pattern === undefined ? plain : { ...plain, pattern };
};
const TEETH = 50;
/** A blade of CCCCR out of round by so much, its rakers a 64th of an inch low. */
const read = (outMm: number, phase: number, brokenAt = 0): PlaceEstimate[] =>
  Array.from({ length: TEETH }, (_, i) => ({
    place: i + 1,
    valueMm:
      outMm * Math.cos((2 * Math.PI * i) / TEETH - phase) -
      (i % 5 === 4 ? BELOW_SCORERS_MM : 0) -
      (i + 1 === brokenAt ? 2 : 0),
    errorMm: 0.005,
    count: 1,
  }));
const rakers = (saw: Saw, estimates: PlaceEstimate[]): number[] =>
  dialReadings(saw, estimates, TEETH)
    .filter((r) => r.kind === 'raker')
    .map((r) => r.tooth);
const EVERY_FIFTH = Array.from({ length: 10 }, (_, i) => 5 * i + 5);

describe('the dial round a combination blade', () => {
  it('tells rakers by the pattern, or by the gap of their heights where none was told', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.15, noNaN: true }),
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        (outMm, phase) => {
          expect(rakers(combination('CCCCR'), read(outMm, phase))).toEqual(EVERY_FIFTH);
          expect(rakers(combination(), read(outMm, phase))).toEqual(EVERY_FIFTH);
        },
      ),
    );
  });
  it('fits the circle through the scorers alone: rakers in the fit would fake a blade out of round', () => {
    const split = dialOf(combination('CCCCR'), read(0.1, 1.2), TEETH);
    expect(split?.eccentricityMm).toBeCloseTo(0.1, 9);
    expect(dialOf(combination(), read(0.1, 1.2), TEETH)?.eccentricityMm).toBeCloseTo(0.1, 9);
  });
  it('a rip blade has no rakers; a broken tooth is not fitted; too few readings tell nothing', () => {
    expect(rakers(ordinarySaw('blade-rip'), read(0.1, 0))).toEqual([]);
    const broken = dialOf(combination(), read(0.05, 0.4, 12), TEETH);
    expect(broken?.eccentricityMm).toBeCloseTo(0.05, 6);
    expect(dialOf(combination(), read(0.1, 0).slice(0, 5), TEETH)).toBeNull();
  });
});
