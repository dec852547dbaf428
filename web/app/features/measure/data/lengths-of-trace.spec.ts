import type { Saw } from '@odontis/core/saw/saw';
import { madeRakerLine } from '@odontis/core/reference/made-raker-line';
import { madeLine, madeScan } from '@odontis/core/reference/made-scan';
import { traceTeeth } from '@odontis/core/trace/trace-teeth';
import { bandDossier } from '../../../testing/other-dossier';
import { lengthsOfTrace } from '@odontis/contract/lengths-of-trace';

describe('readings of one way in another', () => {
  it('a trace of a band gives its gullets and heights as readings by scan', () => {
    const made = madeScan(madeLine({ teeth: 14, pitchMm: 6.35, rakeDeg: 0, unevenMm: 0.05, missing: [6] }), {
      dpi: 300,
      plateMm: 12,
      spaceMm: 8,
    });
    const trace = traceTeeth(made.picture, { mmPerPx: made.mmPerPx });
    if (!trace.ok) throw new Error(trace.code);
    const rows = lengthsOfTrace(bandDossier().saw, trace);
    expect(new Set(rows.map((r) => r.quantity))).toEqual(new Set(['height', 'gullet-depth']));
    expect(rows.map((r) => r.place)).not.toContain(6);
    expect(rows.every((r) => r.gauge === 'scan')).toBeTrue();
    const of = (quantity: string) => rows.filter((r) => r.quantity === quantity).map((r) => r.valueMm);
    expect(of('gullet-depth').every((mm) => mm > 2 && mm < 9)).toBeTrue();
    expect(of('height').every((mm) => Math.abs(mm) < 0.4)).toBeTrue();
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
    const rows = lengthsOfTrace(saw, trace);
    const at = (quantity: string) => rows.filter((r) => r.quantity === quantity);
    expect(at('raker-depth').map((r) => r.place)).toEqual([3, 6, 9, 12, 15, 18]);
    expect(at('raker-depth').every((r) => Math.abs(r.valueMm - 0.38) < 0.05)).toBeTrue();
    expect(at('height').length).toBe(12);
  });
});
