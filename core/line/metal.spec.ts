import ManifoldModule from 'manifold-3d';
import { toothFor } from '../file/flank-angles';
import { viewDepth } from '../work/tooth-line/depth-view';
import { studyLine } from '../work/tooth-line/study';
import { planInputs } from '../reference/random-saw';
import type { ToothReading } from '../evidence/tooth-reading';

const worn = (n: number, pitch: number): ToothReading[] =>
  Array.from({ length: n }, (_, i) => ({
    tooth: i + 1,
    xMm: i * pitch + 0.06 * Math.sin(2.1 * i),
    // The two end teeth stand too low to be reached, so the outline's ends stay where they are.
    yMm: i === 0 || i === n - 1 ? -0.4 : -0.06 + 0.05 * Math.cos(1.3 * i),
    kind: 'tooth' as const,
  }));

describe('metal taken', () => {
  // Cross-section areas by manifold-3d's polygon clipping of the silhouette before and after.
  it('equals the area between the old and the new outline', async () => {
    const wasm = await ManifoldModule();
    wasm.setup();
    const pitch = 2.5;
    const readings = worn(9, pitch);
    const study = studyLine(planInputs(readings, pitch, { line: 'level' }));
    const view = viewDepth(study, 0.12);
    const { tanFace, tanBack } = toothFor(0, 0);
    const outline = (tips: { x: number; y: number }[]) => {
      // Between the first and the last tip: tips and the V bottoms between them, on a base far below.
      const points: [number, number][] = [];
      tips.forEach((tip, i) => {
        points.push([tip.x, tip.y]);
        const next = tips[i + 1];
        if (!next) return;
        const bottom = (tip.x + tip.y * tanFace - (next.x - next.y * tanBack)) / (tanFace + tanBack);
        points.push([tip.x + (tip.y - bottom) * tanFace, bottom]);
      });
      const last = points[points.length - 1] as [number, number];
      const first = points[0] as [number, number];
      return new wasm.CrossSection([[...points, [last[0], -9], [first[0], -9]].reverse() as [number, number][]]);
    };
    const before = outline(readings.map((r) => ({ x: r.xMm, y: r.yMm })));
    const after = outline(Array.from(view.spacing.xMm, (x, i) => ({ x, y: view.lineYMm[i] as number })));
    expect(view.flats.reached).toBe(7);
    const metalPerMm = view.metalMm3 / study.inputs.saw.plateThicknessMm;
    // manifold-3d rounds polygons to single precision.
    expect(metalPerMm).toBeCloseTo(before.subtract(after).area(), 4);
    expect(metalPerMm).toBeGreaterThan(0.5);
  });

  it('filing never adds metal: every travel is at least nothing', () => {
    const study = studyLine(planInputs(worn(60, 2), 2));
    for (const depth of [0, 0.02, 0.05, 0.11, 0.3]) {
      const view = viewDepth(study, depth);
      expect(view.filings.every((f) => f.faceMm >= 0 && f.backMm >= 0)).toBeTrue();
      expect(view.metalMm3).toBeGreaterThanOrEqual(0);
    }
  });
});
