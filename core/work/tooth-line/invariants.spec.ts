import fc from 'fast-check';
import { toothFor } from '../../file/flank-angles';
import { depthPoint, lowered } from '../../line/depth-curve';
import { evenShape, flatsOn, prepareLine } from '../../line/flats';
import { datumLine } from '../../line/joint-line';
import { gulletFilings } from '../../line/metal';
import { evenSaw, planInputs, randomSaw } from '../../reference/random-saw';
import type { ToothReading } from '../../evidence/tooth-reading';
import { standingTeeth } from '../../evidence/tooth-reading';
import { makeOrder } from './make-order';
import { studyLine } from './study';
import { viewDepth } from './depth-view';

const scaled = (readings: readonly ToothReading[], k: number): ToothReading[] =>
  readings.map((r) => ({
    ...r,
    xMm: r.xMm * k,
    yMm: r.yMm * k,
    setMm: typeof r.setMm === 'number' ? r.setMm * k : r.setMm,
  }));

describe('what must always hold (geometry section 11)', () => {
  it('filing never adds metal: every flank goes back, every tip down', () => {
    fc.assert(
      fc.property(randomSaw(), fc.double({ min: 0.02, max: 0.3, noNaN: true }), ({ readings, pitchMm }, share) => {
        const study = studyLine(planInputs(readings, pitchMm));
        const view = viewDepth(study, Math.min(study.deepestMm, share * pitchMm));
        view.filings.forEach((f) => {
          expect(f.faceMm).toBeGreaterThanOrEqual(0);
          expect(f.backMm).toBeGreaterThanOrEqual(0);
          expect(f.dropMm).toBeGreaterThanOrEqual(0);
        });
        const order = makeOrder(study, view.depthMm);
        const before = new Map(readings.map((r) => [r.tooth, r.yMm]));
        order.targets.forEach((t) => expect(t.yMm).toBeLessThanOrEqual((before.get(t.tooth) as number) + 1e-9));
      }),
      { numRuns: 60 },
    );
  });

  it('deeper jointing never widens the best spacing error nor puts fewer teeth on the line', () => {
    fc.assert(
      fc.property(
        randomSaw(),
        fc.double({ min: -15, max: 0, noNaN: true }),
        fc.double({ min: 0, max: 0.3, noNaN: true }),
        fc.double({ min: 0, max: 0.3, noNaN: true }),
        ({ readings, pitchMm }, rake, a, b) => {
          const prepared = prepareLine(readings, evenShape(pitchMm, toothFor(rake, 0)));
          const datum = datumLine(standingTeeth(readings), 0);
          const [less, more] = [Math.min(a, b), Math.max(a, b)].map((d) => depthPoint(prepared, datum, d * pitchMm));
          expect(more?.worstSpacingMm).toBeLessThanOrEqual((less?.worstSpacingMm as number) + 1e-9);
          expect(more?.reachedShare).toBeGreaterThanOrEqual(less?.reachedShare as number);
        },
      ),
    );
  });

  it('flats nest: one of a deeper line holds that of a shallower', () => {
    fc.assert(
      fc.property(randomSaw(), fc.double({ min: 0.01, max: 0.2, noNaN: true }), ({ readings, pitchMm }, d) => {
        const prepared = prepareLine(readings, evenShape(pitchMm, toothFor(-12, 20)));
        const datum = datumLine(standingTeeth(readings), 0.0003);
        const [less, more] = [flatsOn(lowered(datum, d), prepared), flatsOn(lowered(datum, 2 * d), prepared)];
        less.fromMm.forEach((from, i) => {
          expect(more.fromMm[i]).toBeLessThanOrEqual(from + 1e-9);
          expect(more.toMm[i]).toBeGreaterThanOrEqual((less.toMm[i] as number) - 1e-9);
        });
        expect(pitchMm).toBeGreaterThan(0);
      }),
    );
  });

  it('scaling all lengths scales all answers', () => {
    fc.assert(
      fc.property(randomSaw(40), fc.double({ min: 0.4, max: 2.5, noNaN: true }), ({ readings, pitchMm }, k) => {
        const tooth = toothFor(0, 0);
        const at = (scale: number) => {
          const own = scaled(readings, scale);
          const prepared = prepareLine(own, evenShape(pitchMm * scale, tooth));
          const datum = datumLine(standingTeeth(own), 0);
          const depth = 0.15 * pitchMm * scale;
          const line = lowered(datum, depth);
          const flats = flatsOn(line, prepared);
          const point = depthPoint(prepared, datum, depth);
          const filings = gulletFilings(
            prepared,
            flats.fromMm.map((v, i) => (v + (flats.toMm[i] as number)) / 2),
            flats.on,
            prepared.xMm.map(() => line.alphaMm),
          );
          return { point, most: Math.max(...filings.map((f) => f.dropMm)) };
        };
        const [one, other] = [at(1), at(k)];
        expect(other.point.worstSpacingMm).toBeCloseTo(k * one.point.worstSpacingMm, 7);
        expect(other.point.reachedShare).toBeCloseTo(one.point.reachedShare, 12);
        expect(other.most).toBeCloseTo(k * one.most, 7);
      }),
    );
  });

  it('an even saw gets an empty order: no jointing, no shaping, nothing but a sharpening', () => {
    for (const pitch of [1.2, 2, 4.5]) {
      const study = studyLine(
        planInputs(
          evenSaw(80, pitch).map((r) => ({ ...r, setMm: 0.0635 })),
          pitch,
        ),
      );
      const order = makeOrder(study, study.recommended.depthMm);
      expect([order.work, order.choice.depthMm, order.forecast.cut.metalMm3]).toEqual(['sharpen', 0, 0]);
      expect(order.steps.map((s) => s.kind)).not.toContain('joint');
      expect(order.steps.map((s) => s.kind)).not.toContain('shape');
    }
  });
});
