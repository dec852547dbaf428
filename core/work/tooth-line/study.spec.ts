import fc from 'fast-check';
import { evenSaw, planInputs, randomSaw } from '../../reference/random-saw';
import { DEFAULT_HABITS } from '../habits';
import { viewDepth } from './depth-view';
import { WORK_BOOK } from '../../judgement/work-books';
import { studyLine } from './study';

const bumpy = (height: (i: number) => number, shift: (i: number) => number = () => 0) =>
  evenSaw(60, 2).map((r, i) => ({ ...r, yMm: height(i), xMm: r.xMm + shift(i) }));

describe('the study of a line', () => {
  const LEVEL_ENOUGH_MM = WORK_BOOK.thresholds['heightSpreadMm'] as number;
  it('leaves a line alone that the shop’s rule calls a sharpening, and joints one it calls a tune', () => {
    const level = studyLine(
      planInputs(
        bumpy((i) => (i % 2 ? 0 : -0.9 * LEVEL_ENOUGH_MM)),
        2,
      ),
    );
    expect(level.recommended.sharpenOnly).toBeTrue();
    expect(level.recommended.depthMm).toBe(0);
    const uneven = studyLine(
      planInputs(
        bumpy((i) => (i % 2 ? 0 : -1.5 * LEVEL_ENOUGH_MM)),
        2,
      ),
    );
    expect(uneven.recommended.sharpenOnly).toBeFalse();
    expect(uneven.recommended.depthMm).toBeCloseTo(1.5 * LEVEL_ENOUGH_MM, 6);
    // A shop that is stricter joints the first as well.
    const strict = { work: { thresholds: { heightSpreadMm: 0.5 * LEVEL_ENOUGH_MM } } };
    const theirs = studyLine({ ...level.inputs, judgement: strict });
    expect([theirs.recommended.sharpenOnly, level.recommended.sharpenOnly]).toEqual([false, true]);
  });

  it('a profile other than wanted, as its angles were read, is a tune where the teeth do not all reach', () => {
    const readings = bumpy((i) => (i % 2 ? 0 : -0.5 * LEVEL_ENOUGH_MM));
    const plain = planInputs(readings, 2);
    expect(studyLine(plain).recommended.sharpenOnly).toBeTrue();
    const off = studyLine({ ...plain, measuredRakeDeg: plain.angles.rakeDeg - 8 });
    expect(off.recommended.sharpenOnly).toBeFalse();
  });

  it('leaves out the lowest twentieth: one broken tooth of sixty is not chased', () => {
    const broken = studyLine(
      planInputs(
        bumpy((i) => (i === 30 ? -0.8 : -0.06 * (i % 2))),
        2,
      ),
    );
    expect(broken.recommended.depthMm).toBeCloseTo(0.06, 6);
  });

  it('chases the spacing only as far as the shop lets it cost', () => {
    const wandering = bumpy(
      (i) => -0.06 * (i % 2),
      (i) => 0.28 * Math.sin(i * 2.3),
    );
    const habits = (chaseSharpenings: number) => ({ ...DEFAULT_HABITS, evennessShare: 0.04, chaseSharpenings });
    const never = studyLine(planInputs(wandering, 2, { habits: habits(0) })).recommended;
    const gladly = studyLine(planInputs(wandering, 2, { habits: habits(20) })).recommended;
    expect(gladly.depthMm).toBeGreaterThan(never.depthMm + 0.05);
    expect(never.depthMm).toBeCloseTo(never.least.byTeethMm, 9);
    expect(never.reason.otherwise).toContain('not chased');
  });

  it('a tilted straight edge costs the level line metal and the free line none', () => {
    const tilted = evenSaw(40, 2).map((r) => ({ ...r, yMm: 0.004 * r.xMm }));
    expect(studyLine(planInputs(tilted, 2, { line: 'free' })).recommended.depthMm).toBe(0);
    expect(studyLine(planInputs(tilted, 2, { line: 'level' })).recommended.depthMm).toBeGreaterThan(0.25);
  });

  it('refuses a line of fewer than three teeth', () => {
    expect(() => studyLine(planInputs(evenSaw(2, 2), 2))).toThrowError(RangeError);
  });

  it('the advice always lies between nothing and the deepest the tooth allows, and says why', () => {
    fc.assert(
      fc.property(randomSaw(40), (saw) => {
        const study = studyLine(planInputs(saw.readings, saw.pitchMm));
        expect(study.recommended.depthMm).toBeGreaterThanOrEqual(0);
        expect(study.recommended.depthMm).toBeLessThanOrEqual(study.deepestMm);
        expect(study.recommended.reason.inputs.length).toBe(5);
        expect(study.recommended.reason.source.length).toBeGreaterThan(5);
      }),
    );
  });
});

