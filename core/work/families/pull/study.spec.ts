import { exampleRecord } from '../../../reference/examples';
import type { PullRecord } from '../../saw-record';
import { pullWork } from './work';

describe('the study of a pull saw', () => {
  it('a pull saw’s third filing is still the top bevels, its fourth all three edges', () => {
    const kind = (topOnlySince: number): string =>
      (pullWork.ofRecord({ ...exampleRecord<PullRecord>('pull-saw'), topOnlySince }) as { filing: { kind: string } })
        .filing.kind;
    expect([0, 3].map(kind)).toEqual(['top-only', 'full']);
    const teeth = (
      pullWork.ofRecord(exampleRecord<PullRecord>('pull-saw')) as { teeth: { tooth: number }[] }
    ).teeth.map((t) => t.tooth);
    expect(teeth).toEqual([...teeth].sort((a, b) => a - b));
  });

  it('a pull saw’s low teeth are sharpened like all the others; levelling comes on top', () => {
    const record = exampleRecord<PullRecord>('pull-saw');
    const readings = record.readings.map((r) => (r.tooth === 5 ? { ...r, yMm: r.yMm - 0.3 } : r));
    const { sharpenStrokes, teeth } = pullWork.ofRecord({ ...record, readings, habits: { strokesPerGullet: 3 } }) as {
      sharpenStrokes: number;
      teeth: { tooth: number; offMm: number; strokes: number; levelStrokes: number }[];
    };
    expect(sharpenStrokes).toBe(3);
    expect(teeth.find((t) => t.tooth === 5)).toEqual(
      jasmine.objectContaining({ offMm: 0, strokes: 3, levelStrokes: 0 }),
    );
    teeth.forEach((t) => expect(t.strokes).toBe(3 + t.levelStrokes));
    expect(teeth.some((t) => t.levelStrokes > 0)).toBeTrue();
  });
});
