import { plainFacts } from '../plain-facts';
import fc from 'fast-check';
import type { LengthReading } from '../../evidence/reading';
import { ordinarySaw } from '../../saw/ordinary-saws';
import type { Saw, SawOf } from '../../saw/saw';
import { teethOf } from '../../saw/saw';
import type { RoundStudy, WorkFacts } from '../family-work';
import { workOf } from '../families';
import { foretellRound } from './round-cut';

const ASKED = { wood: 'dry-soft', boardMm: 25 } as const;
const reading = (quantity: LengthReading['quantity'], place: number, value: number): LengthReading => ({
  ...{ key: `${quantity}-${place}`, quantity, place, value, gauge: 'indicator', part: null },
  ...{ setAside: false, corrects: null, simulated: false },
});
const studyOf = (saw: Saw, readings: LengthReading[], wish: object = {}): RoundStudy => {
  const facts: WorkFacts = plainFacts(saw, [{ key: 'a', kind: 'before', readings }]);
  const work = workOf(saw.family);
  if (work.way !== 'round') throw new Error('It goes round.');
  const studied = work.study(facts, { ...work.plain, ...wish } as typeof work.plain);
  if (!studied.ok) throw new Error(studied.says);
  return studied.study;
};
const blade = ordinarySaw('blade-rip') as SawOf<'circular'>;
const uneven = (i: number): number => 0.1 * Math.sin(2.3 * i) - 0.05 * Math.abs(Math.sin(7 * i));
const dial = Array.from({ length: teethOf(blade) }, (_, i) => reading('runout', i + 1, uneven(i)));
const sets = (left: number, right: number): LengthReading[] =>
  Array.from({ length: 8 }, (_, i) => reading('set', i + 1, (i % 2 === 0 ? left : right) + 0.002 * (i % 3)));

describe('the cut foretold of what goes round', () => {
  it('a blade read all round: every tooth takes what turn after turn through the wood leaves it', () => {
    const study = studyOf(blade, [...dial, ...sets(0.3, 0.3)]);
    const cut = foretellRound(study, ASKED);
    if (!cut?.now.loads || !cut.chosen.loads) throw new Error('no loads');
    expect(cut.needs).toEqual([]);
    // Brute force: the rim turned three times over one column of wood, fed a little a tooth.
    const n = teethOf(blade);
    const taken = new Array<number>(n).fill(0);
    let floor = -Infinity;
    const own = study.family === 'circular' ? study.own : [];
    for (let k = 0; k < 3 * n; k++) {
      const reach = (own.find((r) => r.tooth === (k % n) + 1)?.offMm ?? NaN) + cut.sinkMm * k;
      taken[k % n] = Math.max(0, reach - floor);
      floor = Math.max(floor, reach);
    }
    taken.forEach((mm, i) => expect(cut.now.loads?.loadMm[i]).toBeCloseTo(mm, 9));
    expect(cut.chosen.loads.worstOverMean).toBeLessThan(cut.now.loads.worstOverMean);
    expect(cut.now.hopMm).toBeNull();
  });

  it('of random blades as well, in any wood, as they are and as chosen', () => {
    const teeth = teethOf(blade);
    const offs = fc.array(fc.double({ min: -0.2, max: 0.2, noNaN: true }), { minLength: teeth, maxLength: teeth });
    fc.assert(
      fc.property(offs, fc.constantFrom('dry-hard', 'dry-soft', 'green'), (heights, wood) => {
        const read = heights.map((mm, i) => reading('runout', i + 1, mm));
        const study = studyOf(blade, [...read, ...sets(0.3, 0.28)]);
        const cut = foretellRound(study, { ...ASKED, wood });
        if (study.family !== 'circular' || !cut?.now.loads || !cut.chosen.loads) throw new Error('no loads');
        const own = new Map(study.own.map((r) => [r.tooth, r.offMm]));
        // As chosen none stands over the joint.
        const most = (study.equal?.targetMm ?? 0) + study.advisedMm - study.jointMm;
        for (const [loads, over] of [
          [cut.now.loads, Infinity],
          [cut.chosen.loads, most],
        ] as const) {
          const taken = new Array<number>(teeth).fill(0);
          let floor = -Infinity;
          for (let k = 0; k < 3 * teeth; k++) {
            const reach = Math.min(over, own.get((k % teeth) + 1) ?? NaN) + cut.sinkMm * k;
            taken[k % teeth] = Math.max(0, reach - floor);
            floor = Math.max(floor, reach);
          }
          taken.forEach((mm, i) => expect(loads.loadMm[i]).toBeCloseTo(mm, 8));
          expect(loads.totalMm).toBeCloseTo(teeth * cut.sinkMm, 8);
        }
        // No tooth stands out beyond its side's mean, which is all that was read of the others.
        const mean = (side: 'left' | 'right') => study.inputs.set?.[side].meanMm ?? NaN;
        expect(cut.now.section?.leftMm).toBeCloseTo(blade.plateThicknessMm / 2 + mean('left'), 9);
        expect(cut.now.section?.rightMm).toBeCloseTo(blade.plateThicknessMm / 2 + mean('right'), 9);
      }),
      { numRuns: 40 },
    );
  });

  it('a blade read at some teeth tells its kerf and its drift, not its loads; a carbide one nothing', () => {
    const part = foretellRound(studyOf(blade, [...dial.slice(0, 9), ...sets(0.34, 0.26)], { set: 'leave' }), ASKED);
    expect([part?.now.loads, part?.chosen.loads]).toEqual([null, null]);
    expect(part?.needs).toEqual(['Not every tooth was read by dial: the load on every tooth is not told.']);
    expect(part?.chosen.drift?.runsTo).toBe('left');
    expect(part?.chosen.section?.leftMm).toBeCloseTo(blade.plateThicknessMm / 2 + 0.34 + 0.002, 3);
    expect(foretellRound(studyOf(ordinarySaw('blade-carbide'), []), ASKED)).toBeNull();
  });

  it('a band: the kerf of its sampled sides as it is, of the set it is given as chosen', () => {
    const band = ordinarySaw('band-narrow') as SawOf<'band'>;
    const bare = foretellRound(studyOf(band, []), ASKED);
    expect(bare?.now.section).toBeNull();
    expect(bare?.needs[0]).toContain('No set is read');
    const study = studyOf(band, sets(0.12, 0.1), { set: 'renew' });
    const cut = foretellRound(study, ASKED);
    const wanted = study.family === 'band' ? study.wanted : null;
    expect(cut?.now.section?.widthMm).toBeCloseTo(band.plateThicknessMm + 0.22, 2);
    expect(cut?.chosen.section?.widthMm).toBeCloseTo(band.plateThicknessMm + 2 * (wanted?.perSideMm ?? NaN), 9);
    expect(cut?.chosen.drift?.runsTo).toBe('true');
    expect(cut?.assumes[0]).toContain('teeth: the kerf is that of their means');
  });
});
