import fc from 'fast-check';
import { cumulativeStdNormalProbability } from 'simple-statistics';
import { FAMILIES, MOISTURES, TIMBERS } from '../saw/all-families';
import { estimateDrift, normalBelow } from './drift';
import { familySet, USES } from './family-set';
import { filingsUntilReset, fitSetWear } from './fit-set-wear';
import { bentLengthMm, setLeftMm } from './set-wear';

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

describe('how one saw’s set wears, from its own history', () => {
  it('finds the bend and its length again from made visits', () => {
    for (const bend of ['hinge', 'arc'] as const) {
      for (const bent of [0.25, 0.4, 0.7]) {
        const visits = [0.05, 0.1, 0.15, 0.2].map((filedMm) => ({
          filedMm,
          setMm: setLeftMm(0.06, filedMm, bent * 3, bend),
        }));
        const fit = fitSetWear(0.06, visits, 1);
        expect(fit.bend).toBe(bend);
        expect(fit.bentMm).toBeCloseTo(bent, 6);
        expect(fit.scatterMm).toBeLessThan(1e-6);
      }
    }
  });
  it('no length nearby fits better, on scattered readings', () => {
    const visits = [0.05, 0.1, 0.15].map((filedMm, i) => ({ filedMm, setMm: [0.05, 0.036, 0.031][i] as number }));
    const fit = fitSetWear(0.06, visits, 1);
    const squares = (l: number): number =>
      visits.reduce((s, v) => s + (v.setMm - setLeftMm(0.06, v.filedMm, l * 3, fit.bend)) ** 2, 0);
    for (let l = 0.1; l < 1.5; l += 0.001) expect(squares(l)).toBeGreaterThanOrEqual(squares(fit.bentMm) - 1e-12);
  });
  it('before any visit it is a third of the tooth', () =>
    expect(fitSetWear(0.06, [{ filedMm: 0, setMm: 0.06 }], 0.978)).toEqual({
      bentMm: bentLengthMm(0.978),
      bend: 'hinge',
      scatterMm: 0,
      readings: 0,
    }));
  // Common practice, no source: set lasts three or four filings on a 15-tooth rip saw, 0.978 mm high.
  it('lasts three or four filings of 0.05', () => {
    expect(filingsUntilReset(0.06, 0.06, 0.05, 0.978)).toBe(3);
    expect(filingsUntilReset(0.07, 0.06, 0.05, 0.978)).toBe(4);
    expect(filingsUntilReset(0.02, 0.06, 0.05, 0.978)).toBe(0);
    expect(() => filingsUntilReset(0.06, 0.06, 0, 1)).toThrowError(RangeError);
  });
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
