import { momentsBefore } from './moments';
import type { Step } from './step';
import { walkOf } from './step';

const step = (kind: Step['kind'], more: Partial<Step> = {}, stops = 3, strokes = 2): Step => ({
  ...{ kind, unit: 'gullet', side: null, tipTowards: null, tool: 'a file', targetMm: null, passes: 0, minutes: 1 },
  ...{ cautions: [], reasons: [] },
  stops: Array.from({ length: stops }, (_, i) => ({ at: i, strokes, heavier: 'even' as const })),
  ...more,
});
const moments = (steps: readonly Step[]): string[] => {
  const walk = walkOf(steps);
  return walk.flatMap((stop, i) => momentsBefore(steps, walk, i).map((one) => `${stop.index} ${one}`));
};

describe('what is done before a stop', () => {
  it('the saw is turned where a step is worked from the other side, once', () => {
    expect(moments([step('sharpen', { side: 'left' }), step('sharpen', { side: 'right' })])).toEqual(['3 turn-saw']);
    expect(
      moments([
        step('sharpen', { side: 'left' }),
        step('look', { unit: 'whole' }, 1),
        step('sharpen', { side: 'left' }),
      ]),
    ).toEqual([]);
    // Teeth that lean left are bent away from who stands on the right, and the next pass may begin there.
    const set = (side: 'left' | 'right') => step('set', { unit: 'tooth', side, tool: null });
    expect(moments([set('left'), set('right'), step('sharpen', { side: 'left' })])).toEqual(['3 turn-saw']);
    expect(moments([set('left'), step('sharpen', { side: 'left' })])).toEqual(['3 turn-saw']);
    expect(moments([step('shape'), step('sharpen', { side: 'left' })])).toEqual([]);
  });

  it('a fresh corner where a last pass begins, and after nine hundred strokes of the same file', () => {
    expect(moments([step('reshape'), step('last-pass')])).toEqual(['3 fresh-corner']);
    expect(moments([step('shape', {}, 200, 5)])).toEqual(['180 fresh-corner']);
    // Another file has corners of its own.
    expect(moments([step('shape', { tool: 'another' }, 170, 5), step('sharpen', {}, 30, 2)])).toEqual([]);
    expect(moments([step('shape', {}, 170, 5), step('sharpen', {}, 30, 2)])).toEqual(['195 fresh-corner']);
  });

  it('where the corner in hand is known, it goes by that one and by what it gives', () => {
    const steps = [step('shape', {}, 20, 5)];
    const at = (place: number, made: number, tool = 'a file') =>
      momentsBefore(steps, walkOf(steps), place, { tool, made, gives: 420 });
    expect([at(3, 419), at(4, 424), at(5, 429)]).toEqual([[], ['fresh-corner'], []]);
    expect(at(4, 424, 'another')).toEqual([]);
    expect(at(4, 0)).toEqual([]);
  });
});
