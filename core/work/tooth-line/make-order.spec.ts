import fc from 'fast-check';
import { evenSaw, planInputs, randomSaw } from '../../reference/random-saw';
import { pitchMmFromCount } from '../../units/points';
import { DEFAULT_HABITS } from '../habits';
import { makeOrder } from './make-order';
import { priceFor } from '../price';
import { walkOf } from '../step';
import { studyLine } from './study';

const worn = evenSaw(40, 2).map((r, i) => ({
  ...r,
  yMm: -0.15 * Math.sin((Math.PI * i) / 39),
  xMm: r.xMm + 0.05 * Math.sin(i * 1.7),
}));
const set = (readings: typeof worn, mm: number) => readings.map((r) => ({ ...r, setMm: mm }));

describe('the order, in the trade’s order', () => {
  it('an even saw with its set gets an empty order: sharpen, stone, finish, nothing jointed', () => {
    const study = studyLine(planInputs(set(evenSaw(40, 2), 0.0635), 2));
    const order = makeOrder(study, study.recommended.depthMm);
    expect(order.choice.depthMm).toBe(0);
    expect(order.forecast.cut.metalMm3).toBe(0);
    expect(order.steps.map((s) => s.kind)).toEqual(['sharpen', 'stone', 'finish']);
  });

  it('a hollow saw gets the full tune in order', () => {
    const study = studyLine(planInputs(worn, 2, { marks: ['bend', 'rust'] }));
    const order = makeOrder(study, study.recommended.depthMm);
    expect(order.steps.map((s) => s.kind)).toEqual([
      'clean',
      'straighten',
      'flatten-set',
      'joint',
      'shape',
      'look',
      'set',
      'set',
      'sharpen',
      'stone',
      'finish',
    ]);
    expect(order.forecast.cut.reachedShare).toBeGreaterThanOrEqual(0.95);
  });

  it('shows a caution beside each step that can hurt', () => {
    const study = studyLine(planInputs(worn, 2));
    for (const step of makeOrder(study, 0.1).steps) {
      const wants = ['clean', 'joint', 'shape', 'sharpen', 'finish'].includes(step.kind);
      expect(step.cautions.length > 0)
        .withContext(step.kind)
        .toBe(wants);
    }
  });

  it('files a fleamed saw in two passes that between them meet every gullet once', () => {
    for (const fileDirection of ['face-of-away', 'back-of-away'] as const) {
      const inputs = planInputs(worn, 2, {
        angles: { rakeDeg: -15, fleamDeg: 20 },
        habits: { ...DEFAULT_HABITS, fileDirection },
      });
      const order = makeOrder(studyLine(inputs), 0.1);
      const sharpen = order.steps.filter((s) => s.kind === 'sharpen');
      expect(sharpen.map((s) => s.side)).toEqual(['left', 'right']);
      expect(sharpen.every((s) => s.tipTowards === (fileDirection === 'face-of-away' ? 'toe' : 'heel'))).toBeTrue();
      const gullets = sharpen.flatMap((s) => s.stops.map((stop) => stop.at)).sort((a, b) => a - b);
      expect(gullets).toEqual(Array.from({ length: 41 }, (_, i) => i));
      expect(
        sharpen.every((s) => s.stops.every((stop, i, all) => i === 0 || stop.at - (all[i - 1]?.at ?? 0) === 2)),
      ).toBeTrue();
    }
  });

  it('sets each standing tooth once, from the side it leans to, never a broken one', () => {
    const readings = worn.map((r) => (r.tooth === 7 ? { ...r, kind: 'broken' as const, yMm: -0.6 } : r));
    const order = makeOrder(studyLine(planInputs(readings, 2)), 0.1);
    const teeth = order.steps.filter((s) => s.kind === 'set').flatMap((s) => s.stops.map((stop) => stop.at));
    expect(new Set(teeth).size).toBe(39);
    expect(teeth).not.toContain(7);
  });

  it('starts where the shop starts, and sets after filing where that is the school', () => {
    const habits = { ...DEFAULT_HABITS, startAt: 'toe' as const, setOrder: 'after-filing' as const };
    const order = makeOrder(studyLine(planInputs(worn, 2, { habits })), 0.1);
    const kinds = order.steps.map((s) => s.kind);
    expect(kinds.indexOf('sharpen')).toBeLessThan(kinds.indexOf('set'));
    expect(order.steps.find((s) => s.kind === 'sharpen')?.stops[0]?.at).toBe(40);
  });

  // Common practice, no source (trade section 4): a 15-point back saw five to seven minutes.
  it('takes a 15-point back saw five to seven minutes to sharpen', () => {
    const pitch = pitchMmFromCount(15, 'points');
    const study = studyLine(planInputs(set(evenSaw(141, pitch), 0.0635), pitch));
    const sharpen = makeOrder(study, 0).steps.filter((s) => s.kind === 'sharpen');
    const minutes = sharpen.reduce((sum, s) => sum + s.minutes, 0);
    expect(minutes).toBeGreaterThanOrEqual(5);
    expect(minutes).toBeLessThanOrEqual(7);
  });

  it('walks every stop of every step once, in order', () => {
    const order = makeOrder(studyLine(planInputs(worn, 2)), 0.1);
    const walk = walkOf(order.steps);
    expect(walk.length).toBe(order.steps.reduce((s, step) => s + step.stops.length, 0));
    expect(walk.every((stop, i) => stop.index === i)).toBeTrue();
  });

  it('refuses a depth beyond the tooth', () => {
    const study = studyLine(planInputs(worn, 2));
    expect(() => makeOrder(study, study.deepestMm * 1.01)).toThrowError(RangeError);
    expect(() => makeOrder(study, -0.1)).toThrowError(RangeError);
  });

  it('prices bench time, never under the least charge', () => {
    const rates = { wagePerHour: 60, leastCharge: 12, currency: 'EUR' };
    expect(priceFor(30, rates).amount).toBe(30);
    expect(priceFor(3, rates).amount).toBe(12);
  });
});

