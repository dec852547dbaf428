import { findToe } from '../evidence/toe-finding';
import { madeLine, madeScan } from '../reference/made-scan';
import { readingsOfTrace } from './readings-of-trace';
import { traceTeeth } from './trace-teeth';

describe('tracing a saw with starter teeth', () => {
  const cases = [
    { teeth: 60, toe: { teeth: 12, pitchMm: 1.5 }, dust: 0 },
    { teeth: 60, toe: { teeth: 12, pitchMm: 1.5 }, dust: 30 },
    { teeth: 90, toe: { teeth: 20, pitchMm: 1.9 }, dust: 10 },
    { teeth: 60, toe: { teeth: 12, pitchMm: 1.2 }, dust: 0 },
  ];
  for (const { dust, ...wish } of cases)
    it(`finds all of them: ${wish.toe.teeth} of ${wish.teeth} at ${wish.toe.pitchMm} mm, dust ${dust}`, () => {
      const line = madeLine({ ...wish, pitchMm: 3, rakeDeg: -5, unevenMm: 0.06, unequalMm: 0.05 });
      const scan = madeScan(line, { dpi: 600, dust, noise: 4 });
      const traced = traceTeeth(scan.picture, { mmPerPx: scan.mmPerPx });
      if (!traced.ok) throw new Error(traced.code);
      expect(traced.teeth.map((t) => t.kind)).toEqual(line.map(() => 'tooth'));
      traced.teeth.forEach((t, i) =>
        expect(Math.abs(t.xMm - (line[i]?.xMm ?? NaN) + (line[0]?.xMm ?? NaN))).toBeLessThan(0.02),
      );
      expect(traced.teeth.flatMap((t) => t.doubts).filter((d) => d === 'off-spacing')).toEqual([]);
      const found = findToe(readingsOfTrace(traced));
      expect(found?.teeth).toBe(wish.toe.teeth);
      expect(found?.pitchFromMm).toBeCloseTo(wish.toe.pitchMm, 1);
    });
  it('a tooth lost among them is named missing by their own pitch', () => {
    const line = madeLine({ teeth: 70, pitchMm: 3, toe: { teeth: 20, pitchMm: 1.6 }, missing: [62] });
    const scan = madeScan(line, { dpi: 600 });
    const traced = traceTeeth(scan.picture, { mmPerPx: scan.mmPerPx });
    if (!traced.ok) throw new Error(traced.code);
    expect(traced.teeth.flatMap((t) => (t.kind === 'missing' ? [t.tooth] : []))).toEqual([62]);
  });
});
