import fc from 'fast-check';
import { operationsOf, turnOf } from './bench-round';
import { placeOnSide } from './two-sides';
import type { Step, StepKind } from './step';
import { STEP_KINDS, walkOf } from './step';

const of = (...kinds: StepKind[]) => kinds.map((kind) => ({ kind }));

describe('one operation over several saws', () => {
  it('by hand: two are set before either is sharpened; the one that wants jointing is jointed first', () => {
    const [a, b] = [of('joint', 'shape', 'set', 'sharpen'), of('set', 'sharpen', 'stone')];
    expect(operationsOf([a, b])).toEqual(['joint', 'shape', 'set', 'sharpen', 'stone']);
    const turn = (stepA: number, stepB: number, present = 1) =>
      turnOf(
        [
          { id: 1, steps: a, step: stepA },
          { id: 2, steps: b, step: stepB },
        ],
        present,
      );
    expect(turn(0, 0)).toEqual({ kind: 'joint', id: 1 });
    expect(turn(0, 0, 2)).toEqual({ kind: 'joint', id: 1 });
    expect(turn(2, 0)).toEqual({ kind: 'set', id: 1 });
    expect(turn(3, 0)).toEqual({ kind: 'set', id: 2 });
    expect(turn(3, 1, 2)).toEqual({ kind: 'sharpen', id: 2 });
    expect(turn(4, 2)).toEqual({ kind: 'stone', id: 2 });
    expect(turn(4, 3)).toBeNull();
  });

  it('walked to the end every step of every saw is done once, each saw’s in its own order, no operation taken up twice over', () => {
    const order = fc.uniqueArray(fc.nat(STEP_KINDS.length - 1), { minLength: 1, maxLength: 7 });
    fc.assert(
      fc.property(fc.array(order, { minLength: 1, maxLength: 5 }), (orders) => {
        // Orders that agree, as those of one shop do.
        const saws = orders.map((kinds, id) => ({
          id,
          steps: [...kinds].sort((x, y) => x - y).map((k) => ({ kind: STEP_KINDS[k] as StepKind })),
        }));
        const at = saws.map(() => 0);
        const told: StepKind[] = [];
        let [present, turns] = [0, 0];
        for (;;) {
          const turn = turnOf(
            saws.map((saw, i) => ({ ...saw, step: at[i] as number })),
            present,
          );
          if (!turn) break;
          expect(saws[turn.id]?.steps[at[turn.id] as number]?.kind).toBe(turn.kind);
          if (told.at(-1) !== turn.kind) told.push(turn.kind);
          at[turn.id] = (at[turn.id] as number) + 1;
          present = turn.id;
          turns++;
        }
        expect(turns).toBe(saws.reduce((sum, saw) => sum + saw.steps.length, 0));
        expect(new Set(told).size).toBe(told.length);
      }),
    );
  });
});

describe('two people on one saw’s two sides', () => {
  const step = (kind: StepKind, side: Step['side'], stops: number): Step => ({
    ...{ kind, unit: stops > 1 ? 'gullet' : 'whole', side, tipTowards: null, tool: null, targetMm: null },
    ...{ passes: 0, minutes: 1, cautions: [], reasons: [] },
    stops: Array.from({ length: stops }, (_, at) => ({ at, strokes: 2, heavier: 'even' as const })),
  });
  const steps = [
    step('joint', null, 1),
    step('set', 'left', 3),
    step('set', 'right', 3),
    step('sharpen', 'left', 4),
    step('sharpen', 'right', 4),
    step('stone', null, 1),
  ];
  const walk = walkOf(steps);

  it('each has a place; teeth that lean left are set from the right; nobody runs ahead of the operation', () => {
    const at = (done: readonly number[], side: 'left' | 'right') => placeOnSide(steps, walk, new Set(done), side);
    expect([at([], 'left'), at([], 'right')]).toEqual([
      { at: 'stop', place: 0 },
      { at: 'stop', place: 0 },
    ]);
    expect([at([0], 'left'), at([0], 'right')]).toEqual([
      { at: 'stop', place: 4 },
      { at: 'stop', place: 1 },
    ]);
    expect(at([0, 1, 2, 3], 'right')).toEqual({ at: 'wait', left: 3 });
    expect(at([0, 1, 2, 3, 4, 5], 'right')).toEqual({ at: 'wait', left: 1 });
    expect(at([0, 1, 2, 3, 4, 5, 6], 'right')).toEqual({ at: 'stop', place: 11 });
    expect(
      at(
        walk.map((stop) => stop.index),
        'left',
      ),
    ).toEqual({ at: 'end' });
  });

  it('in whatever order two of them press, every stop is done once and the last operation by one of them', () => {
    fc.assert(
      fc.property(fc.array(fc.boolean(), { minLength: 60, maxLength: 60 }), (presses) => {
        const done = new Set<number>();
        for (const isLeft of presses) {
          const place = placeOnSide(steps, walk, done, isLeft ? 'left' : 'right');
          if (place.at !== 'stop') continue;
          expect(done.has(place.place)).toBeFalse();
          const kind = steps[walk[place.place]?.step ?? 0]?.kind;
          const earlier = walk.filter((stop) => !done.has(stop.index) && stop.index < place.place);
          expect(earlier.every((stop) => steps[stop.step]?.kind === kind)).toBeTrue();
          done.add(place.place);
        }
        for (const side of ['left', 'right'] as const)
          for (let i = 0; i < 20; i++) {
            const place = placeOnSide(steps, walk, done, side);
            if (place.at === 'stop') done.add(place.place);
          }
        for (let i = 0; i < 20; i++)
          for (const side of ['left', 'right'] as const) {
            const place = placeOnSide(steps, walk, done, side);
            if (place.at === 'stop') done.add(place.place);
          }
        expect(done.size).toBe(walk.length);
      }),
    );
  });
});
