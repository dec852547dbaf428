import fc from 'fast-check';
import ManifoldModule from 'manifold-3d';
import type { GulletPlanes } from './filed-gullet';
import { gulletPlanes, mirrored } from './filed-gullet';
import { gulletBottom, toothBetween } from './filed-tooth-solid';
import { cornerDeg } from '../file/file-section';
import { filedTooth, ridgeDropMm } from '../file/flank-angles';
import type { HalfSpace } from './plane';
import type { SlopedHold } from '../file/slope-planes';
import { slopedTooth } from '../file/slope-planes';

const hold = (fleamDeg: number, slopeDeg: number, rollDeg: number, sectionDeg = 60, tip: 1 | -1 = 1): SlopedHold => ({
  fleamDeg,
  slopeDeg,
  rollDeg,
  sectionDeg,
  tip,
});
const T_MM = 0.8;
const P_MM = 2.5;
const gullet = (h: SlopedHold, xMm: number, yMm = 0): GulletPlanes => gulletPlanes({ hold: h, xMm, yMm });

/** Height of the metal above (x, z) under several faces: the least of their planes. */
const heightUnder = (faces: readonly HalfSpace[], x: number, z: number): number =>
  Math.min(...faces.map(({ normal: [nx, ny, nz], offsetMm }) => (offsetMm - nx * x - nz * z) / ny));

const holds = fc.record({
  fleamDeg: fc.double({ min: 0, max: 35, noNaN: true }),
  slopeDeg: fc.double({ min: 0, max: 15, noNaN: true }),
  rollDeg: fc.double({ min: -5, max: 20, noNaN: true }),
  sectionDeg: fc.constantFrom(60, 75, 90),
  tip: fc.constantFrom<1 | -1>(1, -1),
});

