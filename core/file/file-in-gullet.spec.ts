import ManifoldModule from 'manifold-3d';
import fc from 'fast-check';
import { gulletPlanes } from '../reference/filed-gullet';
import type { GulletWork, PlatePoint, ToothBeside } from './file-in-gullet';
import { fileInGullet } from './file-in-gullet';
import { filedTooth } from './flank-angles';
import { radians } from '../units/radians';

const PITCH_MM = 3;
/** Teeth of one pitch, read 0.1 mm over the line they were jointed to. */
const teeth = (done: Partial<ToothBeside> = {}): ToothBeside[] =>
  [0, 1, 2, 3].map((i) => ({
    ...{ tip: [i * PITCH_MM, 0.1], jointMm: 0, target: [i * PITCH_MM, 0], backDone: false, faceDone: false },
    ...done,
  }));
const work = (more: Partial<GulletWork> = {}): GulletWork => ({
  ...{ teeth: teeth(), faceOf: 1, rollDeg: 0, fleamDeg: 0, section: 'taper', fileFaceMm: 8, deeperMm: 0 },
  ...more,
});
const areaOf = (ring: readonly (readonly [number, number])[]): number =>
  Math.abs(
    ring.reduce((sum, [x, y], i) => {
      const [u, v] = ring[(i + 1) % ring.length] as readonly [number, number];
      return sum + (x * v - u * y) / 2;
    }, 0),
  );
const flank = (points: readonly PlatePoint[], a: number, b: number): number => {
  const [[x1, y1], [x2, y2]] = [points[a], points[b]] as [PlatePoint, PlatePoint];
  return Math.atan2(x2 - x1, y2 - y1) / radians(1);
};

describe('a file in a gullet, seen square to the plate', () => {
  it('an upright face and a back of 60: a flat of 0.1 tan 60, half of it on either flank’s own side', () => {
    const picture = fileInGullet(work());
    // By hand: 0.1 (tan 0 + tan 60) = 0.1732; the face's share of it is 0.1 tan 0 = 0, the back's all.
    expect(picture.heel?.nowMm).toBeCloseTo(0.1732, 4);
    expect(picture.heel?.afterMm).toBeCloseTo(0.1732, 4);
    expect(picture.toe?.afterMm).toBeCloseTo(0, 9);
    // Pitch over tan A + tan B deep.
    expect(picture.corner[1]).toBeCloseTo(-PITCH_MM / Math.tan(radians(60)), 9);
    expect(picture.corner[0]).toBeCloseTo(PITCH_MM, 9);
  });

  it('rolled, half a flat goes from each side; both gullets done it is gone', () => {
    const first = fileInGullet(work({ rollDeg: 30 }));
    expect(first.heel?.afterMm).toBeCloseTo((first.heel?.nowMm ?? 0) / 2, 9);
    const second = fileInGullet(work({ rollDeg: 30, teeth: teeth({ backDone: true }) }));
    expect(second.heel?.afterMm).toBeCloseTo(0, 9);
    expect(second.now.length).toBe(second.after.length);
  });

  it('a sharpening pass takes its depth at right angles off both flanks, and the gullet goes down with it', () => {
    const done = { backDone: true, faceDone: true, tip: [0, 0] as const };
    const sharp = teeth(done);
    const [plain, deeper] = [
      fileInGullet(work({ teeth: sharp })),
      fileInGullet(work({ teeth: sharp, deeperMm: 0.05 })),
    ];
    const { tanFace, tanBack, faceDeg, backDeg } = filedTooth({ rollDeg: 0, fleamDeg: 0, sectionDeg: 60 });
    const down = 0.05 * (1 / Math.cos(radians(faceDeg)) + 1 / Math.cos(radians(backDeg)));
    expect(plain.corner[1] - deeper.corner[1]).toBeCloseTo(down / (tanFace + tanBack), 9);
    expect(deeper.after).not.toEqual(deeper.now);
    expect(plain.after).toEqual(plain.now);
  });

  it('before the first tooth and after the last there is a tooth on one side alone', () => {
    expect(fileInGullet(work({ faceOf: -1 })).heel).toBeNull();
    const last = fileInGullet(work({ faceOf: 3 }));
    expect(last.toe).toBeNull();
    expect(last.corner[1]).toBeLessThan(-1);
    expect(() => fileInGullet(work({ faceOf: 7 }))).toThrowError(RangeError);
  });

  it('is the solid file’s own cut with the plate, for any roll and fleam, and lies along the flanks of the filed gullet', async () => {
    const wasm = await ManifoldModule();
    wasm.setup();
    fc.assert(
      fc.property(
        fc.double({ min: -5, max: 25, noNaN: true }),
        fc.double({ min: 0, max: 35, noNaN: true }),
        fc.constantFrom('taper' as const, 'square' as const),
        (rollDeg, fleamDeg, section) => {
          const sectionDeg = section === 'taper' ? 60 : 90;
          fc.pre(sectionDeg - rollDeg < 80);
          const { file, corner } = fileInGullet(work({ rollDeg, fleamDeg, section }));
          // The section across the file, drawn apart, as a bar along the file; turned by the fleam; cut by the plate.
          const dir = (deg: number, way: number): [number, number] => [
            8 * way * Math.sin(radians(deg)),
            8 * Math.cos(radians(deg)),
          ];
          const [a, b] = [dir(rollDeg, -1), dir(sectionDeg - rollDeg, 1)];
          const ring: [number, number][] =
            section === 'taper' ? [[0, 0], b, a] : [[0, 0], b, [a[0] + b[0], a[1] + b[1]], a];
          const bar = new wasm.CrossSection([ring]).extrude(200, 0, 0, [1, 1], true).rotate([0, fleamDeg, 0]);
          const cut = bar.slice(0).toPolygons()[0] ?? [];
          expect(areaOf(file)).toBeCloseTo(areaOf(cut), 4);
          for (const [x, y] of file)
            expect(Math.min(...cut.map(([u, v]) => Math.hypot(u - (x - corner[0]), v - (y - corner[1]))))).toBeLessThan(
              1e-4,
            );
          // Its two edges at the corner lie in the planes that such a file leaves.
          const { face, back } = gulletPlanes({
            hold: { rollDeg, fleamDeg, slopeDeg: 0, sectionDeg, tip: 1 },
            xMm: corner[0],
            yMm: corner[1],
          });
          for (const [plane, point] of [
            [face, file[1]],
            [back, file[file.length - 1]],
          ] as const)
            expect(plane.normal[0] * (point?.[0] ?? 0) + plane.normal[1] * (point?.[1] ?? 0)).toBeCloseTo(
              plane.offsetMm,
              6,
            );
        },
      ),
      { numRuns: 40 },
    );
  });

  it('flanks in the picture stand as the saw’s angles are', () => {
    const { after } = fileInGullet(work({ rollDeg: 15, fleamDeg: 25 }));
    const filed = filedTooth({ rollDeg: 15, fleamDeg: 25, sectionDeg: 60 });
    // Edge points: tip from, tip to, bottom, tip from ... the face runs from a tip's end down to the bottom.
    expect(flank(after, 5, 4)).toBeCloseTo(-filed.faceDeg, 6);
    expect(flank(after, 5, 6)).toBeCloseTo(filed.backDeg, 6);
  });
});
