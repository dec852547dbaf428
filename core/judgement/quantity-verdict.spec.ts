import { sidesOf } from '../evidence/sides';
import type { PlaceEstimate } from '../evidence/estimates';
import { readingFault } from '../evidence/reading-fault';
import { BAND, DADO, PLAIN_HEAD, RAKER } from '../reference/made-saws';
import type { Saw, SawOf } from '../saw/saw';
import type { Judgement } from './books';
import { setLimitMm, summariseQuantity } from './quantity-verdict';

describe('what a quantity’s readings say together', () => {
  const at = (values: readonly [number, number][]): PlaceEstimate[] =>
    values.map(([place, valueMm]) => ({ place, valueMm, errorMm: 0.005, count: 1 }));

  it('rakers against the wanted depth: 15 thou on a two-man saw in dry soft wood (trade section 5)', () => {
    const says = summariseQuantity(
      RAKER,
      'raker-depth',
      at([
        [5, 0.381],
        [10, 0.2],
        [15, 0.5],
      ]),
      20,
      { wood: 'dry-soft' },
    );
    expect(says?.raker?.targetMm).toBeCloseTo(0.381, 6);
    expect([says?.raker?.shallow, says?.raker?.deep]).toEqual([[10], [15]]);
    expect([says?.lowest.place, says?.highest.place]).toEqual([10, 15]);
  });

  it('the same of the gaps under a straight edge at three places; of one in the middle, nothing', () => {
    const line = RAKER.toothLineMm;
    const gaps = (over: number, under: number) =>
      at([
        [0, over],
        [Math.round(line / 2), under],
        [line, over],
      ]);
    const says = summariseQuantity(RAKER, 'breast', gaps(5.1, 0.1), 3, { wood: 'dry-soft' })?.breast;
    expect(says?.sagittaMm).toBeCloseTo(5, 3);
    // R = c² / 8 s and half of s, by hand.
    expect(says?.radiusMm).toBeCloseTo(line ** 2 / 40 + 2.5, 0);
    expect(summariseQuantity(RAKER, 'breast', gaps(5, 0).slice(1, 2), 3, { wood: 'dry-soft' })?.breast).toBeNull();
    // Hollow is no breast.
    expect(summariseQuantity(RAKER, 'breast', gaps(0, 2), 3, { wood: 'dry-soft' })?.breast?.radiusMm).toBeNull();
  });

  it('the breast of a long saw by its tips, and the bend of a jointer’s file for it', () => {
    const arc = (radius: number) =>
      at(
        Array.from({ length: 101 }, (_, i) => i + 1)
          .filter((tooth) => tooth % 5 !== 0)
          .map((tooth) => [tooth, Math.sqrt(radius ** 2 - ((tooth - 51) * 15) ** 2) - radius]),
      );
    const says = summariseQuantity(RAKER, 'height', arc(20_000), 81, { wood: 'dry-soft' })?.breast;
    expect((says?.radiusMm ?? 0) / 20_000).toBeCloseTo(1, 2);
    // The chord of a circle by hand: 200² / (8 · 20 000) and a hair; over longer shoes as the square.
    expect(says?.bend.bendMm).toBeCloseTo(0.25, 2);
    const longer = summariseQuantity(RAKER, 'height', arc(20_000), 81, { wood: 'dry-soft', shoesMm: 400 })?.breast;
    expect((longer?.bend.bendMm ?? 0) / (says?.bend.bendMm ?? NaN)).toBeCloseTo(4, 2);
    const straight = at(Array.from({ length: 20 }, (_, i): [number, number] => [1 + 5 * i, 0]));
    const none = summariseQuantity(RAKER, 'height', straight, 81, { wood: 'dry-soft' })?.breast;
    expect([none?.radiusMm, none?.bend.bendMm]).toEqual([null, 0]);
    expect(summariseQuantity(RAKER, 'height', straight.slice(0, 5), 81, { wood: 'dry-soft' })?.breast).toBeNull();
    // A jointer longer than the saw is no slip of ours: nothing is said, and nothing breaks.
    const short: SawOf<'crosscut'> = { ...RAKER, pitchMm: 4, toothLineMm: 80 };
    const humped = at(Array.from({ length: 20 }, (_, i): [number, number] => [i + 1, -0.04 * (i - 10) ** 2]));
    expect(summariseQuantity(short, 'height', humped, 20, { wood: 'dry-soft', shoesMm: 600 })?.breast).toBeNull();
    const oneEnd = at(Array.from({ length: 20 }, (_, i): [number, number] => [i + 1, 0]));
    expect(summariseQuantity(RAKER, 'height', oneEnd, 81, { wood: 'dry-soft' })?.breast).toBeNull();
    expect(summariseQuantity(BAND, 'height', straight, 81, { wood: 'dry-soft' })?.breast).toBeNull();
  });

  it('gullets of rakers: each for its own width, never one depth for all', () => {
    const says = summariseQuantity(
      RAKER,
      'raker-width',
      at([
        [5, 6],
        [10, 9],
      ]),
      20,
      {
        wood: 'dry-soft',
        gulletDepths: at([
          [5, 6.6],
          [10, 6.6],
          [11, 14],
        ]),
      },
    )?.gullets;
    // By hand: 3 / tan 25° and 4.5 / tan 25°.
    expect(says?.each.map((raker) => raker.wantedMm.toFixed(3))).toEqual(['6.434', '9.650']);
    expect(says?.each.map((raker) => (raker.deeperMm ?? NaN) > 0)).toEqual([false, true]);
    expect([says?.leastMm, says?.mostMm]).toEqual((says?.each ?? []).map((raker) => raker.wantedMm));
    // The shop's own tip, as on the plan: 3 / tan 30.
    const own = summariseQuantity(RAKER, 'raker-width', at([[5, 6]]), 20, { wood: 'dry-soft', tipDeg: 30 })?.gullets;
    expect([own?.tipDeg, own?.leastMm]).toEqual([30, 3 / Math.tan(Math.PI / 6)]);
    const alone = summariseQuantity(RAKER, 'raker-width', at([[5, 6]]), 20, { wood: 'dry-soft' })?.gullets;
    expect(alone?.each[0]?.deeperMm).toBeNull();
    // A raker that would stand over its cutters is refused where it is typed.
    const wide = { key: 'w', part: null, setAside: false, corrects: null, simulated: false, gauge: 'caliper' } as const;
    const fault = (value: number) =>
      readingFault(RAKER, { ...wide, quantity: 'raker-width', place: 5, value }, new Map());
    expect(fault(9)).toBeNull();
    expect(fault(31)).toContain('would stand over its cutters');
    // Set aside as a slip it is kept, and asked about.
    expect(
      readingFault(RAKER, { ...wide, quantity: 'raker-width', place: 5, value: 31, setAside: true }, new Map()),
    ).toBeNull();
  });

  it('a band’s set by its own pattern, and which side it runs to', () => {
    const places = Array.from({ length: 20 }, (_, i): [number, number] => [
      i + 1,
      (i % 2 ? 0.1 : 0.16) + 0.002 * (i % 3),
    ]);
    const says = summariseQuantity(BAND, 'set', at(places), 330, { wood: 'dry-soft' });
    expect(says?.set?.left).toBeGreaterThan(says?.set?.right ?? Infinity);
    expect(says?.set?.balance.runsTo).toBe('left');
    expect(says?.set?.balance.certain).toBeTrue();
    expect(sidesOf({ ...BAND, set: 'left-right-straight' })(3)).toBeNull();
  });

  it('cutters lean by turns among themselves, whatever rakers stand between', () => {
    const sides = (saw: Saw, teeth: number) => Array.from({ length: teeth }, (_, i) => sidesOf(saw)(i + 1)?.[0] ?? '-');
    expect(sides({ ...RAKER, pattern: 'CCR' }, 6).join('')).toBe('lr-lr-');
    expect(sides(RAKER, 10).join('')).toBe('lrlr-lrlr-');
    expect(sides({ ...RAKER, pattern: 'C' }, 4).join('')).toBe('lrlr');
  });

  it('the mean set under which a band is set anew', () => {
    expect(setLimitMm(BAND, 'dry-soft', undefined)).toBeCloseTo(0.6 * 6 * 1.15 * 0.0254, 6);
    // A shop that sets anew earlier decides by its own share.
    const own = { reset: { thresholds: { leastShare: 0.8 } } };
    expect(setLimitMm(BAND, 'dry-soft', own)).toBeCloseTo(0.8 * 6 * 1.15 * 0.0254, 6);
  });

  it('a bowed plate: where, how far and how long, and what the shop does about such a bend', () => {
    const saw: Saw = { ...PLAIN_HEAD, family: 'hand', filing: 'rip', pitchMm: 5, toothLineMm: 650 };
    const bow = (gap: (x: number) => number, own?: Judgement) =>
      summariseQuantity(saw, 'bow', at([81, 163, 244, 325, 406, 488, 569].map((x) => [x, gap(x)])), 7, {
        wood: 'dry-hard',
        own,
      })?.bend;
    const gradual = (x: number): number => (-16 * x * (650 - x)) / 650 ** 2;
    expect(bow(gradual)?.found.bulges).toBe('left');
    expect(bow(gradual)?.advice[0]).toMatch(/gradual bend/);
    expect(bow((x) => gradual(x) / 8)?.advice).toEqual(['Straight enough to work.']);
    expect(bow((x) => (x < 325 ? x / 60 : (650 - x) / 60))?.advice[0]).toMatch(/blocks with a clamp/);
    const own: Judgement = { straighten: { rules: { gradual: { says: 'Over the knee.' } } } };
    expect(bow(gradual, own)?.advice).toEqual(['Over the knee.']);
    const rust = summariseQuantity(saw, 'rust', at([[100, 50]]), 7, { wood: 'dry-hard' });
    expect(rust?.reach?.teeth).toEqual([{ first: 16, last: 26 }]);
    expect(rust?.bend).toBeNull();
  });

  it('round a rim: a made eccentricity of 0.08 mm towards a quarter turn is found', () => {
    const places = Array.from({ length: 24 }, (_, i): [number, number] => [
      i + 1,
      0.08 * Math.sin((2 * Math.PI * i) / 24),
    ]);
    const says = summariseQuantity(DADO, 'runout', at(places), 24, { wood: 'dry-soft' });
    expect(says?.dial?.eccentricityMm).toBeCloseTo(0.08, 6);
    expect(says?.dial?.towardsDeg).toBeCloseTo(90, 3);
    expect(summariseQuantity(DADO, 'runout', at(places.slice(0, 4)), 24, { wood: 'dry-soft' })?.dial).toBeNull();
  });

  it('chippers: 12 thou is too much, 4 thou good (trade section 6)', () => {
    const of = (spread: number) =>
      summariseQuantity(
        DADO,
        'chipper-height',
        at([
          [1, 0],
          [2, -spread],
        ]),
        4,
        { wood: 'dry-soft' },
      )?.chippers?.verdict;
    expect([of(0.1), of(0.126), of(0.31)]).toEqual(['good', 'acceptable', 'too-much']);
    expect(summariseQuantity(DADO, 'chipper-height', [], 4, { wood: 'dry-soft' })).toBeNull();
  });
});
