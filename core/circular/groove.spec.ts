import fc from 'fast-check';
import { stackWidth } from './dado-stack';
import { floorReason, floorStepMm, grooveFloor, touchParts } from './groove';
import type { StackedPart } from './groove';

const part = (id: string, kind: StackedPart['kind'], plateMm: number, cutMm: number, heightMm: number | null = 0) => ({
  ...{ id, kind, plateMm, cutMm, heightMm },
});
const stacks = fc
  .array(
    fc.record({
      kind: fc.constantFrom('chipper' as const, 'chipper' as const, 'shim' as const),
      plateMm: fc.double({ min: 0.1, max: 3, noNaN: true }),
      out: fc.double({ min: 0, max: 1.2, noNaN: true }),
      heightMm: fc.double({ min: -0.6, max: 0, noNaN: true }),
    }),
    { maxLength: 6 },
  )
  .map((inner): StackedPart[] => [
    part('left', 'outer', 2.2, 3.2, 0),
    ...inner.map((p, i) =>
      part(`p${i}`, p.kind, p.plateMm, p.kind === 'shim' ? p.plateMm : p.plateMm + 2 * p.out, p.heightMm),
    ),
    part('right', 'outer', 2.2, 3.2, 0),
  ]);

describe('the floor of a groove', () => {
  it('is the pixel-by-pixel union of what every part cuts', () => {
    fc.assert(
      fc.property(stacks, (parts) => {
        const pieces = grooveFloor(parts);
        const cuts: { from: number; to: number; height: number }[] = [];
        let at = 0;
        for (const p of parts) {
          const out = (p.cutMm - p.plateMm) / 2;
          if (p.kind !== 'shim') cuts.push({ from: at - out, to: at + p.plateMm + out, height: p.heightMm ?? 0 });
          at += p.plateMm;
        }
        const left = Math.min(...cuts.map((c) => c.from));
        const width = Math.max(...cuts.map((c) => c.to)) - left;
        for (let px = 0.5; px < 400; px++) {
          const x = (width * px) / 400;
          const over = cuts.filter((c) => c.from - left < x && x < c.to - left);
          const piece = pieces.find((p) => p.fromMm <= x && x <= p.toMm);
          const deepest = over.length === 0 ? null : Math.max(...over.map((c) => c.height));
          expect(piece?.heightMm ?? null).toBe(deepest);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('runs from wall to wall without a gap between its pieces, as wide as the stack', () => {
    fc.assert(
      fc.property(stacks, (parts) => {
        const pieces = grooveFloor(parts);
        expect(pieces[0]?.fromMm).toBeCloseTo(0, 9);
        pieces.slice(1).forEach((p, i) => expect(p.fromMm).toBeCloseTo(pieces[i]?.toMm ?? NaN, 8));
        expect(pieces.at(-1)?.toMm).toBeCloseTo(stackWidth(parts).widthMm, 9);
      }),
    );
  });

  it('by hand: a chipper 0.2 higher than the other makes a step of 0.2, named by it; the scored lines at the walls are none', () => {
    const floor = grooveFloor([
      part('left', 'outer', 2, 3),
      part('a', 'chipper', 2, 3, -0.4),
      part('b', 'chipper', 2, 3, -0.2),
      part('right', 'outer', 2, 3),
    ]);
    expect(floor.map((p) => [p.part, p.heightMm])).toEqual([
      ['left', 0],
      ['a', -0.4],
      ['b', -0.2],
      ['right', 0],
    ]);
    expect(floorStepMm(floor, ['left', 'right'])).toBeCloseTo(0.2, 12);
    expect(floorReason(floor, ['left', 'right']).inputs.map((one) => one.value)).toEqual(['b', -0.2, 'a', -0.4]);
    expect(() => grooveFloor([part('s', 'shim', 1, 1)])).toThrowError(RangeError);
  });

  it('a test groove says which part to bring down, and by how much: those that cut deeper than the shallowest', () => {
    const steps = [
      { part: 'a', overDeepestMm: 0.3 },
      { part: 'b', overDeepestMm: 0 },
      { part: 'c', overDeepestMm: 0.26 },
    ];
    expect(touchParts(steps, 0.1016)).toEqual([{ part: 'b', downMm: 0.3 }]);
    expect(touchParts(steps.slice(0, 1), 0.1)).toEqual([]);
  });
});
