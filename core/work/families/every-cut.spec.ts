import fc from 'fast-check';
import { exampleRecord } from '../../reference/examples';
import { randomRakerSaw, rakerInputs } from '../../reference/random-raker-saw';
import { planInputs, randomSaw } from '../../reference/random-saw';
import { floorOver, takenByColumns } from '../../reference/wood-columns';
import type { LineInputs } from '../tooth-line/inputs';
import { envelopeAt } from '../../testcut/envelope';
import type { CutSaw } from '../../testcut/test-cut';
import { testCut } from '../../testcut/test-cut';
import type { LineOrder } from '../order';
import type { PullRecord } from '../saw-record';
import { sawAt, sawNow } from '../tooth-line/cut-saws';
import { viewDepth } from '../tooth-line/depth-view';
import { studyLine } from '../tooth-line/study';
import { pullWork } from './pull/work';

/** A saw whose sides are set alike, so that points of a side score one line. */
const LEFT_MM = 0.07;
const RIGHT_MM = 0.05;
const setAlike = (saw: CutSaw): CutSaw => ({
  ...saw,
  teeth: saw.teeth.map((t) => (t.lean ? { ...t, setMm: t.lean === 'left' ? LEFT_MM : RIGHT_MM } : t)),
});

const pull = exampleRecord<PullRecord>('pull-saw');
const pullOrder = (record: PullRecord): LineOrder => (pullWork.ofRecord(record) as { order: LineOrder }).order;
const pullInputs = (saw: { readings: LineInputs['readings']; pitchMm: number }): LineInputs =>
  pullOrder({ ...pull, pitchMm: saw.pitchMm, readings: [...saw.readings] }).inputs;
const straight = (fleamDeg: number, family: 'hand' | 'back') =>
  randomSaw(40).map(({ readings, pitchMm }) => {
    const plain = planInputs(readings, pitchMm, { angles: { rakeDeg: -12, fleamDeg } });
    return { ...plain, saw: { ...plain.saw, family } };
  });

/** Random worn saws of every family that has a line of teeth; what goes round is turned by itself in `round-cut.spec.ts`. */
const EVERY: Record<string, fc.Arbitrary<LineInputs>> = {
  'a back saw filed rip': straight(0, 'back'),
  'a hand saw filed crosscut': straight(20, 'hand'),
  'a pull saw': randomSaw(40).map(pullInputs),
  'a saw of cutters and rakers': randomRakerSaw(0.3, 0.2).map((saw) => rakerInputs(saw)),
};

describe('every family’s cut, column by column', () => {
  for (const [name, inputs] of Object.entries(EVERY)) {
    it(`${name}: every tooth takes what strokes through a row of columns leave it, now and as chosen`, () => {
      fc.assert(
        fc.property(inputs, fc.double({ min: 0.004, max: 0.2, noNaN: true }), (of, sinkMm) => {
          const study = studyLine(of);
          const view = viewDepth(study, study.recommended.depthMm);
          for (const saw of [sawNow(study), sawAt(study, view, { reset: true, perSideMm: 0.05 })].map(setAlike)) {
            const { loads } = testCut(saw, { sinkMm, boardMm: 25 });
            const slow = takenByColumns(saw, sinkMm);
            expect(loads?.loadMm.length).toBe(slow.length);
            slow.forEach((mm, i) => expect(loads?.loadMm[i]).toBeCloseTo(mm, 8));
          }
        }),
        { numRuns: 40 },
      );
    });

    it(`${name}: its floor is as deep over every place as the deepest tooth there`, () => {
      const set = fc.double({ min: 0, max: 0.15, noNaN: true });
      fc.assert(
        fc.property(
          inputs,
          fc.array(set, { minLength: 100, maxLength: 100 }),
          fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 20, maxLength: 20 }),
          (of, sets, places) => {
            const read = of.readings.map((r, i) => ({ ...r, setMm: r.kind === 'missing' ? null : (sets[i] ?? 0.05) }));
            const saw = sawNow(studyLine({ ...of, readings: read }));
            const { section } = testCut(saw, { sinkMm: 0.02, boardMm: 25 });
            if (!section) throw new Error('no kerf');
            for (const share of places) {
              const z = share < 0 ? share * section.leftMm : share * section.rightMm;
              const deepest = floorOver(saw, z);
              // At a corner itself the floor has two heights.
              const corner = section.floor.some((p) => Math.abs(p.z0 - z) < 1e-7 || Math.abs(p.z1 - z) < 1e-7);
              if (deepest !== null && !corner) expect(envelopeAt(section.floor, z)).toBeCloseTo(deepest, 7);
            }
            // Nothing reaches past the walls, and something reaches them.
            expect(floorOver(saw, section.rightMm + 1e-6)).toBeNull();
            expect(floorOver(saw, -section.leftMm - 1e-6)).toBeNull();
            expect(floorOver(saw, section.rightMm - 1e-9)).not.toBeNull();
          },
        ),
        { numRuns: 30 },
      );
    });
  }
});
