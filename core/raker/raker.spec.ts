import fc from 'fast-check';
import type { Tip } from '../line/joint-line';
import type { ToothRole } from '../saw/tooth-pattern';
import { parsePattern, rolesAlong } from '../saw/tooth-pattern';
import { rakerDepths } from './raker-depth';
import { planRakers, SWAGE_ALLOWANCE_MM } from './raker-plan';
import { rakerGullet, rakerTarget, tipHolds } from './raker-target';

const roles = (n: number, text = 'CCR', offset = 0): ToothRole[] => {
  const read = parsePattern(text);
  return read.ok ? rolesAlong(read.roles, n, offset) : [];
};
const tips = (n: number, height: (x: number, i: number) => number): (Tip & { tooth: number })[] =>
  Array.from({ length: n }, (_, i) => ({ tooth: i + 1, xMm: i * 8, yMm: height(i * 8, i) }));
const level = (): number => 0;
const rate = { rateMmPerStroke: 0.03, errorMmPerStroke: 0.003, readings: 9 };

describe('rakers against their cutters', () => {
  it('by hand: rakers 0.3 under a level line of cutters', () => {
    const kinds = roles(9);
    const found = rakerDepths(
      tips(9, (_, i) => (kinds[i] === 'raker' ? -0.3 : 0)),
      kinds,
      level,
    );
    expect(found.map((f) => f.tooth)).toEqual([3, 6, 9]);
    found.forEach((f) => expect(f.depthMm).toBeCloseTo(0.3, 12));
    expect(found.map((f) => f.atEnd)).toEqual([false, false, true]);
  });
  it('is measured on the line through its own two cutters, however the saw lies', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.02, max: 0.02, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (b, a) => {
          const kinds = roles(12);
          const lie = (x: number): number => a + b * x;
          const flat = rakerDepths(
            tips(12, (_, i) => (kinds[i] === 'raker' ? -0.25 - 0.01 * i : 0)),
            kinds,
            level,
          );
          const tilted = tips(12, (x, i) => lie(x) + (kinds[i] === 'raker' ? -0.25 - 0.01 * i : 0));
          rakerDepths(tilted, kinds, lie).forEach((f, k) =>
            expect(f.depthMm).toBeCloseTo(flat[k]?.depthMm as number, 9),
          );
        },
      ),
    );
  });
  it('on a breasted saw every raker is held against the arc, those at the ends too', () => {
    const radius = 5000;
    const kinds = roles(182, 'CCCCR', 4);
    const arc = (x: number): number => Math.sqrt(radius ** 2 - (x - 724) ** 2) - radius;
    const found = rakerDepths(
      tips(182, (x, i) => arc(x) - (kinds[i] === 'raker' ? 0.38 : 0)),
      kinds,
      arc,
    );
    expect(found.filter((f) => f.atEnd).map((f) => f.tooth)).toEqual([1]);
    found.forEach((f) => expect(f.depthMm).toBeCloseTo(0.38, 9));
  });
  it('between its cutters that is the chord and the crown s² / 2R over it', () => {
    const radius = 1800;
    const kinds = roles(31, 'CCCCR', 2);
    const arc = (x: number): number => -((x - 120) ** 2) / (2 * radius);
    const teeth = tips(31, (x, i) => arc(x) - (kinds[i] === 'raker' ? 0.38 : 0));
    const flat = rakerDepths(teeth, kinds, level).filter((f) => !f.atEnd);
    const round = rakerDepths(teeth, kinds, arc).filter((f) => !f.atEnd);
    round.forEach((f, k) => expect(f.depthMm - (flat[k]?.depthMm as number)).toBeCloseTo(8 ** 2 / (2 * radius), 9));
  });
  it('with no cutter at all it is measured from the joint line', () =>
    expect(
      rakerDepths(
        tips(2, () => -0.2),
        ['raker', 'raker'],
        (x) => 0.01 * x,
      )[1]?.depthMm,
    ).toBeCloseTo(0.28, 12));
  it('wants a role for every tooth', () =>
    expect(() =>
      rakerDepths(
        tips(3, () => 0),
        [],
        level,
      ),
    ).toThrowError());
});

