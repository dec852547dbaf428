import { viewDepth } from '@odontis/core/plan/depth-view';
import { studyLine } from '@odontis/core/plan/study';
import { testDossier } from '../../../testing/test-dossier';
import { planLanes } from './plan-lanes';

describe('the lanes of a plan', () => {
  const inputs = testDossier('bench').plan?.inputs;
  if (!inputs) throw new Error('The test’s ticket has no plan.');
  const study = studyLine(inputs);
  const lane = (depth: number, id: string) =>
    planLanes(study, viewDepth(study, depth), String).find((l) => l.id === id);

  it('over the line: what stands above is to be filed, what is below stays short', () => {
    const values = [...(lane(0.1, 'over')?.values ?? [])];
    const on = viewDepth(study, 0.1).flats.on;
    values.forEach((value, i) => expect(value >= -1e-9).toBe(on[i] === 1));
  });

  it('strokes stand under the tooth whose gullet they are for', () => {
    const view = viewDepth(study, 0.12);
    const values = lane(0.12, 'strokes')?.values ?? new Float64Array();
    view.filings.slice(1).forEach((filing, i) => {
      expect(filing.gullet).toBe(study.prepared.teeth[i] as number);
      expect(values[i]).toBe(view.strokes[i + 1] as number);
    });
  });

  it('without jointing nothing is shaped, and spacing is as it came', () => {
    expect(Math.max(...(lane(0, 'strokes')?.values ?? [1]))).toBe(0);
    expect(lane(0, 'spacing')?.before).toBeNull();
    expect(lane(0.1, 'spacing')?.before).not.toBeNull();
  });
});
