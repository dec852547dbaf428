import fc from 'fast-check';
import type { FiledTooth } from '../file/flank-angles';
import { toothFor, toothHeightMm } from '../file/flank-angles';
import { pitchMmFromCount } from '../units/points';
import { conversionLossMm, convertTeeth } from './conversion';
import { highestTipMm, retooth } from './retooth';

const RIP = { rakeDeg: 0, fleamDeg: 0 };
const CROSS = { rakeDeg: -16.47, fleamDeg: 25 };
const angles = fc.record({
  rakeDeg: fc.double({ min: -25, max: 5, noNaN: true }),
  fleamDeg: fc.double({ min: 0, max: 30, noNaN: true }),
});

const wholeAngles = fc.record({ rakeDeg: fc.integer({ min: -25, max: 5 }), fleamDeg: fc.integer({ min: 0, max: 30 }) });

/** Whether metal stands at (x, y) in an old line of pitch p, tips at height 0, over full plate. */
function metalAt(x: number, y: number, old: FiledTooth, p: number): boolean {
  if (y > 0) return false;
  const h = toothHeightMm(p, old);
  if (y <= -h) return true;
  for (const k of [Math.floor(x / p) - 1, Math.floor(x / p), Math.floor(x / p) + 1, Math.floor(x / p) + 2])
    if (x <= k * p - y * old.tanFace + 1e-9 && x >= k * p + y * old.tanBack - 1e-9) return true;
  return false;
}

/** Highest wedge inside the old metal, tip at x, found by lowering it in small steps and looking along its flanks. */
function highestByLooking(x: number, old: FiledTooth, p: number, wanted: FiledTooth): number {
  const h = toothHeightMm(p, old);
  for (let level = 0; level > -h; level -= h / 400) {
    let clear = true;
    for (let down = 0; down <= 200 && clear; down++) {
      const y = level - ((level + h) * down) / 200;
      const [from, to] = [x - (level - y) * wanted.tanBack, x + (level - y) * wanted.tanFace];
      for (let s = 0; s <= 20 && clear; s++) clear = metalAt(from + ((to - from) * s) / 20, y, old, p);
    }
    if (clear) return level;
  }
  return -h;
}

describe('rip to crosscut and back', () => {
  it('by hand: crosscut to rip at 1 mm of pitch loses 0.22 mm, rip to crosscut 0.08', () => {
    const [rip, cross] = [toothFor(0, 0), toothFor(CROSS.rakeDeg, CROSS.fleamDeg)];
    // 0.7148 x 0.6288 / (1.7321 + 0.2956) and 0.5774 x 0.2956 / (1.3990 + 0.6288).
    expect(conversionLossMm(cross, rip, 1)).toBeCloseTo(0.2217, 3);
    expect(conversionLossMm(rip, cross, 1)).toBeCloseTo(0.0842, 3);
    expect(conversionLossMm(rip, rip, 1)).toBe(0);
  });
  it('the new tooth fits the old metal and no higher one does, by looking', () => {
    fc.assert(
      fc.property(angles, angles, (a, b) => {
        const [old, wanted] = [toothFor(a.rakeDeg, a.fleamDeg), toothFor(b.rakeDeg, b.fleamDeg)];
        const loss = conversionLossMm(old, wanted, 2);
        let best = -Infinity;
        for (let x = -0.6; x <= 0.6; x += 0.02) best = Math.max(best, highestByLooking(x, old, 2, wanted));
        expect(Math.abs(best + loss)).toBeLessThan(0.04);
      }),
      { numRuns: 12 },
    );
  });
  it('a touch-up of the top third costs a third', () => {
    const [rip, cross] = [toothFor(0, 0), toothFor(CROSS.rakeDeg, CROSS.fleamDeg)];
    expect(conversionLossMm(cross, rip, 3, 1 / 3)).toBeCloseTo(conversionLossMm(cross, rip, 3) / 3, 12);
  });
  it('what is left is the old height less the loss; the gullets go deeper by what the new tooth lacks', () => {
    const back = convertTeeth(CROSS, RIP, pitchMmFromCount(11, 'points'), 0.05);
    expect(back.heightLeftMm).toBeCloseTo(
      toothHeightMm(2.54, toothFor(CROSS.rakeDeg, CROSS.fleamDeg)) - back.lossMm,
      12,
    );
    expect(back.sharpenings).toBeCloseTo(back.lossMm / 0.05, 12);
    expect(back.gulletsDeeperMm).toBeCloseTo(back.newHeightMm - back.heightLeftMm, 12);
    expect(convertTeeth(CROSS, CROSS, 2.54, 0.05).gulletsDeeperMm).toBe(0);
  });
});

describe('another pitch', () => {
  const rip = toothFor(0, 0);
  it('the same pitch, or one a whole number of times as coarse, loses nothing', () => {
    expect(retooth(rip, 2, rip, 2, 200).lossMm).toBeCloseTo(0, 9);
    const coarser = retooth(rip, 2, rip, 4, 200);
    expect(coarser.lossMm).toBeCloseTo(0, 9);
    expect(coarser.gulletsDeeperMm).toBeCloseTo(toothHeightMm(4, rip) - toothHeightMm(2, rip), 9);
    expect(coarser.newTeeth).toBe(51);
  });
  it('an odd pitch loses nearly the whole old tooth, never more', () => {
    const { lossMm } = retooth(rip, 2, rip, 2.713, 300);
    expect(lossMm).toBeGreaterThan(0.97 * toothHeightMm(2, rip));
    expect(lossMm).toBeLessThanOrEqual(toothHeightMm(2, rip));
  });
  it('where a new tip can stand is what looking finds', () => {
    fc.assert(
      fc.property(wholeAngles, wholeAngles, fc.integer({ min: -200, max: 400 }), (a, b, at) => {
        // Off the tips themselves, where an upright face drops from full height to nothing.
        const x = at / 100 + 0.0037;
        const [old, wanted] = [toothFor(a.rakeDeg, a.fleamDeg), toothFor(b.rakeDeg, b.fleamDeg)];
        const [ours, looked] = [highestTipMm(x, old, 2, wanted), highestByLooking(x, old, 2, wanted)];
        // Looking goes in steps, and a nearly upright flank makes much of them.
        expect(Math.abs(ours - looked)).toBeLessThan(0.05);
      }),
      { numRuns: 60 },
    );
  });
  it('refuses a pitch that does not fit', () => expect(() => retooth(rip, 2, rip, 0, 100)).toThrowError(RangeError));
});
