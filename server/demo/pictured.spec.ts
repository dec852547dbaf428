import {
  BLADE,
  bladeRim,
  photographedLine,
  photographedSets,
  SCANNED,
  scannedLine,
} from '@odontis/core/reference/pictured-saws';
import { picturedReadings } from './pictured';

describe('saws of the demo measured from pictures', () => {
  const read = picturedReadings();
  const rms = (of: readonly number[]): number => Math.sqrt(of.reduce((s, v) => s + v * v, 0) / of.length);

  it('are what their pictures were made of, as nearly as such pictures tell', () => {
    for (const [rows, line, placeMm] of [
      [read.scan, scannedLine(), 0.01],
      [read.photograph, photographedLine(), 0.04],
    ] as const) {
      expect(rows.length).toBe(line.length);
      const first = rows[0]?.[0] ?? 0;
      expect(rms(rows.map(([xMm], i) => xMm - first - (line[i]?.xMm ?? NaN)))).toBeLessThan(2 * placeMm);
      expect(
        rms(rows.flatMap(([, , rake], i) => (rake === null ? [] : [rake - (line[i]?.rakeDeg ?? NaN)]))),
      ).toBeLessThan(0.4);
    }
    const turns = read.scan.flatMap(([, , , , turn]) => (turn === null ? [] : [turn]));
    expect(turns.length).toBeGreaterThan(130);
    expect(rms(turns.map((turn) => Math.abs(turn) - SCANNED.fleamDeg))).toBeLessThan(1);
    const sets = photographedSets();
    expect(read.edge.length).toBeGreaterThan(30);
    expect(rms(read.edge.map((set, i) => set - (sets[i] ?? NaN)))).toBeLessThan(0.03);
    const rim = bladeRim();
    expect(read.blade.length).toBe(BLADE.teeth);
    const off = read.blade.map(([runout], i) => runout - ((rim[i]?.radiusMm ?? NaN) - (rim[0]?.radiusMm ?? NaN)));
    const middle = off.reduce((s, v) => s + v, 0) / off.length;
    expect(rms(off.map((v) => v - middle))).toBeLessThan(0.06);
    const hooks = read.blade.flatMap(([, face], i) =>
      face === null ? [] : [(Math.asin(face / (BLADE.diameterMm / 2)) * 180) / Math.PI - (rim[i]?.rakeDeg ?? NaN)],
    );
    expect(rms(hooks)).toBeLessThan(0.4);
  });
});
