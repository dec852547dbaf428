import type { ScanWish } from '../reference/made-scan';
import { madeLine, madeScan } from '../reference/made-scan';
import { anglesOfTrace } from './angles-of-trace';
import { traceTeeth } from './trace-teeth';
import { fleamSeen, turnsOfTrace } from './turns-of-trace';

const PLATE_MM = 0.9;

describe('bevels that the light shows', () => {
  const seen = (fleamDeg: number, grey: number, wish: Partial<ScanWish> = {}) => {
    const line = madeLine({
      teeth: 40,
      pitchMm: 3.63,
      rakeDeg: -14,
      unevenMm: 0.08,
      unequalMm: 0.05,
      unlikeDeg: 1,
      seed: 4,
    });
    const strip = { widthMm: PLATE_MM * Math.tan((fleamDeg * Math.PI) / 180), grey, backs: true };
    const scan = madeScan(line, { dpi: 600, strip, ...wish });
    const trace = traceTeeth(scan.picture, { mmPerPx: scan.mmPerPx, bevels: true });
    if (!trace.ok) throw new Error(trace.code);
    return { trace, turns: turnsOfTrace(trace, PLATE_MM, false) };
  };

  it('tell fleam to a degree, and the side every point is on, whatever their grey', () => {
    for (const [fleamDeg, grey, wish] of [
      [20, 120, {}],
      [15, 95, { noise: 4, unevenLight: 0.3, rust: 40, dust: 60 }],
      [28, 35, {}],
    ] as const) {
      const { turns, trace } = seen(fleamDeg, grey, wish);
      expect(turns.length).toBeGreaterThan(33);
      const found = fleamSeen(turns);
      expect(Math.abs((found?.fleamDeg.value ?? 0) - fleamDeg)).toBeLessThan(1);
      expect(found?.alternate).toBeTrue();
      expect(
        turns.filter(({ turnDeg }) => Math.abs(Math.abs(turnDeg.value) - fleamDeg) > 3 * turnDeg.error).length,
      ).toBe(0);
      // Bevels lie on every even tooth's face and back, and one looks from the right: their points are on the left.
      // So a face in sight has a turn under 0, the point on the right where the face's is the greater (docs/geometry.md section 3).
      expect(trace.sideSeen).toBe('right');
      expect(turns.every(({ tooth, turnDeg }) => turnDeg.value < 0 === (tooth % 2 === 0))).toBeTrue();
      const taken = anglesOfTrace(trace, turns).filter(({ finding }) => finding.turnDeg !== undefined);
      expect(taken.length).toBeGreaterThan(30);
    }
  });

  it('seen from the other side of the plate the signs are the other way about', () => {
    const { turns, trace } = seen(20, 110, { mirrored: true });
    expect(trace.sideSeen).toBe('left');
    expect(turns.length).toBeGreaterThan(33);
    expect(turns.every(({ tooth, turnDeg }) => turnDeg.value > 0 === (tooth % 2 === 0))).toBeTrue();
  });

  it('none is told where the light shows none, nor where rust alone makes steps', () => {
    expect(seen(20, 60).turns).toEqual([]);
    expect(fleamSeen(seen(20, 60, { rust: 150, dust: 60 }).turns)).toBeNull();
  });
});
