import type { Tip } from './joint-line';
import { lineForAll, lineForShare } from './joint-line';
import { chaseAdvice } from './chase';

const tips = (n: number, short: Record<number, number> = {}): (Tip & { tooth: number })[] =>
  Array.from({ length: n }, (_, i) => ({ tooth: i + 1, xMm: i * 2, yMm: -(short[i + 1] ?? 0) }));
const wish = {
  plateThicknessMm: 0.8,
  pitchMm: 2,
  toothHeightMm: 1.15,
  perSharpeningMm: 0.05,
  chaseWithin: 1,
  line: 'held' as const,
};
const level = { alphaMm: 0, beta: 0 };

describe('blend or chase', () => {
  it('by hand: 0.4 mm short on 100 teeth of 2 mm costs 64 mm³ and eight sharpenings: blend', () => {
    const [one] = chaseAdvice(tips(100, { 40: 0.4 }), [], level, wish);
    expect(one?.tooth).toBe(40);
    expect(one?.metalMm3).toBeCloseTo(64, 9);
    expect(one?.sharpenings).toBeCloseTo(8, 9);
    expect(one?.advice).toBe('blend');
    expect(one?.reason.otherwise).toContain('about 8 sharpenings');
  });
  it('a loss of less than one sharpening is chased; the shortest come first', () => {
    const found = chaseAdvice(tips(50, { 10: 0.03, 20: 0.2 }), [], level, wish);
    expect(found.map((f) => [f.tooth, f.advice])).toEqual([
      [20, 'blend'],
      [10, 'chase'],
    ]);
  });
  it('a missing tooth wants its whole height', () => {
    const [one] = chaseAdvice(tips(50), [31], level, wish);
    expect([one?.tooth, one?.shortMm, one?.advice]).toEqual([31, 1.15, 'blend']);
  });
  it('a free line tilts for a tooth near the toe, hardly for one in the middle', () => {
    const free = { ...wish, line: 'free' as const };
    const at = (tooth: number) => {
      const teeth = tips(101, { [tooth]: 0.5 });
      return chaseAdvice(teeth, [], lineForShare(teeth, 0.95), free)[0];
    };
    const end = at(95);
    expect(end?.warnsOfTilt).toBeTrue();
    expect(end?.tiltMm).toBeLessThan(-0.4);
    const middle = at(51);
    expect(middle?.warnsOfTilt).toBe(Math.abs(middle?.tiltMm ?? 0) > 0.0254);
    expect(Math.abs(middle?.tiltMm ?? 9)).toBeLessThanOrEqual(Math.abs(end?.tiltMm ?? 0) + 0.6);
  });
  it('the tilt is that of the line with the tooth and without it', () => {
    for (const tooth of [3, 20, 55]) {
      const teeth = tips(60, { [tooth]: 0.3 }).map((t) => ({ ...t, yMm: t.yMm - 0.0001 * (t.tooth - 31) ** 2 }));
      const without = lineForAll(teeth.filter((t) => t.tooth !== tooth));
      const under = { alphaMm: without.alphaMm, beta: without.beta };
      const [one] = chaseAdvice(teeth, [], under, { ...wish, line: 'free' });
      expect(one?.tooth).toBe(tooth);
      expect(one?.tiltMm).toBeCloseTo((lineForAll(teeth).beta - without.beta) * 120, 9);
    }
  });
  it('exactly one sharpening is still chased; its words and numbers say so', () => {
    const [one] = chaseAdvice(tips(50, { 10: 0.05 }), [], level, wish);
    expect([one?.advice, one?.reason.what]).toEqual(['chase', 'Chase it: the loss is small']);
    expect(one?.reason.inputs.map((i) => i.value)).toEqual([jasmine.any(Number), 0.05, 1]);
    expect(chaseAdvice(tips(50, { 10: 0.2 }), [], level, wish)[0]?.reason.what).toBe('Blend it in, do not chase it');
    expect(() => chaseAdvice([], [], level, { ...wish, perSharpeningMm: 0 })).toThrowError(RangeError);
  });
  it('teeth equally short come in order of their numbers', () =>
    expect(chaseAdvice(tips(50, { 30: 0.2, 10: 0.2, 20: 0.2 }), [], level, wish).map((f) => f.tooth)).toEqual([
      10, 20, 30,
    ]));
  it('a held line never tilts, nor does one with too few teeth to tell', () => {
    expect(chaseAdvice(tips(60, { 55: 0.5 }), [], level, wish)[0]?.tiltMm).toBe(0);
    expect(chaseAdvice(tips(2, { 2: 0.5 }), [], level, { ...wish, line: 'free' })[0]?.tiltMm).toBe(0);
    expect(chaseAdvice(tips(60, { 55: 0.5 }), [], level, wish)[0]?.warnsOfTilt).toBeFalse();
  });
  it('an even saw has nothing to chase', () => expect(chaseAdvice(tips(30), [], level, wish)).toEqual([]));
});
