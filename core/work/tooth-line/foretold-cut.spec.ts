import fc from 'fast-check';
import { sampleVariance } from 'simple-statistics';
import { exampleRecord } from '../../reference/examples';
import { evenSaw, planInputs } from '../../reference/random-saw';
import type { ToothReading } from '../../evidence/tooth-reading';
import type { CrosscutRecord, PullRecord } from '../saw-record';
import { KERF_PICTURE, kerfOutline, timesOf } from '../../testcut/kerf-outline';
import { cutSays } from '../../testcut/cut-says';
import type { SetLeft } from './cut-saws';
import { sawNow } from './cut-saws';
import { viewDepth } from './depth-view';
import { cutReasons, leavesLineBy, roomOf } from '../../testcut/foretold';
import { foretellCut } from './foretold-cut';
import { makeOrder } from './make-order';
import { orderOfRecord } from './of-record';
import type { LineStudy } from './study';
import { studyLine } from './study';

const ASKED = { wood: 'dry-soft', boardMm: 20 } as const;
const foretold = (study: LineStudy, depthMm: number, set: SetLeft = { reset: false, perSideMm: 0 }) =>
  foretellCut(study, viewDepth(study, depthMm), set, ASKED);
const worn = (seed: number): ToothReading[] => {
  const wave = (i: number, k: number): number => Math.abs(Math.sin(i * (1.3 + seed) + k));
  return evenSaw(70, 2).map((r, i) => ({
    ...r,
    xMm: r.xMm + 0.1 * wave(i, 1),
    yMm: -0.12 * Math.sin((Math.PI * i) / 70) - 0.06 * wave(i, 2),
    setMm: 0.04 + 0.02 * wave(i, 3),
  }));
};

