import { evenSaw, planInputs } from '../../reference/random-saw';
import { viewDepth } from './depth-view';
import { lineLanes } from './lanes';
import { studyLine } from './study';

describe('the lanes of an order', () => {
  const worn = evenSaw(24, 2).map((r, i) => ({ ...r, yMm: -0.1 * Math.sin((Math.PI * i) / 23) }));
  const study = studyLine(planInputs(worn, 2));
  const lane = (depth: number, id: string) => lineLanes(study, viewDepth(study, depth)).find((l) => l.id === id);

  it('over the line: what stands above is to be filed, what is below stays short', () => {
    const values = [...(lane(0.1, 'over')?.values ?? [])];
    const on = viewDepth(study, 0.1).flats.on;
    expect(values.length).toBe(24);
    values.forEach((value, i) => expect(value >= -1e-9).toBe(on[i] === 1));
  });

  it('strokes stand under the tooth whose gullet they are for', () => {
    const view = viewDepth(study, 0.12);
    const values = lane(0.12, 'strokes')?.values ?? new Float64Array();
    view.filings.slice(1).forEach((filing, i) => {
      expect(filing.at).toBe(study.prepared.teeth[i] as number);
      expect(values[i]).toBe(view.strokes[i + 1] as number);
    });
  });

  it('without jointing nothing is shaped, and spacing is as it came', () => {
    expect(Math.max(...(lane(0, 'strokes')?.values ?? [1]))).toBe(0);
    expect(lane(0, 'spacing')?.before).toBeNull();
    expect(lane(0.1, 'spacing')?.before).not.toBeNull();
  });
});
