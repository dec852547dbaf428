import fc from 'fast-check';
import { heightOn } from '../../line/joint-line';
import { sagittaMm } from '../../line/sagitta';
import { rakerTarget } from '../../raker/raker-target';
import { randomRakerSaw, rakerInputs } from '../../reference/random-raker-saw';
import { toLowestRaker } from './chase-offer';
import { viewDepth } from './depth-view';
import { lineLanes } from './lanes';
import { makeOrder } from './make-order';
import { pastSaving, retoothed } from './retooth-offer';
import { studyLine } from './study';

const wantedMm = rakerTarget('one-man', 'dry-soft').depthMm;

describe('a line of cutters and rakers', () => {
  it('a perfect saw, straight, breasted or aslant, is sharpened and nothing else', () => {
    fc.assert(
      fc.property(randomRakerSaw(wantedMm, 0), (saw) => {
        const study = studyLine(rakerInputs(saw));
        const order = makeOrder(study, study.recommended.depthMm);
        expect(order.work).toBe('sharpen');
        expect(order.choice.depthMm).toBe(0);
        // The arc is searched to half a micrometre of mean height.
        expect(study.cutters?.sagittaMm ?? 0).toBeCloseTo(saw.breastMm * shareOfChord(saw), 2);
        expect(order.forecast.rakers?.tooLow ?? []).toEqual([]);
        const tips = order.steps.filter((s) => s.kind === 'raker-tips').flatMap((s) => s.stops);
        // All alike, and by no more than the cutters come down by themselves.
        expect(new Set(tips.map((s) => s.strokes)).size).toBeLessThanOrEqual(1);
        expect(order.steps.some((s) => s.kind === 'joint')).toBeFalse();
      }),
      { numRuns: 60 },
    );
  });

  it('filing only takes metal away, at any depth; every cutter on the line ends on it', () => {
    fc.assert(
      fc.property(randomRakerSaw(wantedMm, 0.4), fc.double({ min: 0.05, max: 1, noNaN: true }), (saw, depthMm) => {
        const study = studyLine(rakerInputs(saw));
        const depth = Math.min(depthMm, study.deepestMm);
        const order = makeOrder(study, depth);
        const before = new Map(saw.readings.map((r) => [r.tooth, r.yMm]));
        order.targets.forEach((t) => expect(t.yMm).toBeLessThanOrEqual((before.get(t.tooth) as number) + 1e-9));
        const view = viewDepth(study, depth);
        view.filings.forEach((f) => {
          expect(saw.roles[f.at - 1]).toBe('cutter');
          expect(Math.min(f.faceMm, f.backMm)).toBeGreaterThanOrEqual(0);
        });
        order.targets.forEach((t, i) => {
          if (view.flats.on[i]) expect(t.yMm).toBeCloseTo(heightOn(order.forecast.line, t.xMm), 9);
        });
      }),
      { numRuns: 40 },
    );
  });

  it('rakers come to the wanted depth under their cutters, or are named as too low', () => {
    fc.assert(
      fc.property(randomRakerSaw(wantedMm - 0.2, 0.3), (saw) => {
        const study = studyLine(rakerInputs(saw));
        const view = viewDepth(study, Math.min(0.35, study.deepestMm));
        if (!view.rakers) return;
        const low = new Set(view.rakers.plan.tooLow.map((r) => r.tooth));
        for (const filing of view.rakers.plan.filings) {
          const depth = (view.rakers.depthMm.get(filing.index) ?? NaN) + filing.offMm;
          if (!low.has(filing.tooth)) expect(depth).toBeGreaterThan(wantedMm - 1e-9);
          else expect(depth).toBeGreaterThan(wantedMm);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('by hand: a breast given is held, straight too, and what no saw has is refused in a sentence', () => {
    const [saw] = fc.sample(randomRakerSaw(wantedMm, 0), { seed: 7, numRuns: 1 });
    if (!saw) throw new Error('no saw');
    expect(studyLine(rakerInputs(saw, { breastMm: 3 })).cutters?.sagittaMm).toBe(3);
    const straight = studyLine(rakerInputs(saw, { breastMm: 0 })).cutters;
    expect([straight?.radiusMm, straight?.bend.bendMm]).toEqual([null, 0]);
    expect(() => studyLine(rakerInputs(saw, { breastMm: 140 }))).toThrowError(RangeError, /more than any saw/);
  });

  it('the jointer is bent as the circle of the line’s own breast asks', () => {
    fc.assert(
      fc.property(randomRakerSaw(wantedMm, 0), (saw) => {
        const { cutters } = studyLine(rakerInputs(saw));
        if (!cutters || cutters.radiusMm === null) return;
        expect(cutters.bend.bendMm).toBeCloseTo(sagittaMm(cutters.bend.shoesMm, cutters.radiusMm), 12);
      }),
      { numRuns: 30 },
    );
  });

  it('each raker’s gullet is its own: half its width over the tangent of its tip, none filed that is deep enough', () => {
    const [saw] = fc.sample(
      randomRakerSaw(wantedMm, 0.4).filter((s) => s.pattern === 'CCR' && s.readings.length > 30),
      { seed: 3, numRuns: 1 },
    );
    if (!saw) throw new Error('no saw');
    const rakers = saw.readings.filter((r) => saw.roles[r.tooth - 1] === 'raker').map((r) => r.tooth);
    const [wide, narrow, deep, unread] = rakers as [number, number, number, number];
    const study = studyLine(
      rakerInputs(saw, {
        widths: [
          { tooth: wide, mm: 8 },
          { tooth: narrow, mm: 6 },
          { tooth: deep, mm: 6 },
        ],
        gullets: [
          { tooth: wide, mm: 6 },
          { tooth: narrow, mm: 6 },
          { tooth: deep, mm: 9 },
        ],
      }),
    );
    const stops = makeOrder(study, 0.5).steps.find((s) => s.kind === 'raker-gullets')?.stops ?? [];
    const at = (tooth: number) => stops.find((s) => s.at === tooth);
    // 4 / tan 25 = 8.578, 3 / tan 25 = 6.434.
    expect(at(wide)?.targetMm).toBeCloseTo(8.578, 3);
    expect(at(narrow)?.targetMm).toBeCloseTo(6.434, 3);
    expect(at(wide)?.strokes).toBeGreaterThan(at(narrow)?.strokes ?? 0);
    expect(at(deep)).toBeUndefined();
    expect(at(unread)).toEqual({ at: unread, strokes: 0, heavier: 'even' });
  });

  it('a raker too low: bringing every cutter down to it costs what a deeper joint costs', () => {
    const [saw] = fc.sample(
      randomRakerSaw(wantedMm, 0).filter((s) => s.pattern === 'CCCCR'),
      { seed: 5, numRuns: 1 },
    );
    if (!saw) throw new Error('no saw');
    const [low] = saw.readings.filter((r, i) => saw.roles[i] === 'raker' && i > 6);
    const readings = saw.readings.map((r) => (r === low ? { ...r, yMm: r.yMm - 0.3 } : r));
    const study = studyLine(rakerInputs({ ...saw, readings }));
    const order = makeOrder(study, 0.1);
    expect(order.forecast.rakers?.tooLow.map((r) => r.tooth)).toEqual([low?.tooth ?? 0]);
    const down = toLowestRaker(study, 0.1, null);
    expect(down?.depthMm).toBeCloseTo(0.1 + 0.3 - 0.1, 6);
    expect(down?.minutes).toBeGreaterThan(order.minutes);
    expect(toLowestRaker(studyLine(rakerInputs(saw)), 0, null)).toBeNull();
  });

  it('such a line is not cut anew: not offered, and refused where it is asked for all the same', () => {
    const [saw] = fc.sample(randomRakerSaw(wantedMm, 0.4), { seed: 4, numRuns: 1 });
    if (!saw) throw new Error('no saw');
    const study = studyLine(rakerInputs(saw));
    expect(pastSaving(study)).toBeNull();
    expect(() => retoothed(study, 8)).toThrowError(RangeError, /not cut anew/);
  });

  it('lanes: rakers are none of the cutters’, and stand beside them with how far they are too high', () => {
    const [saw] = fc.sample(
      randomRakerSaw(wantedMm - 0.1, 0.2).filter((s) => s.pattern === 'CCR'),
      { seed: 9, numRuns: 1 },
    );
    if (!saw) throw new Error('no saw');
    const study = studyLine(rakerInputs(saw));
    const lanes = lineLanes(study, viewDepth(study, 0.3));
    expect(lanes.map((l) => l.id)).toEqual(['over', 'rakers', 'flats', 'spacing']);
    saw.roles.forEach((role, i) => {
      expect(Number.isNaN(lanes[0]?.values[i])).toBe(role === 'raker');
      expect(Number.isNaN(lanes[1]?.values[i])).toBe(role === 'cutter');
    });
  });
});

/** The cutters' own chord may be shorter than the whole line's: its crown is less by the square of that. */
function shareOfChord({ roles, pitchMm }: { readonly roles: readonly string[]; readonly pitchMm: number }): number {
  const first = roles.indexOf('cutter');
  const last = roles.lastIndexOf('cutter');
  return (((last - first) * pitchMm) / ((roles.length - 1) * pitchMm)) ** 2;
}
