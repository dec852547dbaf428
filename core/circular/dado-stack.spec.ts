import type { DadoPart } from './dado-stack';
import { stacksNear, stackWidth } from './dado-stack';

describe('a dado set from its parts', () => {
  const part = (id: string, kind: DadoPart['kind'], plateMm: number, cutMm = plateMm): DadoPart => ({
    id,
    kind,
    plateMm,
    cutMm,
  });
  const stackFor = (parts: readonly DadoPart[], wantedMm: number) => stacksNear(parts, wantedMm, 1)[0];
  const set = [
    part('left', 'outer', 2.2, 3.2),
    part('right', 'outer', 2.2, 3.2),
    part('a', 'chipper', 2.2, 3.2),
    part('b', 'chipper', 2.2, 3.2),
    part('thin', 'chipper', 1.5, 1.8),
    part('shim', 'shim', 0.25),
  ];
  it('by hand: two outer blades alone cut 5.4; with a shim 5.65', () => {
    expect(stackWidth([set[0], set[1]] as DadoPart[]).widthMm).toBeCloseTo(5.4, 12);
    expect(stackWidth([set[0], set[5], set[1]] as DadoPart[]).widthMm).toBeCloseTo(5.65, 12);
  });
  it('a shim too thick leaves a strip standing', () => {
    const stack = stackWidth([set[0] as DadoPart, part('thick', 'shim', 1.4), set[1] as DadoPart]);
    expect(stack.uncutMm).toBeCloseTo(0.4, 12);
  });
  it('finds the stack nearest a wanted groove, fewest parts first', () => {
    const stack = stackFor(set, 7.6);
    expect(stack?.parts.length).toBe(3);
    expect(stack?.widthMm).toBeCloseTo(7.6, 12);
    expect(stackFor(set, 7.9)?.parts).toContain('shim');
  });
  it('parts of different overhang are taken where they lie, not in the order they came', () => {
    // A wide chipper first inside reaches out past the outer blade's own cut.
    const wide = stackWidth([set[0], part('wide', 'chipper', 1, 6), set[1]] as DadoPart[]);
    // The outer cut from -0.5 to 2.7; the chipper lies at 2.2 to 3.2 and cuts from -0.3 to 5.7; the last from 2.7 to 5.9.
    expect(wide.widthMm).toBeCloseTo(6.4, 12);
    expect(
      stackWidth([part('o', 'outer', 2, 2), part('w', 'chipper', 1, 9), part('p', 'outer', 2, 2)]).widthMm,
    ).toBeCloseTo(9, 12);
  });
  it('two gaps are both told, and no stack with a gap is offered', () => {
    const gappy = [part('o', 'outer', 2, 2.2), part('s1', 'shim', 1), part('p', 'outer', 2, 2.2)];
    expect(stackWidth(gappy).uncutMm).toBeCloseTo(0.8, 12);
    expect(stackFor(gappy, 5.2)?.parts).toEqual(['o', 'p']);
  });
  it('is exact to the part when many fit: fewest parts of those equally near', () => {
    const many = [
      part('o', 'outer', 2, 3),
      part('p', 'outer', 2, 3),
      ...[1, 2, 3].map((i) => part(`c${i}`, 'chipper', 1, 1.6)),
      part('c4', 'chipper', 2, 2.6),
    ];
    expect(stackFor(many, 7)?.parts).toEqual(['o', 'c4', 'p']);
    expect(stackFor(many, 100)?.widthMm).toBeCloseTo(2 + 3 + 2 + 2 + 1, 12);
  });
  it('refuses what is no set', () => {
    expect(() => stackWidth([set[0]] as DadoPart[])).toThrowError(RangeError);
    expect(() => stackWidth([])).toThrowError(RangeError);
    expect(() => stackWidth([set[0], part('thin', 'shim', 0), set[1]] as DadoPart[])).toThrowError(
      'thin needs a thickness.',
    );
    expect(() => stackFor([...set, part('third', 'outer', 2)], 6)).toThrowError(RangeError);
    const shims = (n: number) => Array.from({ length: n }, (_, i) => part(`s${i}`, 'shim', 0.05));
    expect(() => stackFor([set[0], set[1], ...shims(13)] as DadoPart[], 6)).toThrowError(/At most 12/);
    expect(stackFor([set[0], set[1], ...shims(12)] as DadoPart[], 5.4)?.parts.length).toBe(2);
    expect(() => stackWidth([set[2], set[1]] as DadoPart[])).toThrowError(RangeError);
    expect(() => stackFor([set[0]] as DadoPart[], 6)).toThrowError(RangeError);
  });
});
