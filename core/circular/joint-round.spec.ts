import fc from 'fast-check';
import { chipRoomMm2, flatRoundMm, jointRound } from './joint-round';

describe('jointing a rim', () => {
  it('the flat is what back and face leave at that depth: against the two lines cut by a third', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 0.5, noNaN: true }),
        fc.double({ min: -10, max: 35, noNaN: true }),
        fc.double({ min: 8, max: 30, noNaN: true }),
        (depth, hook, relief) => {
          const rad = Math.PI / 180;
          // Tip at 0, 0; the face goes down and back by the hook, the back falls behind by the relief.
          const face = -depth * Math.tan(hook * rad);
          const back = -depth / Math.tan(relief * rad);
          expect(flatRoundMm(depth, hook, relief)).toBeCloseTo(face - back, 9);
        },
      ),
    );
    expect(flatRoundMm(0.1, 20)).toBeCloseTo(0.337, 3);
    expect(() => flatRoundMm(0.1, 80, 15)).toThrowError(RangeError);
  });

  it('deeper reaches no fewer teeth and takes no less metal; at the lowest tooth it reaches all', () => {
    const blade = { hookDeg: 15, plateThicknessMm: 2.2 };
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -0.4, max: 0.4, noNaN: true }), { minLength: 6, maxLength: 60 }),
        (offs) => {
          const scorers = offs.map((offMm, i) => ({ tooth: i + 1, offMm }));
          const [top, low] = [Math.max(...offs), Math.min(...offs)];
          const steps = Array.from({ length: 12 }, (_, i) => jointRound(scorers, top - ((top - low) * i) / 11, blade));
          steps.slice(1).forEach((step, i) => {
            expect(step.reachedShare).toBeGreaterThanOrEqual(steps[i]?.reachedShare ?? 0);
            expect(step.metalMm3).toBeGreaterThanOrEqual(steps[i]?.metalMm3 ?? 0);
          });
          expect(steps.at(-1)?.reachedShare).toBe(1);
        },
      ),
    );
  });

  it('metal by hand: two teeth 0.1 and 0.2 over, in triangles', () => {
    const scorers = [0.1, 0.2, -0.1].map((offMm, i) => ({ tooth: i + 1, offMm }));
    const { metalMm3, reached } = jointRound(scorers, 0, { hookDeg: 0, plateThicknessMm: 2 });
    const cot = 1 / Math.tan((15 * Math.PI) / 180);
    expect(metalMm3).toBeCloseTo(((0.01 + 0.04) * cot * 2) / 2, 9);
    expect(reached).toEqual([1, 2]);
  });

  it('a gullet of 20 by 9 mm holds 30 mm² of wood', () => expect(chipRoomMm2(20, 9)).toBe(30));
});
