import { readyForCodes } from '../../tools/code-reader';
import { codeModules } from '../reference/code-modules';
import type { BladeScene, BladeWish } from '../reference/made-blade-photograph';
import { bladePhotograph, madeRim } from '../reference/made-blade-photograph';
import { closeRim } from '../trace/close-rim';
import { editTrace } from '../trace/edit-trace';
import { traceTeeth } from '../trace/trace-teeth';
import type { TracedLine } from '../trace/traced-line';
import { codeOf, rimStrip, ROUND_DIAMETERS_MM, roundOf, roundSheets } from './measuring-strip';
import { readRim } from './read-rim';
import { seeCodes } from './see-codes';

/** A small blade, so that its picture is quickly made; as many pixels to the mm as one of 250 mm before a telephone. */
const BLADE: BladeWish = {
  diameterMm: 90,
  boreMm: 30,
  teeth: 12,
  rakeDeg: 14,
  backDeg: 72,
  gulletMm: 8,
  unequalMm: 0.1,
  unevenMm: 0.2,
  unlikeDeg: 2,
  eccentricMm: 0.3,
};
const SCENE: BladeScene = {
  widthPx: 1420,
  heightPx: 1420,
  focalPx: 4500,
  heightMm: 530,
  plateMm: 1.8,
  k1: -0.05,
  k2: 0.01,
  tiltXDeg: 6,
  tiltYDeg: -3,
  noise: 3,
  blurPx: 0.8,
  unevenLight: 0.2,
  bladeAt: [1.5, -2],
};

