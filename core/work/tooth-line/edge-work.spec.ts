import fc from 'fast-check';
import { fileOnEdge } from '../../file/file-on-edge';
import type { PlatePoint } from '../../file/file-in-gullet';
import { pullOutline } from '../../pull/pull-tooth';
import { rakerInputs, randomRakerSaw } from '../../reference/random-raker-saw';
import { evenSaw, planInputs } from '../../reference/random-saw';
import { linesOfOrder } from '../lines-of-order';
import type { LineOrder } from '../order';
import { edgeAt } from './edge-work';
import { makeOrder } from './make-order';
import { studyPull } from './pull';
import { studyLine } from './study';

const drawn = (order: LineOrder) =>
  order.steps.flatMap((step) =>
    step.stops.flatMap((stop) => {
      const line = linesOfOrder(order).find(({ edge }) => edge === null || edge === step.line);
      const edge = line && edgeAt(line, step, stop);
      return edge ? [{ step, stop, edge, picture: fileOnEdge(edge.work) }] : [];
    }),
  );
const heightOf = (ring: readonly PlatePoint[]): number => Math.max(...ring.map(([, y]) => y));

describe('a tooth filed by its edges, as the order has it', () => {
  const pull = {
    ...{ edge: null, backDeg: 25, topDeg: 30, topOnlySince: 2, gulletMm: null, filing: null, newBlade: null },
  };

  it('a pull saw’s edge stands as its outline has it; its top bevel alone brings the point down, the back leaves it where it is', () => {
    for (const filing of ['top-only', 'full'] as const) {
      const inputs = { ...planInputs(evenSaw(30, 1.6), 1.6), pull: { ...pull, filing } };
      const study = studyLine({ ...inputs, angles: { rakeDeg: -5, fleamDeg: 25 } });
      const all = drawn(makeOrder(study, 0));
      expect(new Set(all.map(({ step }) => step.edge)).size).toBe(filing === 'full' ? 3 : 1);
      const { tooth, now } = studyPull(study.inputs, { ...pull, filing }, study.pitchMm);
      const outline = pullOutline(tooth, now).map(({ x, y }) => [x, y] as const);
      for (const { step, stop, edge, picture } of all) {
        const own = picture.now[edge.work.own] ?? [];
        own.forEach((point, i) => expect(point[0]).toBeCloseTo(outline[i]?.[0] ?? NaN, 9));
        const filed = stop.strokes * study.inputs.strokeRate.rateMmPerStroke;
        expect(edge.work.edges.map((one) => one.deeperMm)).toEqual([filed]);
        if (step.edge === 'top') expect(heightOf(picture.after)).toBeLessThan(heightOf(own));
        else if (step.edge === 'back') expect(heightOf(picture.after)).toBeCloseTo(heightOf(own), 9);
        // The face moves in under the bevel: its point goes down it.
        else expect(heightOf(own) - heightOf(picture.after)).toBeLessThan(filed);
      }
    }
  });

  it('a cutter’s flat is gone when half of it went from either edge, and its point stands where it was', () => {
    let flats = 0;
    fc.assert(
      fc.property(randomRakerSaw(0.4, 0.3), (saw) => {
        const study = studyLine(rakerInputs(saw));
        for (const { step, stop, picture } of drawn(makeOrder(study, study.recommended.depthMm))) {
          expect(step.kind).toBe('point');
          if (!stop.flatMm) continue;
          flats++;
          const top = picture.after.filter(([, y]) => y > -1e-9);
          expect(Math.max(...top.map(([x]) => Math.abs(x)))).toBeCloseTo(0, 6);
          expect(heightOf(picture.after)).toBeCloseTo(0, 6);
        }
      }),
      { numRuns: 15 },
    );
    expect(flats).toBeGreaterThan(20);
  });
});
