import { toothFor, toothHeightMm } from '../file/flank-angles';
import { pitchMmFromCount } from '../units/points';
import { setBalance } from './set-balance';
import { woodFacts } from '../saw/woods';
import { familySet } from './family-set';
import { filingsUntilReset, RESET_BELOW_SHARE, setLeftMm } from './set-wear';
import { stoningOrder } from './stoning';

const side = (meanMm: number, spreadMm: number | null = 0.004, count = 8) => ({ meanMm, spreadMm, count });

describe('set, kerf and balance (geometry section 6)', () => {
  // Common practice, no source: fine back saws 2 to 3 thou, hand saws about 5 (trade section 8).
  it('asks for 2 to 3 thou on back saws, about 5 on hand saws', () => {
    for (const wood of ['dry-hard', 'dry-soft', 'green'] as const) {
      const thou = familySet('back', woodFacts(wood), 'ordinary', 0.5).perSideMm / 0.0254;
      expect(thou).toBeGreaterThanOrEqual(2 - 1e-9);
      expect(thou).toBeLessThanOrEqual(3 + 1e-9);
    }
    const woods = (['dry-hard', 'dry-soft', 'green'] as const).map(
      (wood) => familySet('hand', woodFacts(wood), 'ordinary', 0.9).perSideMm / 0.0254,
    );
    // About five, less in hard wood and more in wet.
    woods.forEach((thou) => expect(Math.abs(thou - 5)).toBeLessThanOrEqual(2 + 1e-9));
    expect([...woods].sort((a, b) => a - b)).toEqual(woods);
  });
  it('kerf is the plate and both sides; never above half the plate per side', () => {
    const target = familySet('hand', woodFacts('dry-soft'), 'ordinary', 0.9);
    expect(target.kerfMm).toBeCloseTo(0.9 + 2 * target.perSideMm, 12);
    expect(familySet('hand', woodFacts('green'), 'ordinary', 0.2)).toEqual(
      jasmine.objectContaining({ perSideMm: 0.1, limitedByPlate: true }),
    );
  });
  it('shrinks as the tips are filed: 69, 54, 39 % by the hinge, 48, 29, 15 % by the arc', () => {
    const height = toothHeightMm(25.4 / 15, toothFor(0, 0));
    expect(height).toBeCloseTo(0.978, 3);
    const left = (filed: number, bend: 'hinge' | 'arc'): number => Math.round(100 * setLeftMm(1, filed, height, bend));
    expect([0.1, 0.15, 0.2].map((f) => left(f, 'hinge'))).toEqual([69, 54, 39]);
    expect([0.1, 0.15, 0.2].map((f) => left(f, 'arc'))).toEqual([48, 29, 15]);
    // Common practice, no source: set lasts three or four filings.
    const visits = [1, 2, 3, 4].map((n) => setLeftMm(0.06, n * 0.05, height, 'hinge') < RESET_BELOW_SHARE * 0.06);
    expect(visits).toEqual([false, false, true, true]);
    expect(pitchMmFromCount(16, 'points')).toBeCloseTo(25.4 / 15, 12);
  });
  // Common practice, no source: set lasts three or four filings on a 15-point rip tooth, 0.978 mm high.
  it('lasts three or four filings of 0.05, and no more than the shop leaves it', () => {
    expect(filingsUntilReset(0.06, 0.06, 0.05, 0.978)).toBe(3);
    expect(filingsUntilReset(0.07, 0.06, 0.05, 0.978)).toBe(4);
    expect(filingsUntilReset(0.02, 0.06, 0.05, 0.978)).toBe(0);
    expect(filingsUntilReset(0.07, 0.06, 0.05, 0.978, { most: 2 })).toBe(2);
    expect(filingsUntilReset(0.06, 0.06, 0.05, 0.978, { leastShare: 0 })).toBe(7);
    expect(() => filingsUntilReset(0.06, 0.06, 0, 1)).toThrowError(RangeError);
  });
  it('runs towards the side with more set, certain only beyond its error', () => {
    expect(setBalance(side(0.08), side(0.05))).toEqual(jasmine.objectContaining({ runsTo: 'left', certain: true }));
    expect(setBalance(side(0.05), side(0.08)).runsTo).toBe('right');
    expect(setBalance(side(0.052), side(0.05)).runsTo).toBe('true');
    expect(setBalance(side(0.08, 0.05, 3), side(0.05, 0.05, 3)).certain).toBeFalse();
    expect(setBalance(side(0.08, null, 1), side(0.05)).errorMm).toBeNull();
  });
  it('stones the side it runs to, a few light passes, then cuts again', () => {
    const heavy = setBalance(side(0.08), side(0.05));
    expect(stoningOrder(heavy, 'left', 0)).toEqual(jasmine.objectContaining({ side: 'left', passes: 3 }));
    const even = setBalance(side(0.05), side(0.05));
    expect(stoningOrder(even, 'right', 0)).toEqual(jasmine.objectContaining({ side: 'right', passes: 1 }));
    expect(stoningOrder(even, 'true', 0.009)).toEqual(jasmine.objectContaining({ side: 'both', passes: 2 }));
    expect(stoningOrder(even, 'true', 0).side).toBe('none');
  });
});
