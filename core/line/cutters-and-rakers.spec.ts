import fc from 'fast-check';
import { toothFor } from '../file/flank-angles';
import { randomSaw } from '../reference/random-saw';
import type { ToothReading } from '../evidence/tooth-reading';
import { parsePattern, rolesAlong } from '../saw/tooth-pattern';
import { evenZone, nominalLine } from '../saw/zones';
import { breastedLine } from './breasted-line';
import { depthPoint, leastDepth } from './depth-curve';
import { evenShape, flatsOn, prepareLine, zonedShape } from './flats';
import type { JointLine } from './joint-line';
import { datumLine, datumOn, heightOn } from './joint-line';
import { smoothestSpacing } from './spacing';

const plain = (n: number) => Array.from({ length: n }, () => 'cutter' as const);
const straight = (alphaMm: number, beta = 0): JointLine => ({ alphaMm, beta });
const roles = (n: number, text: string) => {
  const read = parsePattern(text);
  return read.ok ? rolesAlong(read.roles, n) : [];
};

describe('a line of cutters and rakers, zones and breast', () => {
  it('plain, even and straight it is the straight saw’s own arithmetic', () => {
    fc.assert(
      fc.property(randomSaw(40), fc.double({ min: 0, max: 0.2, noNaN: true }), ({ readings, pitchMm }, share) => {
        const tooth = toothFor(-10, 20);
        const mixed = prepareLine(
          readings,
          zonedShape(nominalLine([evenZone(readings.length, pitchMm, -10)]), 20),
          plain(readings.length),
        );
        const prepared = prepareLine(readings, evenShape(pitchMm, tooth));
        const line = straight(-share * pitchMm, 0.0004);
        const [ours, theirs] = [flatsOn(line, mixed), flatsOn(line, prepared)];
        ours.fromMm.forEach((v, i) => expect(v).toBeCloseTo(theirs.fromMm[i] as number, 9));
        ours.toMm.forEach((v, i) => expect(v).toBeCloseTo(theirs.toMm[i] as number, 9));
        expect([...ours.on]).toEqual([...theirs.on]);
        const { groups } = mixed;
        expect(smoothestSpacing(ours, mixed.nominalMm, groups).worstMm).toBeCloseTo(
          smoothestSpacing(theirs, prepared.nominalMm).worstMm,
          9,
        );
      }),
    );
  });
  it('its least depth is the straight saw’s', () => {
    fc.assert(
      fc.property(randomSaw(40), ({ readings, pitchMm }) => {
        const mixed = prepareLine(
          readings,
          zonedShape(nominalLine([evenZone(readings.length, pitchMm, 0)]), 0),
          plain(readings.length),
        );
        const prepared = prepareLine(readings, evenShape(pitchMm, toothFor(0, 0)));
        const datum = datumLine(
          Array.from(prepared.xMm, (xMm, i) => ({ xMm, yMm: prepared.yMm[i] as number })),
          0.0002,
        );
        const wish = { share: 0.95, evennessMm: 0.05 * pitchMm };
        const ours = leastDepth(
          mixed,
          datumOn(
            readings.filter((r) => r.kind === 'tooth'),
            straight(0, 0.0002),
          ),
          wish,
          pitchMm * 0.3,
        );
        const theirs = leastDepth(prepared, datum, wish, pitchMm * 0.3);
        expect(ours.byTeethMm).toBeCloseTo(theirs.byTeethMm, 9);
        expect(ours.depthMm).toBeCloseTo(theirs.depthMm, 3);
      }),
      { numRuns: 40 },
    );
  });
  it('on a breasted saw every flat lies on the arc’s own tangent: its ends are where the flanks meet it', () => {
    const n = 60;
    const readings: ToothReading[] = Array.from({ length: n }, (_, i) => ({
      tooth: i + 1,
      xMm: i * 6 + 0.3 * Math.sin(i),
      yMm: 4 * (1 - (i / 29.5 - 1) ** 2) + 0.1 * Math.cos(3 * i),
      kind: 'tooth',
    }));
    const mixed = prepareLine(readings, zonedShape(nominalLine([evenZone(n, 6, -5)]), 25), plain(n));
    const line = breastedLine(readings, 4);
    const flats = flatsOn(line, mixed);
    expect(flats.reached).toBe(n);
    for (let i = 0; i < n; i++) {
      const [a, b] = [flats.fromMm[i] as number, flats.toMm[i] as number];
      const [x, y] = [mixed.xMm[i] as number, mixed.yMm[i] as number];
      // The back's and the face's own heights there, against the arc: off by the tangent's second order alone.
      expect(Math.abs(y - (x - a) / (mixed.tanBack[i] as number) - heightOn(line, a))).toBeLessThan(1e-3);
      expect(Math.abs(y - (b - x) / (mixed.tanFace[i] as number) - heightOn(line, b))).toBeLessThan(1e-3);
    }
  });
  it('rakers neither reach the line nor part their neighbours’ jointing', () => {
    const kinds = roles(12, 'CCR');
    const readings: ToothReading[] = kinds.map((role, i) => ({
      tooth: i + 1,
      xMm: i * 5,
      yMm: role === 'raker' ? -0.4 : -0.02 * (i % 3),
      kind: 'tooth',
    }));
    const mixed = prepareLine(readings, zonedShape(nominalLine([evenZone(12, 5, 0)]), 20), kinds);
    const point = depthPoint(mixed, straight(0), 0.03);
    const flats = flatsOn(straight(-0.03), mixed);
    expect(point.reachedShare).toBe(1);
    expect(flats.reached).toBe(8);
    expect(smoothestSpacing(flats, mixed.nominalMm, mixed.groups).judged).toBe(4);
    expect(point.worstSpacingMm).toBeCloseTo(smoothestSpacing(flats, mixed.nominalMm, mixed.groups).worstMm, 12);
    const cutters = readings.filter((_, i) => kinds[i] === 'cutter');
    expect(datumOn(cutters, straight(-3)).alphaMm).toBeCloseTo(0, 12);
  });
  it('a graded rake gives each tooth its own face, and the gullet before it its back', () => {
    const readings: ToothReading[] = Array.from({ length: 10 }, (_, i) => ({
      tooth: i + 1,
      xMm: i * 2,
      yMm: 0,
      kind: 'tooth',
    }));
    const graded = nominalLine([{ teeth: 10, pitchFromMm: 2, pitchToMm: 2, rakeFromDeg: 0, rakeToDeg: -18 }]);
    const mixed = prepareLine(readings, zonedShape(graded, 0), plain(10));
    expect(mixed.tanFace[9]).toBeCloseTo(Math.tan((18 * Math.PI) / 180), 9);
    expect(mixed.tanBack[9]).toBeCloseTo(Math.tan(((60 - 16) * Math.PI) / 180), 9);
    const flats = flatsOn(straight(-0.2), mixed);
    const widths = Array.from(flats.toMm, (v, i) => v - (flats.fromMm[i] as number));
    widths.forEach((w, i) =>
      expect(w).toBeCloseTo(0.2 * ((mixed.tanFace[i] as number) + (mixed.tanBack[i] as number)), 9),
    );
  });
  it('wants a role for every tooth', () =>
    expect(() =>
      prepareLine([{ tooth: 2, xMm: 2, yMm: 0, kind: 'tooth' }], evenShape(2, toothFor(0, 0)), ['cutter']),
    ).toThrowError(RangeError));
});