describe('a tooth as the solid between two gullets', () => {
  it('alternate fleam of 25 with a roll of 15: the ridge falls 2 t tan f / T, 0.533 mm over 0.8', () => {
    const h = hold(25, 0, 15);
    const solid = toothBetween(gullet(h, P_MM), mirrored(gullet(h, 0)), T_MM);
    expect(solid.dropMm).toBeCloseTo(0.533, 3);
    expect(solid.dropMm).toBeCloseTo(
      ridgeDropMm(T_MM, 25, filedTooth({ rollDeg: 15, fleamDeg: 25, sectionDeg: 60 })),
      9,
    );
    expect(solid.point).toBe('right');
    expect(toothBetween(mirrored(gullet(h, P_MM)), gullet(h, 0), T_MM).point).toBe('left');
    expect(solid.views.side.faceDeg).toBeCloseTo(16.47, 2);
    expect(solid.views.side.backDeg).toBeCloseTo(47.81, 2);
    expect(solid.views.top.faceDeg).toBeCloseTo(25, 9);
    expect(solid.views.top.backDeg).toBeCloseTo(-25, 9);
  });

  it('filed square it is a chisel: level ridge, square sides, and the file’s own angle along the ridge', () => {
    const solid = toothBetween(gullet(hold(0, 0, 0), P_MM), gullet(hold(0, 0, 0), 0), T_MM);
    expect(solid.point).toBeNull();
    expect(solid.edges.ridgeDeg).toBeCloseTo(60, 9);
    expect(solid.edges.faceSideDeg).toBeCloseTo(90, 9);
    expect(solid.views.end.ridgeDeg).toBeCloseTo(0, 9);
    expect(solid.tip[1]).toBeCloseTo(P_MM / Math.tan(Math.PI / 3), 9);
  });

  it('an upright face with fleam f meets the plate at 90 - f', () => {
    const solid = toothBetween(gullet(hold(20, 0, 0), P_MM), mirrored(gullet(hold(20, 0, 0), 0)), T_MM);
    expect(solid.edges.faceSideDeg).toBeCloseTo(70, 9);
  });

  it('unequal fleams: dy/dz = (m after - m before) / T with T of the one face and the other back', () => {
    fc.assert(
      fc.property(holds, holds, (a, b) => {
        fc.pre(b.sectionDeg - b.rollDeg < 85);
        const [after, before] = [
          { ...a, slopeDeg: 0 },
          { ...b, slopeDeg: 0 },
        ];
        const solid = toothBetween(gullet(after, P_MM), gullet(before, 0), T_MM);
        const tan = (deg: number): number => Math.tan((deg * Math.PI) / 180);
        const spread =
          tan(after.rollDeg) / Math.cos((after.fleamDeg * Math.PI) / 180) +
          tan(before.sectionDeg - before.rollDeg) / Math.cos((before.fleamDeg * Math.PI) / 180);
        // Unmirrored, the axis turns the same way whichever end the tip points to.
        const rise = (tan(after.fleamDeg) - tan(before.fleamDeg)) / spread;
        expect(tan(solid.views.end.ridgeDeg)).toBeCloseTo(rise, 7);
      }),
    );
  });

  it('for any two holds the tip is where a brute-force search of the columns finds it', () => {
    fc.assert(
      fc.property(holds, holds, fc.boolean(), fc.boolean(), (a, b, flipA, flipB) => {
        fc.pre(b.sectionDeg - b.rollDeg < 75);
        const after = flipA ? mirrored(gullet(a, P_MM)) : gullet(a, P_MM);
        const before = flipB ? mirrored(gullet(b, 0)) : gullet(b, 0);
        const solid = toothBetween(after, before, T_MM);
        const faces = [after.face, before.back];
        // A face leaning into the cut bounds a column from below, too: there the least height is no ceiling.
        if (after.face.normal[1] <= 1e-3 || before.back.normal[1] <= 1e-3) return;
        let top = -Infinity;
        for (const z of [-T_MM / 2, T_MM / 2]) {
          for (let x = -8; x <= 8; x += 0.002) top = Math.max(top, heightUnder(faces, x, z));
        }
        expect(Math.abs(top - solid.tip[1])).toBeLessThan(0.12);
        expect(top).toBeLessThanOrEqual(solid.tip[1] + 1e-9);
      }),
      { numRuns: 25 },
    );
  });

  it('the gullet’s bottom runs along the file: it falls with slope, and passes under the plate’s middle where it was held', () => {
    fc.assert(
      fc.property(holds, (h) => {
        const planes = gullet(h, 1.3, -0.4);
        const { left, right } = gulletBottom(planes, T_MM);
        expect((left[0] + right[0]) / 2).toBeCloseTo(1.3, 9);
        expect((left[1] + right[1]) / 2).toBeCloseTo(-0.4, 9);
        const run = right.map((v, i) => (v - (left[i] as number)) / T_MM);
        const axis = planes.axis;
        expect(run[0]).toBeCloseTo(axis[0] / axis[2], 7);
        expect(run[1]).toBeCloseTo(axis[1] / axis[2], 7);
      }),
    );
  });

  it('agrees with the side view of a sloped file', () => {
    fc.assert(
      fc.property(holds, (h) => {
        // Beyond this a sloped, fleamed file lies past level: no tooth.
        fc.pre(h.sectionDeg - h.rollDeg < 75);
        const want = slopedTooth(h);
        const solid = toothBetween(gullet(h, P_MM), mirrored(gullet(h, 0)), T_MM);
        expect(solid.views.side.faceDeg).toBeCloseTo(want.faceDeg, 7);
        expect(solid.views.side.backDeg).toBeCloseTo(want.backDeg, 7);
        expect(solid.views.end.ridgeDeg).toBeCloseTo((Math.atan(want.dropPerMm) * 180) / Math.PI, 7);
      }),
    );
  });

  // Solid geometry by manifold-3d: volumes left by cutting with the two half-spaces.
  it('the solid left by a solid-geometry library has its tip and its ridge in the same place', async () => {
    const wasm = await ManifoldModule();
    wasm.setup();
    const cases: [SlopedHold, SlopedHold][] = [
      [hold(25, 0, 15), hold(10, 0, 5)],
      [hold(20, 8, 10, 60, -1), hold(20, 8, 10, 60, 1)],
      [hold(0, 0, 45, cornerDeg('square')), hold(0, 0, 45, cornerDeg('square'))],
      [hold(12, 0, 20, 90), hold(30, 5, 10, 75)],
    ];
    for (const [a, b] of cases) {
      const [after, before] = [gullet(a, P_MM), mirrored(gullet(b, 0))];
      let body = wasm.Manifold.cube([60, 40, T_MM], true);
      for (const face of [after.face, before.back]) {
        const n = face.normal;
        body = body.trimByPlane([-n[0], -n[1], -n[2]], -face.offsetMm);
      }
      const mesh = body.getMesh();
      let best: [number, number, number] = [0, -Infinity, 0];
      for (let v = 0; v < mesh.vertProperties.length; v += mesh.numProp) {
        const at = [0, 1, 2].map((k) => mesh.vertProperties[v + k] as number) as [number, number, number];
        if (at[1] > best[1]) best = at;
      }
      const solid = toothBetween(after, before, T_MM);
      [0, 1].forEach((k) =>
        expect(best[k])
          .withContext(JSON.stringify([a, b]))
          .toBeCloseTo(solid.tip[k] as number, 4),
      );
      if (solid.point) expect(best[2] > 0 ? 'right' : 'left').toBe(solid.point);
    }
  });

  it('refuses flanks that never meet', () =>
    expect(() => toothBetween(gullet(hold(0, 0, -50, 100), 0), gullet(hold(0, 0, 50, 60), 0), T_MM)).toThrowError(
      RangeError,
    ));
});
