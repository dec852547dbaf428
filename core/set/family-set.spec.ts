import fc from 'fast-check';
import { cumulativeStdNormalProbability } from 'simple-statistics';
import { FAMILIES, MOISTURES, TIMBERS } from '../saw/all-families';
import { estimateDrift, normalBelow } from './drift';
import { familySet, USES } from './family-set';

const side = (meanMm: number, spreadMm: number | null = 0.004, count = 10) => ({ meanMm, spreadMm, count });

describe('set for every family and wood', () => {
  // Common practice, no source (trade section 8).
  it('2 to 3 thou on back saws, about 5 on hand saws', () => {
    for (const moisture of MOISTURES)
      for (const timber of TIMBERS)
        for (const use of USES) {
          const thou = familySet('back', { moisture, timber }, use, 0.6).perSideMm / 0.0254;
          expect(thou).toBeGreaterThanOrEqual(2 - 1e-9);
          expect(thou).toBeLessThanOrEqual(3 + 1e-9);
        }
    expect(familySet('hand', { moisture: 'dry', timber: 'medium' }, 'ordinary', 0.9).perSideMm / 0.0254).toBeCloseTo(
      5,
      9,
    );
  });
  it('by hand: crosscut, soft green wood: 14.49 thou', () =>
    expect(
      familySet('crosscut', { moisture: 'green', timber: 'soft' }, 'ordinary', 1.8).perSideMm / 0.0254,
    ).toBeCloseTo(14.49, 9));
  it('more for wet or soft wood, less for dry and hard, never above half the plate; kerf is plate and both', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FAMILIES),
        fc.constantFrom(...USES),
        fc.double({ min: 0.2, max: 3, noNaN: true }),
        (f, use, t) => {
          const at = (moisture: (typeof MOISTURES)[number], timber: (typeof TIMBERS)[number]) =>
            familySet(f, { moisture, timber }, use, t);
          expect(at('green', 'medium').perSideMm).toBeGreaterThanOrEqual(at('dry', 'medium').perSideMm);
          expect(at('dry', 'soft').perSideMm).toBeGreaterThanOrEqual(at('dry', 'hard').perSideMm);
          const one = at('green', 'soft');
          expect(one.perSideMm).toBeLessThanOrEqual(t / 2 + 1e-12);
          expect(one.kerfMm).toBeCloseTo(t + 2 * one.perSideMm, 12);
          expect(one.limitedByPlate).toBe(one.perSideMm === t / 2);
        },
      ),
    );
  });
  it('refuses a plate of nothing', () =>
    expect(() => familySet('back', { moisture: 'dry', timber: 'hard' }, 'fine', 0)).toThrowError(RangeError));
});

describe('drift', () => {
  it('to the side with more set, with the chance a statistics library gives', () => {
    expect(estimateDrift(side(0.06), side(0.05), 1, 1).runsTo).toBe('true');
    const drift = estimateDrift(side(0.064, 0.02), side(0.05, 0.02), 1, 1);
    expect(drift).toEqual(jasmine.objectContaining({ runsTo: 'left', by: 'set' }));
    const error = Math.sqrt((2 * 0.02 ** 2) / 10);
    expect(drift.setErrorMm).toBeCloseTo(error, 12);
    expect(Math.abs((drift.chance as number) - cumulativeStdNormalProbability(0.014 / error))).toBeLessThan(2e-3);
  });
  it('with even set, to the side that carries more', () => {
    expect(estimateDrift(side(0.05), side(0.05), 3, 2).runsTo).toBe('left');
    expect(estimateDrift(side(0.05), side(0.05), 2, 3).runsTo).toBe('right');
    expect(estimateDrift(side(0.05), side(0.05), 0, 0).loadDifference).toBe(0);
  });
  it('never says a side with the chance of the other: what the load decides has none', () => {
    const drift = estimateDrift(side(0.06), side(0.05), 2, 3);
    expect(drift).toEqual(jasmine.objectContaining({ runsTo: 'right', by: 'load', chance: null }));
    expect(estimateDrift(side(0.06), side(0.05), 1, 1)).toEqual(
      jasmine.objectContaining({ runsTo: 'true', by: null, chance: null }),
    );
  });
  it('says nothing of chances from one reading a side', () =>
    expect(estimateDrift(side(0.09, null, 1), side(0.05), 1, 1).chance).toBeNull());
  it('the normal distribution: 1.96 errors is 97.5 %', () => {
    expect(normalBelow(1.959964)).toBeCloseTo(0.975, 6);
    expect(normalBelow(0)).toBeCloseTo(0.5, 7);
    expect(normalBelow(-1) + normalBelow(1)).toBeCloseTo(1, 12);
  });
});
