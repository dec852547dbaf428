import { exampleRecord } from '../../../reference/examples';
import type { CircularRecord } from '../../saw-record';
import { circularWork } from './work';

describe('the study of a circular blade', () => {
  it('a perfect blade on an arbor 0.15 mm out is given no stroke once it was read turned', () => {
    const teeth = 40;
    const dial = (turned: number): CircularRecord['dial'] =>
      Array.from({ length: teeth }, (_, i) => ({
        tooth: i + 1,
        offMm: 0.15 * Math.cos((2 * Math.PI * i) / teeth - 0.4 + turned),
        kind: 'scorer' as const,
      }));
    const record = { ...exampleRecord<CircularRecord>('circular-saw'), teeth, dial: dial(0) };
    const told = circularWork.ofRecord({ ...record, again: { turnedDeg: 180, dial: dial(Math.PI) } }) as {
      filedFrom: string;
      scorers: { filings: { strokes: number }[]; spreadBeforeMm: number };
    };
    expect(told.filedFrom).toBe('blade');
    expect(told.scorers.filings.every((f) => f.strokes === 0)).toBeTrue();
    expect(told.scorers.spreadBeforeMm).toBeLessThan(1e-9);
    // Read once, nobody can tell: what is filed from is then what the dial showed, and it is said.
    const once = circularWork.ofRecord({ ...record, again: undefined }) as { filedFrom: string };
    expect(once.filedFrom).toBe('blade-and-arbor');
  });

  it('a circular blade’s tells the blade from the arbor, names the broken tooth and never guesses a speed', () => {
    const record = exampleRecord<CircularRecord>('circular-saw');
    const told = circularWork.ofRecord(record) as {
      scorers: { leftShort: number[] };
      bladeAndArbor: { bladeMm: number; arborMm: number } | null;
      speed: { ok: boolean };
    };
    expect(told.scorers.leftShort).toEqual([18]);
    expect(told.bladeAndArbor?.bladeMm).toBeCloseTo(0.12, 1);
    expect(told.bladeAndArbor?.arborMm).toBeCloseTo(0.05, 2);
    expect(told.speed.ok).toBeTrue();
    const unmarked = circularWork.ofRecord({ ...record, markedLimitRpm: null, again: undefined }) as {
      speed: object;
      bladeAndArbor: null;
    };
    expect(unmarked.speed).toEqual(jasmine.objectContaining({ ok: false, code: 'no-marking' }));
    expect(unmarked.bladeAndArbor).toBeNull();
  });
});