describe('a round blade photographed among its round strips', () => {
  let timeout: number;
  beforeAll(async () => {
    // Pictures are made here, large ones.
    timeout = jasmine.DEFAULT_TIMEOUT_INTERVAL;
    jasmine.DEFAULT_TIMEOUT_INTERVAL = 120_000;
    await readyForCodes();
  });
  afterAll(() => {
    jasmine.DEFAULT_TIMEOUT_INTERVAL = timeout;
  });

  const read = async (blade: Partial<BladeWish> = {}, scene: Partial<BladeScene> = {}) => {
    const wish = { ...BLADE, ...blade };
    const rim = madeRim(wish);
    const picture = bladePhotograph(rim, wish, { ...SCENE, ...scene }, codeModules);
    const known = { plateMm: SCENE.plateMm, printed: { along: 1, across: 1 }, focalPx: SCENE.focalPx, round: wish };
    return { rim, picture, known, found: readRim(picture, await seeCodes(picture), known) };
  };
  /** Made once, looked at twice. */
  let plain: ReturnType<typeof read> | undefined;
  const traced = ({ found }: Awaited<ReturnType<typeof read>>): TracedLine => {
    if (!found.ok) throw new Error(found.code);
    const { mmPerPx, scaleError, placeErrorMm } = found;
    const wish = { mmPerPx, scaleError, placeErrorMm, rim: true, teethPoint: 'up', heel: 'left' } as const;
    const line = traceTeeth(found.picture, wish);
    if (!line.ok) throw new Error(line.code);
    return closeRim(line, found.rim);
  };

  it('gives every tooth its height about the bore, its place and its hook, from tooth 1 at strip 1 onwards the way the faces look', async () => {
    const seen = await (plain ??= read());
    const line = traced(seen);
    const { rim } = seen;
    expect(line.teeth.length).toBe(rim.length);
    expect(line.rim?.about).toBe('bore');
    const mean = rim.reduce((s, t) => s + t.radiusMm, 0) / rim.length;
    expect(Math.abs((line.rim?.meanRadiusMm ?? 0) - mean)).toBeLessThan(0.08);
    const off = line.teeth.map((t, i) => {
      const true_ = rim[i] as (typeof rim)[number];
      return {
        height: t.yMm - (true_.radiusMm - mean),
        told: t.errors.yMm,
        place: t.xMm - (true_.turn - (rim[0]?.turn ?? 0)) * mean,
        rake: (t.rakeDeg ?? NaN) - true_.rakeDeg,
      };
    });
    const rms = (of: (o: (typeof off)[number]) => number): number =>
      Math.sqrt(off.reduce((s, o) => s + of(o) ** 2, 0) / off.length);
    expect(rms((o) => o.height)).toBeLessThan(0.06);
    expect(rms((o) => o.place)).toBeLessThan(0.35);
    expect(rms((o) => o.rake)).toBeLessThan(0.6);
    expect(off.filter((o) => Math.abs(o.height) > 3 * o.told).length).toBe(0);
    // The count begins at any tooth that is told to be the first, and goes on the same way round.
    const turned = editTrace(line, { do: 'begin', tooth: 5 });
    expect(turned.teeth.map((t) => t.yMm)).toEqual(
      [...line.teeth.slice(4), ...line.teeth.slice(0, 4)].map((t) => t.yMm),
    );
    expect(turned.teeth[0]?.xMm).toBe(0);
    expect(turned.teeth.every((t, i) => i === 0 || t.xMm > (turned.teeth[i - 1]?.xMm ?? 0))).toBeTrue();
  });

  it('turned over it counts the other way round, a lost tooth keeps its number, and without a bore it says that it stands about its rim', async () => {
    const seen = await read({ missing: [7] }, { arbor: true, turnedOver: true, bladeAt: [0, 0] });
    const line = traced(seen);
    expect(line.teeth.map((t) => t.kind)).toEqual(seen.rim.map((_, i) => (i === 6 ? 'missing' : 'tooth')));
    expect(line.rim?.about).toBe('rim');
    const rakes = line.teeth.flatMap((t, i) => (t.rakeDeg === null ? [] : [t.rakeDeg - (seen.rim[i]?.rakeDeg ?? NaN)]));
    expect(Math.max(...rakes.map(Math.abs))).toBeLessThan(1.5);
  });

  it('what a picture cannot give is said: no round strips, no blade among them', async () => {
    const { picture, known } = await (plain ??= read());
    const none = readRim(picture, [], known);
    expect(none.ok ? '' : none.code).toBe('marks-covered');
    const codes = await seeCodes(picture);
    const bare = { ...picture, grey: picture.grey.map((g) => (g < 110 && g > 40 ? 200 : g)) };
    const empty = readRim(bare, codes, known);
    expect(empty.ok ? '' : empty.code).toBe('no-rim');
  });

  it('pieces of a round go round once, on sheets that hold them, and their codes name them', () => {
    for (let mm = ROUND_DIAMETERS_MM.least; mm <= ROUND_DIAMETERS_MM.most; mm += 31) {
      const { pieces, arcDeg, outerMm, innerMm } = roundOf(mm);
      expect(pieces * arcDeg).toBeCloseTo(360, 9);
      expect(pieces).toBeLessThan(10);
      expect(2 * outerMm * Math.sin((arcDeg * Math.PI) / 360)).toBeLessThan(250.001);
      const strip = rimStrip(pieces, mm);
      expect(codeOf(strip.codes[2]?.text ?? '')?.strip).toEqual(strip);
      expect(codeOf(`ODS1R${mm}-${pieces + 1}-1`)).toBeNull();
      const { aSheet, stepMm, sheets } = roundSheets(mm);
      expect(sheets * aSheet).toBeGreaterThanOrEqual(pieces);
      expect((aSheet - 1) * stepMm + strip.heightMm).toBeLessThan(180);
      // No dot lies on another, on a code, or outside its piece.
      for (const [x, y] of strip.dots) {
        const r = Math.hypot(x, y);
        expect(r - 1.5).toBeGreaterThan(mm / 2 + 10);
        expect(r + 1.5).toBeLessThan(outerMm);
        expect(strip.dots.filter(([u, v]) => Math.hypot(u - x, v - y) < 6).length).toBe(1);
      }
      expect(innerMm).toBeLessThan(mm / 2);
    }
  });
});
