import fc from 'fast-check';
import { evenSaw, planInputs, randomSaw } from '../reference/random-saw';
import { heightOn } from '../line/joint-line';
import type { Worked } from './from-here';
import { jointedSoFar, notFromHere, orderFromHere } from './from-here';
import type { LineOrder } from './order';
import { priceFor } from './price';
import type { StepKind } from './step';
import { strokesOfStep, strokesOfSteps, walkOf } from './step';
import { makeOrder } from './tooth-line/make-order';
import { studyLine } from './tooth-line/study';

const RATES = { wagePerHour: 40, leastCharge: 5, currency: 'x' };
const worn = evenSaw(40, 2).map((r, i) => ({
  ...r,
  yMm: -0.15 * Math.sin((Math.PI * i) / 39),
  xMm: r.xMm + 0.05 * Math.sin(i * 1.7),
}));
const study = studyLine(planInputs(worn, 2));
const order = makeOrder(study, 0.15, RATES);
/** Done as far as a kind of step, and so many stops of it. */
const workedTo = (of: LineOrder, kind: StepKind, stops: number): Worked => {
  const walk = walkOf(of.steps);
  const first = walk.findIndex((stop) => of.steps[stop.step]?.kind === kind);
  if (first < 0) throw new Error(`no step ${kind}`);
  return { order: of, done: walk.slice(0, first + stops).map((stop) => stop.index), skipped: [], results: [] };
};
const kinds = (of: { readonly steps: LineOrder['steps'] }): StepKind[] => of.steps.map((s) => s.kind);
const strokesOf = (of: { readonly steps: LineOrder['steps'] }, kind: StepKind): number =>
  of.steps.filter((s) => s.kind === kind).reduce((sum, s) => sum + strokesOfStep(s), 0);

describe('an order from where the saw is now', () => {
  it('nothing done: the order as it is', () => {
    expect(orderFromHere(order, [], RATES)).toBe(order);
  });

  it('the same again after seven gullets of shaping: no joint, the strokes of those seven made', () => {
    const worked = workedTo(order, 'shape', 7);
    const left = orderFromHere(order, [worked], RATES);
    expect(kinds(left)).not.toContain('joint');
    expect(kinds(left)).not.toContain('flatten-set');
    const made = order.steps
      .filter((s) => s.kind === 'shape')
      .flatMap((s) => s.stops)
      .slice(0, 7)
      .reduce((sum, stop) => sum + stop.strokes, 0);
    expect(strokesOf(left, 'shape')).toBe(strokesOf(order, 'shape') - made);
    // Shaping is left, so every gullet is sharpened after it.
    expect(strokesOf(left, 'sharpen')).toBe(strokesOf(order, 'sharpen'));
    expect(left.strokes).toBe(strokesOfSteps(left.steps));
    expect(left.minutes).toBeCloseTo(
      left.steps.reduce((sum, s) => sum + s.minutes, 0),
      9,
    );
    expect(left.price?.amount).toBe(priceFor(left.minutes, RATES).amount);
    expect(left.minutes).toBeLessThan(order.minutes);
  });

  it('by hand: 0.15 jointed, 0.20 wanted, the rest is 0.05; less than was jointed is refused', () => {
    const worked = workedTo(order, 'shape', 0);
    expect(jointedSoFar(worked)).toBe(0.15);
    const deeper = makeOrder(study, 0.2, RATES);
    const left = orderFromHere(deeper, [worked], RATES);
    expect(left.steps.find((s) => s.kind === 'joint')?.targetMm).toBeCloseTo(0.05, 6);
    expect(notFromHere(deeper, [worked])).toBeNull();
    expect(notFromHere(makeOrder(study, 0.05), [worked])).toEqual(jasmine.objectContaining({ code: 'jointed-deeper' }));
    // A joint that was begun and not done is done whole.
    expect(
      orderFromHere(deeper, [workedTo(order, 'joint', 0)], RATES).steps.find((s) => s.kind === 'joint')?.targetMm,
    ).toBe(0.2);
  });

  it('at other angles nothing of the filing is made; what was jointed is', () => {
    const worked = workedTo(order, 'shape', 7);
    const other = makeOrder(studyLine(planInputs(worn, 2, { angles: { rakeDeg: -12, fleamDeg: 0 } })), 0.15, RATES);
    const left = orderFromHere(other, [worked], RATES);
    expect(strokesOf(left, 'shape')).toBe(strokesOf(other, 'shape'));
    expect(kinds(left)).not.toContain('joint');
  });

  it('set that was taken out cannot be kept; teeth that were set stay set to the same target', () => {
    const worked = workedTo(order, 'shape', 3);
    const kept = makeOrder(studyLine(planInputs(worn, 2, { setWish: { choice: 'leave', mm: null } })), 0.15, RATES);
    expect(notFromHere(kept, [worked])).toEqual({ code: 'set-taken-out' });
    const set = workedTo(order, 'set', 5);
    const left = orderFromHere(order, [set], RATES);
    const stops = (of: { readonly steps: LineOrder['steps'] }): number =>
      of.steps.filter((s) => s.kind === 'set').reduce((sum, s) => sum + s.stops.length, 0);
    expect(stops(left)).toBe(stops(order) - 5);
    // A third order remembers what the first one set.
    const second: Worked = { order: left, done: [], skipped: [], results: [] };
    expect(stops(orderFromHere(order, [set, second], RATES))).toBe(stops(order) - 5);
    const wider = makeOrder(studyLine(planInputs(worn, 2, { setWish: { choice: 'renew', mm: 0.2 } })), 0.15, RATES);
    expect(stops(orderFromHere(wider, [set], RATES))).toBe(stops(wider));
    expect(kinds(orderFromHere(wider, [set], RATES))).toContain('flatten-set');
  });

  it('random saws: planned again at any stop it never asks for more, ends at the same targets, and what is left adds up', () => {
    fc.assert(
      fc.property(
        randomSaw(),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        ({ readings, pitchMm }, share, deep) => {
          const studied = studyLine(planInputs(readings, pitchMm));
          const first = makeOrder(studied, studied.deepestMm * deep, RATES);
          const walk = walkOf(first.steps);
          const done = walk.slice(0, Math.floor(walk.length * share)).map((stop) => stop.index);
          const worked: Worked = { order: first, done, skipped: [], results: [] };
          const left = orderFromHere(first, [worked], RATES) as LineOrder;
          expect(notFromHere(first, [worked])).toBeNull();
          expect(left.targets).toEqual(first.targets);
          expect(left.strokes).toBeLessThanOrEqual(first.strokes);
          expect(left.minutes).toBeLessThanOrEqual(first.minutes + 1e-9);
          for (const step of left.steps) for (const stop of step.stops) expect(stop.strokes).toBeGreaterThanOrEqual(0);
          // Another order at the deepest from there leaves no tooth over the first one's line.
          const next = makeOrder(studied, studied.deepestMm, RATES);
          if (jointedSoFar(worked) > 0) {
            expect(notFromHere(next, [worked])).toBeNull();
            const joint = orderFromHere(next, [worked], RATES).steps.find((s) => s.kind === 'joint');
            const rest = Math.max(
              0,
              ...readings
                .filter((r) => r.kind === 'tooth')
                .map(
                  (r) => Math.min(r.yMm, heightOn(first.forecast.line, r.xMm)) - heightOn(next.forecast.line, r.xMm),
                ),
            );
            if (joint) expect(joint.targetMm).toBeCloseTo(rest, 6);
            else expect(rest).toBeLessThan(0.006);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});
