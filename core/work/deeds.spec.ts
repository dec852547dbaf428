import fc from 'fast-check';
import { deedsOf, howFar, isBegun, isDone, minutesDone } from './deeds';
import type { Step, StepKind } from './step';
import { walkOf } from './step';

const step = (kind: StepKind, stops: number, minutes = 10): Step => ({
  ...{
    kind,
    unit: stops > 1 ? 'gullet' : 'whole',
    side: null,
    tipTowards: null,
    tool: null,
    targetMm: null,
    passes: 0,
  },
  ...{ minutes, cautions: [], reasons: [] },
  stops: Array.from({ length: stops }, (_, i) => ({ at: i, strokes: 1, heavier: 'even' as const })),
});
const steps = [step('straighten', 1), step('joint', 1), step('sharpen', 4, 8)];
const nothing = { done: [], skipped: [], results: [] };

describe('what was done of an order', () => {
  it('by hand: the plate did not come out, the joint left out, two of four gullets', () => {
    const deeds = deedsOf(
      { steps },
      {
        done: [0, 2, 4],
        skipped: [{ stop: 1, reason: 'straight already' }],
        results: [{ stop: 0, result: 'did-not', minutes: 25 }],
      },
    );
    expect(
      deeds.map(({ done, skipped, result, minutes, reasons }) => [done, skipped, result, minutes, reasons]),
    ).toEqual([
      [1, 0, 'did-not', 25, []],
      [0, 1, null, null, ['straight already']],
      [2, 0, null, null, []],
    ]);
    expect([isDone(deeds, 'straighten'), isDone(deeds, 'joint'), isDone(deeds, 'sharpen')]).toEqual([
      true,
      false,
      false,
    ]);
    expect([isBegun(deeds, 'sharpen'), isDone(deeds, 'set')]).toEqual([true, false]);
    expect(minutesDone(deeds)).toBe(10 + 4);
    expect([howFar(deeds), howFar(deedsOf({ steps }, nothing))]).toEqual(['part', 'nothing']);
    expect(howFar(deedsOf({ steps }, { ...nothing, done: [0, 1, 2, 3, 4, 5] }))).toBe('all');
  });
  it('every stop is done, left out or open, once, whatever was pressed', () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 8 }),
        fc.array(fc.constantFrom('done', 'skipped', 'open'), { maxLength: 80 }),
        (sizes, fates) => {
          const order = { steps: sizes.map((stops) => step('sharpen', stops)) };
          const of = (fate: string): number[] =>
            walkOf(order.steps)
              .map((s) => s.index)
              .filter((i) => fates[i] === fate);
          const deeds = deedsOf(order, {
            done: of('done'),
            skipped: of('skipped').map((stop) => ({ stop, reason: '' })),
            results: [],
          });
          expect(deeds.reduce((sum, one) => sum + one.done, 0)).toBe(of('done').length);
          expect(deeds.reduce((sum, one) => sum + one.skipped, 0)).toBe(of('skipped').length);
          for (const one of deeds) expect(one.done + one.skipped).toBeLessThanOrEqual(one.stops);
        },
      ),
    ));
});