describe('what rakers are filed to', () => {
  // Common practice, no source (geometry section 7): about 0.18 mm on a small buck saw, 0.38 on one- and two-man saws.
  it('0.18 mm on a buck saw, 0.38 on long saws, more in green wood', () => {
    expect(rakerTarget('buck', 'dry-soft').depthMm).toBeCloseTo(0.18, 2);
    expect(rakerTarget('two-man', 'dry-soft').depthMm).toBeCloseTo(0.38, 2);
    expect(rakerTarget('one-man', 'green').depthMm).toBeGreaterThan(rakerTarget('one-man', 'dry-soft').depthMm);
  });
  // From memory of government crosscut manuals: rakers of hardwood saws are set shallower than those for green softwood.
  it('shallower for hard dry wood', () =>
    expect(rakerTarget('two-man', 'dry-hard').depthMm).toBeLessThan(rakerTarget('two-man', 'dry-soft').depthMm));
  it('by hand: a raker 6 wide with a tip of 25 degrees wants a gullet of 6.43; a wide one a deeper', () => {
    expect(rakerGullet(6, 25, 0).depthMm).toBeCloseTo(6.434, 3);
    expect(rakerGullet(9, 25, 0).depthMm).toBeGreaterThan(rakerGullet(6, 25, 0).depthMm);
    expect(rakerGullet(6, 25, 5).depthMm).toBeCloseTo(3 / Math.tan(Math.PI / 6), 12);
    expect([19, 20, 25, 30, 31].map(tipHolds)).toEqual([false, true, true, true, false]);
    expect(() => rakerGullet(0, 25, 0)).toThrowError(RangeError);
    expect(() => rakerGullet(6, 80, 10)).toThrowError(RangeError);
  });
  it('the tip angle of a drawn raker is what was asked for', () => {
    // Outer face from (0, 0) leaning o outwards as it goes down, inner face from (0, 0) to the gullet's bottom at w/2.
    const { depthMm } = rakerGullet(7, 24, 6);
    const inner = Math.atan2(3.5, depthMm);
    expect((inner * 180) / Math.PI - 6).toBeCloseTo(24, 9);
  });
});

describe('the plan of the rakers', () => {
  const depth = (tooth: number, depthMm: number) => ({ index: tooth - 1, tooth, depthMm, atEnd: tooth === 3 });
  it('by hand: wanted 0.38, stands at 0.1: 0.28 off, seven strokes that cannot overshoot', () => {
    const plan = planRakers([depth(3, 0.1)], 0.38, rate);
    expect(plan.filings[0]).toEqual(jasmine.objectContaining({ strokes: 7, step: 'file-to-depth' }));
    expect(plan.filings[0]?.offMm).toBeCloseTo(0.28, 12);
    expect(plan.endRakers).toEqual([3]);
  });
  it('names those too low, the lowest first, and what the cutters would have to give', () => {
    const plan = planRakers([depth(6, 0.41), depth(9, 0.6), depth(12, 0.38)], 0.38, rate);
    expect(plan.tooLow.map((t) => t.tooth)).toEqual([9, 6]);
    expect(plan.cuttersDownMm).toBeCloseTo(0.22, 12);
    expect(plan.filings.every((f) => f.step === 'none' && f.strokes === 0)).toBeTrue();
    expect(plan.spreadMm).toBeCloseTo(0.22, 12);
  });
  it('a swaged tip is filed thin and left high for the hammer', () => {
    const plan = planRakers([depth(6, -0.6)], 0.38, rate, 'swaged');
    expect(plan.filings[0]?.step).toBe('file-thin');
    expect(plan.filings[0]?.offMm).toBeCloseTo(0.98 - SWAGE_ALLOWANCE_MM, 12);
  });
  it('never more strokes than reach the depth at the upper end of the rate', () => {
    fc.assert(
      fc.property(fc.double({ min: -0.5, max: 0.8, noNaN: true }), (stands) => {
        const [one] = planRakers([depth(6, stands)], 0.38, rate).filings;
        expect((one?.strokes ?? 9) * 0.036).toBeLessThanOrEqual(Math.max(0, 0.38 - stands) + 1e-9);
      }),
    );
  });
  it('refuses rakers above the cutters', () => expect(() => planRakers([], -0.1, rate)).toThrowError(RangeError));
});
