import type { Saw } from '@odontis/core/saw/saw';
import { madeRakerLine } from '@odontis/core/reference/made-raker-line';
import { madeLine, madeScan } from '@odontis/core/reference/made-scan';
import { traceTeeth } from '@odontis/core/trace/trace-teeth';
import { bandDossier } from '../../../testing/other-dossier';
import { gaugedOfTrace } from './gauged-of-trace';
import { lineOfGauged } from './line-of-gauged';

const at = (place: number, valueMm: number) => ({ place, valueMm, errorMm: 0.005, count: 1 });

describe('readings of one way in another', () => {
  it('gauged heights and sets go to their teeth; teeth not measured yet stand at the pitch', () => {
    const line = lineOfGauged(
      [{ tooth: 1, xMm: 0.1, yMm: -0.2, kind: 'tooth' }],
      'height',
      [at(1, -0.05), at(4, -0.1)],
      2,
    );
    expect(line.map((t) => [t.tooth, t.xMm, t.yMm])).toEqual([
      [1, 0.1, -0.05],
      [2, 2.1, 0],
      [3, 4.1, 0],
      [4, 6.1, -0.1],
    ]);
    const set = lineOfGauged(
      [...line, { tooth: 5, xMm: 8.1, yMm: 0, kind: 'missing' }],
      'set',
      [at(2, 0.12), at(5, 0.3)],
      2,
    );
    expect(set.map((t) => t.setMm)).toEqual([undefined, 0.12, undefined, undefined, undefined]);
    expect(set[3]?.yMm).toBe(-0.1);
  });

  it('a trace of a band gives its gullets as readings by scan, and no heights, as a band has none', () => {
    const made = madeScan(madeLine({ teeth: 14, pitchMm: 6.35, rakeDeg: 0, unevenMm: 0.05, missing: [6] }), {
      dpi: 300,
      plateMm: 12,
      spaceMm: 8,
    });
    const trace = traceTeeth(made.picture, { mmPerPx: made.mmPerPx });
    if (!trace.ok) throw new Error(trace.code);
    const rows = gaugedOfTrace(bandDossier().saw, trace);
    expect(new Set(rows.map((r) => r.quantity))).toEqual(new Set(['gullet-depth']));
    expect(rows.map((r) => r.place)).not.toContain(6);
    expect(rows.every((r) => r.gauge === 'scan' && r.valueMm > 2 && r.valueMm < 9)).toBeTrue();
  });

  it('a trace of cutters and rakers gives the cutters’ heights and the rakers’ depths, each at its own teeth', () => {
    const saw: Saw = {
      ...bandDossier().saw,
      family: 'crosscut',
      filing: 'crosscut',
      backFixing: 'none',
      kind: 'two-man',
      pattern: 'CCR',
      pitchMm: 12,
      toothLineMm: 18 * 12,
    };
    const made = madeScan(madeRakerLine({ teeth: 18, pattern: 'CCR', pitchMm: 12 }), {
      dpi: 300,
      plateMm: 26,
      spaceMm: 5,
      gulletRadiusMm: 1,
    });
    const trace = traceTeeth(made.picture, { mmPerPx: made.mmPerPx, pattern: saw.pattern, heel: 'left' });
    if (!trace.ok) throw new Error(trace.code);
    const rows = gaugedOfTrace(saw, trace);
    const at = (quantity: string) => rows.filter((r) => r.quantity === quantity);
    expect(at('raker-depth').map((r) => r.place)).toEqual([3, 6, 9, 12, 15, 18]);
    expect(at('raker-depth').every((r) => Math.abs(r.valueMm - 0.38) < 0.05)).toBeTrue();
    expect(at('height').length).toBe(12);
  });
});
