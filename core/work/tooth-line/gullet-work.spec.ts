import { fileInGullet } from '../../file/file-in-gullet';
import { evenSaw, planInputs } from '../../reference/random-saw';
import { linesOfOrder } from '../lines-of-order';
import type { OrderedLine } from '../lines-of-order';
import type { Step } from '../step';
import { gulletAt } from './gullet-work';
import { makeOrder } from './make-order';
import { studyLine } from './study';

const worn = evenSaw(40, 2).map((r, i) => ({
  ...r,
  yMm: -0.15 * Math.sin((Math.PI * i) / 39),
  xMm: r.xMm + 0.05 * Math.sin(i * 1.7),
}));
const order = makeOrder(studyLine(planInputs(worn, 2)), 0.18);
const line = linesOfOrder(order)[0] as OrderedLine;
const stepOf = (kind: Step['kind']): Step => order.steps.find((one) => one.kind === kind) as Step;

describe('the gullet of a stop', () => {
  it('while it is shaped: what a gullet leaves is what the next one finds, and in the end no flat is left', () => {
    const step = stepOf('shape');
    const done = new Set<number>();
    let left: { after: readonly (readonly [number, number])[]; teeth: readonly number[] } | null = null;
    for (const stop of step.stops) {
      const found = gulletAt(line, step, stop, (gullet) => done.has(gullet));
      if (!found) throw new Error('no gullet');
      const picture = fileInGullet(found.work);
      // Edge points of the teeth that both pictures draw, whole between their gullets.
      if (left) {
        const shared = found.teeth.filter((tooth) => left?.teeth.includes(tooth)).slice(1, -1);
        const tops = (of: { teeth: readonly number[] }, edge: readonly (readonly [number, number])[], tooth: number) =>
          edge.slice(3 * of.teeth.indexOf(tooth), 3 * of.teeth.indexOf(tooth) + 2);
        for (const tooth of shared) expect(tops(found, picture.now, tooth)).toEqual(tops(left, left.after, tooth));
      }
      expect(picture.heel?.afterMm ?? 0).toBeLessThanOrEqual((picture.heel?.nowMm ?? 0) + 1e-12);
      // Left to right: the heel-side tooth had its back done before, so its flat is gone with this one.
      if (picture.heel && done.has(stop.at - 1)) expect(picture.heel.afterMm).toBeLessThan(1e-9);
      left = { after: picture.after, teeth: found.teeth };
      done.add(stop.at);
    }
    expect(done.size).toBeGreaterThan(20);
  });

  it('a pass that sharpens begins at the targets and goes as deep as its strokes do', () => {
    const step = stepOf('sharpen');
    const found = gulletAt(line, step, step.stops[10] as Step['stops'][number], () => false);
    expect(found?.work.deeperMm).toBeCloseTo(2 * line.inputs.strokeRate.rateMmPerStroke, 12);
    const picture = fileInGullet(found?.work ?? (undefined as never));
    expect(picture.heel).toEqual({ nowMm: 0, afterMm: 0 });
    expect(found?.asRead).toBeTrue();
  });

  it('at both ends there are teeth on one side; steps without a gullet have none', () => {
    const step = stepOf('sharpen');
    const [first, last] = [step.stops[0], step.stops.at(-1)].map(
      (stop) => stop && gulletAt(line, step, stop, () => false),
    );
    expect([first?.work.faceOf, last?.teeth[last.work.faceOf]]).toEqual([-1, 40]);
    expect(gulletAt(line, stepOf('set'), { at: 3, strokes: 0, heavier: 'even' }, () => false)).toBeNull();
  });
});
