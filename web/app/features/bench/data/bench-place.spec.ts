import type { Step } from '@odontis/core/work/step';
import { walkOf } from '@odontis/core/work/step';
import { doneStops, minutesLeft, placeOf, workOf } from './bench-place';

const step = (at: number[], minutes: number): Step => ({
  kind: 'sharpen',
  unit: 'gullet',
  side: null,
  tool: null,
  tipTowards: null,
  targetMm: null,
  passes: 0,
  minutes,
  cautions: [],
  reasons: [],
  stops: at.map((gullet) => ({ at: gullet, strokes: 2, heavier: 'even' })),
});
const press = (stop: number, action: 'done' | 'back' = 'done') => ({
  id: `${stop}${action}`,
  stop,
  action,
  at: '',
  how: 'gullet' as const,
});

describe('the place at the bench', () => {
  const steps = [step([1, 3, 5], 6), step([2, 4], 4)];
  const walk = walkOf(steps);

  it('is the first stop not done, with presses on their way counted', () => {
    expect(placeOf(5, doneStops([0, 1], []))).toBe(2);
    expect(placeOf(5, doneStops([0, 1], [press(2), press(3)]))).toBe(4);
    expect(placeOf(5, doneStops([0, 1], [press(2), press(2, 'back'), press(1, 'back')]))).toBe(1);
    expect(placeOf(5, doneStops([0, 1, 2, 3, 4], []))).toBe(5);
  });

  it('a stop done on another device is stepped over, not done twice', () => {
    expect(placeOf(5, doneStops([0, 1, 3], [press(2)]))).toBe(4);
  });

  it('parts the step’s gullets into done and to do', () => {
    const work = workOf(walk, new Set([0, 1]), 0);
    expect([[...work.done], [...work.todo]]).toEqual([[1, 3], [5]]);
  });

  it('shares each step’s minutes over its stops', () => {
    expect(minutesLeft(steps, walk, new Set([0, 1]))).toBeCloseTo(6, 12);
  });
});