describe('what moves under the handle', () => {
  it('deeper takes more metal, more strokes and more life, never less', () => {
    fc.assert(
      fc.property(randomSaw(40), (saw) => {
        const study = studyLine(planInputs(saw.readings, saw.pitchMm));
        const views = [0.1, 0.3, 0.5, 0.8].map((share) => viewDepth(study, share * study.deepestMm));
        for (let i = 1; i < views.length; i++) {
          const [less, more] = [views[i - 1], views[i]];
          expect(more?.metalMm3).toBeGreaterThan(less?.metalMm3 ?? Infinity);
          expect(more?.reachedShare).toBeGreaterThanOrEqual(less?.reachedShare ?? Infinity);
          expect(more?.life.spent.likely).toBeGreaterThan(less?.life.spent.likely ?? Infinity);
          expect(more?.life.left.likely).toBeLessThanOrEqual(less?.life.left.likely ?? -1);
        }
      }),
    );
  });

  it('every point ends inside its flat, and filing both flanks there leaves exactly that tip', () => {
    fc.assert(
      fc.property(randomSaw(30), fc.double({ min: 0.05, max: 0.9, noNaN: true }), (saw, share) => {
        const study = studyLine(planInputs(saw.readings, saw.pitchMm));
        const view = viewDepth(study, share * study.deepestMm);
        const { prepared, tooth } = study;
        prepared.teeth.forEach((_, i) => {
          if (!view.flats.on[i]) return;
          const x = view.spacing.xMm[i] as number;
          expect(x).toBeGreaterThanOrEqual((view.flats.fromMm[i] as number) - 1e-9);
          expect(x).toBeLessThanOrEqual((view.flats.toMm[i] as number) + 1e-9);
          // filings[i + 1] cuts this tooth's face, filings[i] its back: tip height (u - v) / T.
          const u = (prepared.faceMm[i] as number) - (view.filings[i + 1]?.faceMm ?? 0);
          const v = (prepared.backMm[i] as number) + (view.filings[i]?.backMm ?? 0);
          expect((u - v) / tooth.spread).toBeCloseTo(view.lineYMm[i] as number, 6);
          expect(u - ((u - v) / tooth.spread) * tooth.tanFace).toBeCloseTo(x, 6);
        });
      }),
    );
  });

  it('a slower hand is asked for more strokes, an uncertain one for fewer', () => {
    const worn = bumpy((i) => -0.2 * Math.sin((Math.PI * i) / 59));
    const strokes = (rate: number, error: number): number =>
      viewDepth(
        studyLine(planInputs(worn, 2, { strokeRate: { rateMmPerStroke: rate, errorMmPerStroke: error, readings: 4 } })),
        0.2,
      ).strokesTotal;
    expect(strokes(0.01, 0.001)).toBeGreaterThan(strokes(0.03, 0.001));
    expect(strokes(0.02, 0.008)).toBeLessThan(strokes(0.02, 0.001));
  });

  it('strokes never overshoot the gullet, whatever is left is told', () => {
    const study = studyLine(
      planInputs(
        bumpy((i) => -0.2 * Math.sin((Math.PI * i) / 59)),
        2,
      ),
    );
    const view = viewDepth(study, 0.22);
    const { rateMmPerStroke, errorMmPerStroke } = study.inputs.strokeRate;
    view.filings.forEach((filing, i) => {
      const strokes = view.strokes[i] as number;
      expect(strokes * (rateMmPerStroke + 2 * errorMmPerStroke)).toBeLessThanOrEqual(filing.dropMm + 1e-6);
      expect(filing.dropMm - strokes * rateMmPerStroke).toBeLessThanOrEqual(view.worstLeftMm + 1e-9);
    });
  });
});