describe('what must always hold (geometry section 11)', () => {
  it('scaling all lengths scales the depth, the spacing and the targets', () => {
    fc.assert(
      fc.property(randomSaw(24), fc.double({ min: 0.5, max: 3, noNaN: true }), (saw, k) => {
        // A level line: of two free ones equally high either may be taken, and rounding picks.
        const level = { line: 'level' as const };
        const study = studyLine(planInputs(saw.readings, saw.pitchMm, level));
        const scaled = saw.readings.map((r) => ({ ...r, xMm: r.xMm * k, yMm: r.yMm * k }));
        const other = studyLine(planInputs(scaled, saw.pitchMm * k, level));
        expect(other.recommended.least.byTeethMm).toBeCloseTo(study.recommended.least.byTeethMm * k, 6);
        const depth = 0.4 * study.deepestMm;
        const [a, b] = [makeOrder(study, depth), makeOrder(other, depth * k)];
        expect(b.forecast.cut.worstSpacingMm).toBeCloseTo(a.forecast.cut.worstSpacingMm * k, 6);
        a.targets.forEach((t, i) => expect(b.targets[i]?.xMm).toBeCloseTo(t.xMm * k, 5));
      }),
      { numRuns: 60 },
    );
  });

  it('a saw seen in the mirror (left for right) gets the mirrored order', () => {
    fc.assert(
      fc.property(randomSaw(24), (saw) => {
        const leaning = (odd: 'left' | 'right', even: 'left' | 'right') =>
          saw.readings.map((r) => ({ ...r, lean: r.tooth % 2 ? odd : even }));
        const angles = { rakeDeg: -12, fleamDeg: 15 };
        const one = makeOrder(
          studyLine(planInputs(leaning('left', 'right'), saw.pitchMm, { angles })),
          0.05 * saw.pitchMm,
        );
        const two = makeOrder(
          studyLine(planInputs(leaning('right', 'left'), saw.pitchMm, { angles })),
          0.05 * saw.pitchMm,
        );
        const passes = (order: typeof one, side: 'left' | 'right') =>
          order.steps.filter((s) => s.side === side).map((s) => s.stops);
        expect(passes(two, 'left')).toEqual(passes(one, 'right'));
        expect(two.targets).toEqual(one.targets);
      }),
      { numRuns: 60 },
    );
  });

  it('targets never stand above the present teeth', () => {
    fc.assert(
      fc.property(randomSaw(30), fc.double({ min: 0, max: 1, noNaN: true }), (saw, share) => {
        const study = studyLine(planInputs(saw.readings, saw.pitchMm));
        const order = makeOrder(study, share * study.deepestMm);
        const tips = new Map(saw.readings.map((r) => [r.tooth, r.yMm]));
        for (const target of order.targets)
          expect(target.yMm).toBeLessThanOrEqual((tips.get(target.tooth) ?? 0) + 1e-7);
      }),
    );
  });
});