describe('the cut foretold of a tooth line', () => {
  it('a worn saw as chosen works its teeth more alike, hops less and cuts as wide as its plan says', () => {
    for (const seed of [1, 2, 3, 4, 5]) {
      const study = studyLine(planInputs(worn(seed), 2));
      const plan = makeOrder(study, study.recommended.depthMm);
      expect(plan.work).toBe('tune');
      const { now, chosen, needs, assumes } = foretold(study, plan.choice.depthMm, plan.forecast.set);
      expect(chosen.loads?.shareWorking).toBeGreaterThanOrEqual(now.loads?.shareWorking ?? NaN);
      expect(chosen.loads?.worstOverMean).toBeLessThan(now.loads?.worstOverMean ?? NaN);
      expect(chosen.hopMm).toBeLessThan(now.hopMm ?? NaN);
      expect(chosen.section?.widthMm).toBeCloseTo(plan.forecast.cut.kerfMm, 9);
      expect(chosen.marks.length).toBe(0);
      expect([needs, assumes]).toEqual([[], []]);
    }
  });

  it('nothing taken off and the set left, it cuts as it did', () => {
    for (const seed of [1, 4]) {
      const { now, chosen } = foretold(studyLine(planInputs(worn(seed), 2)), 0);
      expect(chosen.hopMm).toBeCloseTo(now.hopMm ?? NaN, 9);
      now.loads?.loadMm.forEach((mm, i) => expect(chosen.loads?.loadMm[i]).toBeCloseTo(mm, 9));
      expect(chosen.section?.widthMm).toBeCloseTo(now.section?.widthMm ?? NaN, 9);
    }
  });

  it('the drift is that of its own sets and loads: more set on the left runs left, and with even set the side that carries more', () => {
    const cutOf = (setOf: (tooth: number) => number, high: (tooth: number) => number = () => 0, fleamDeg = 0) => {
      const readings = evenSaw(40, 2).map((r) => ({ ...r, yMm: high(r.tooth), setMm: setOf(r.tooth) }));
      const study = studyLine(planInputs(readings, 2, { angles: { rakeDeg: -15, fleamDeg } }));
      return foretold(study, 0).now;
    };
    // Odd teeth lean left.
    const left = cutOf((t) => (t % 2 ? 0.09 : 0.05) + 0.001 * (t % 3));
    const mean = (odd: number): number => {
      const own = Array.from({ length: 40 }, (_, i) => i + 1).filter((t) => t % 2 === odd);
      return own.reduce((s, t) => s + (t % 2 ? 0.09 : 0.05) + 0.001 * (t % 3), 0) / own.length;
    };
    expect(left.drift?.runsTo).toBe('left');
    expect(left.drift?.setDifferenceMm).toBeCloseTo(mean(1) - mean(0), 12);
    expect(left.drift?.setErrorMm).toBeGreaterThan(0);
    expect(leavesLineBy(left)?.mm).toBeCloseTo((mean(1) - mean(0)) / 2, 12);
    const loaded = cutOf(
      () => 0.05,
      (t) => (t % 2 ? 0 : -0.005),
    );
    expect(loaded.drift?.runsTo).toBe('left');
    expect(leavesLineBy(loaded)?.mm).toBeCloseTo(0, 12);
    // With fleam both sides score lines of their own: the low side carries as much as the high.
    const askew = cutOf(
      () => 0.05,
      (t) => (t % 2 ? 0 : -0.005),
      20,
    );
    expect(askew.drift?.loadDifference).toBeCloseTo(0, 9);
    expect(askew.section?.ridgeMm).toBeGreaterThan(0.1);
  });

  it('a mirrored saw runs to the other side; scaled lengths scale every length', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            yMm: fc.double({ min: -0.06, max: 0, noNaN: true }),
            setMm: fc.double({ min: 0.03, max: 0.08, noNaN: true }),
          }),
          {
            minLength: 12,
            maxLength: 30,
          },
        ),
        (teeth) => {
          const readings = evenSaw(teeth.length, 2).map(
            (r, i) => ({ ...r, ...teeth[i], lean: i % 2 ? 'left' : 'right' }) as ToothReading,
          );
          const other = { left: 'right', right: 'left' } as const;
          const now = foretold(studyLine(planInputs(readings, 2)), 0).now;
          const flipped = readings.map((r) => ({ ...r, lean: other[r.lean as 'left' | 'right'] }));
          const mirror = foretold(studyLine(planInputs(flipped, 2)), 0).now;
          expect(mirror.drift?.setDifferenceMm).toBeCloseTo(-(now.drift?.setDifferenceMm ?? NaN), 12);
          expect(mirror.section?.leftMm).toBeCloseTo(now.section?.rightMm ?? NaN, 12);
          expect(mirror.hopMm).toBeCloseTo(now.hopMm ?? NaN, 12);
        },
      ),
      { numRuns: 30 },
    );
  });

  it('takes a saw as it lies: a tilt of the line is no unevenness', () => {
    const readings = evenSaw(30, 2).map((r) => ({ ...r, yMm: 3 + 0.01 * r.xMm + (r.tooth === 9 ? 0.2 : 0) }));
    const { line, bentMm } = sawNow(studyLine(planInputs(readings, 2)));
    if (!line) throw new Error('no line');
    expect(line.heightMm.reduce((s, v) => s + v, 0)).toBeCloseTo(0, 9);
    expect(line.heightMm.reduce((s, v, i) => s + v * (line.xMm[i] as number), 0)).toBeCloseTo(0, 7);
    expect(Math.max(...line.heightMm)).toBe(line.heightMm[8] as number);
    expect(bentMm).toBeGreaterThan(0);
  });

  it('says what it does not know, and draws nothing of it; a plan that leaves the set leaves each tooth its own', () => {
    const bare = evenSaw(30, 2).map(({ setMm: _, ...r }) => ({ ...r, setMm: null }) as ToothReading);
    const unknown = foretold(studyLine(planInputs(bare, 2)), 0);
    expect([unknown.now.section, unknown.now.drift, unknown.chosen.section]).toEqual([null, null, null]);
    expect(unknown.needs.length).toBe(2);
    expect(roomOf(unknown.now, 0.8)).toBeNull();
    expect(leavesLineBy(unknown.now)).toBeNull();
    // What is set anew is known.
    const anew = foretold(studyLine(planInputs(bare, 2)), 0, { reset: true, perSideMm: 0.05 });
    expect(roomOf(anew.chosen, planInputs(bare, 2).saw.plateThicknessMm)?.left).toBeCloseTo(0.05, 9);
    expect(anew.needs.length).toBe(1);
    const some = evenSaw(30, 2).map(
      (r) => ({ ...r, setMm: r.tooth < 9 ? 0.06 + 0.001 * r.tooth : null }) as ToothReading,
    );
    const sampled = foretold(studyLine(planInputs(some, 2)), 0);
    expect(sampled.assumes[0]).toBe('Set was read at 8 of 30 teeth: the others are taken to have their side’s mean.');
    // A tooth that nobody read makes the drift no surer.
    const own = (odd: number): number[] =>
      [1, 2, 3, 4, 5, 6, 7, 8].filter((t) => t % 2 === odd).map((t) => 0.06 + 0.001 * t);
    const error = Math.sqrt((sampleVariance(own(1)) + sampleVariance(own(0))) / 4);
    expect(sampled.now.drift?.setErrorMm).toBeCloseTo(error, 12);
    expect(sampled.now.section?.leftMm).toBeCloseTo(sampled.chosen.section?.leftMm ?? NaN, 9);
  });

  it('an even saw set alike runs true, loads all alike and gives its reasons', () => {
    const readings = evenSaw(40, 2).map((r) => ({ ...r, setMm: 0.05 }));
    const study = studyLine(planInputs(readings, 2, { angles: { rakeDeg: -15, fleamDeg: 20 } }));
    const told = foretold(study, 0);
    expect(told.now.drift?.runsTo).toBe('true');
    expect(told.now.loads?.worstOverMean).toBeCloseTo(1, 6);
    expect(told.now.hopMm).toBeLessThan(1e-12);
    const why = cutReasons(told.now, told, 0.8);
    expect(why.hop.inputs[0]).toEqual({ name: 'board', value: 20, unit: 'mm' });
    expect(why.working.inputs[0]?.value).toBeCloseTo(0.04, 12);
  });

  it('says in a sentence what was and what is, and draws both kerfs at one scale', () => {
    const say = { fine: (mm: number) => `${mm.toFixed(2)} mm`, plate: (mm: number) => `${mm.toFixed(2)} mm` };
    const study = studyLine(planInputs(worn(2), 2));
    const { now, chosen } = foretold(study, study.recommended.depthMm, { reset: true, perSideMm: 0.06 });
    expect(cutSays(now, chosen, say)).toMatch(
      /^As it came, \d+ of 100 teeth cut and the saw rose and fell by 0\.1\d mm; now 100 of 100 share the cut, in a kerf 0\.72 mm wide/,
    );
    expect(cutSays(chosen, chosen, say)).toMatch(/^Its teeth share the cut as evenly as they did, 100 of 100/);
    // What was measured after the work stands for what was planned.
    const found = foretold(study, 0.1, { reset: true, perSideMm: 0.06, found: { left: 0.08, right: 0.04 } });
    expect(roomOf(found.chosen, 0.6)).toEqual({ left: jasmine.any(Number), right: jasmine.any(Number) });
    expect(roomOf(found.chosen, 0.6)?.left).toBeCloseTo(0.08, 9);
    const times = timesOf([now, chosen]);
    const width = (cut: typeof now): number => {
      const places = [...(kerfOutline(cut, 0.6, times)?.kerf ?? '').matchAll(/[ML](-?[\d.]+) /g)].map((m) =>
        Number(m[1]),
      );
      return Math.max(...places) - Math.min(...places);
    };
    // On a screen of 96 pixels to the inch.
    for (const cut of [now, chosen])
      expect((width(cut) * 25.4) / 96 / times).toBeCloseTo(cut.section?.widthMm ?? NaN, 2);
    expect(Math.max(width(now), width(chosen))).toBeLessThan(KERF_PICTURE.wide);
    expect(kerfOutline({ ...now, section: null }, 0.6, times)).toBeNull();
  });

  it('rakers plane after rakers and stand over no wall; a pull saw meets the wood heel first', () => {
    const crosscut = orderOfRecord(exampleRecord<CrosscutRecord>('crosscut-saw')).cut;
    expect(crosscut.planned.kerfMm).toBeGreaterThan(0);
    expect(crosscut.planned.shareWorking).toBeGreaterThan(0.9);
    const pull = orderOfRecord(exampleRecord<PullRecord>('pull-saw')).cut;
    expect(pull.assumes).toContain('Points are taken as their fleam leaves them: the top bevels are not cut out.');
    expect(pull.planned.shareWorking).toBeGreaterThanOrEqual(pull.before.shareWorking ?? NaN);
  });
});
