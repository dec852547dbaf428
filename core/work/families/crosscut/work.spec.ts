import { plainFacts } from '../../plain-facts';
import type { LengthReading } from '../../../evidence/reading';
import { heightOn } from '../../../line/joint-line';
import { ORDINARY_SAWS } from '../../../saw/ordinary-saws';
import type { SawOf } from '../../../saw/saw';
import { rolesOn, teethOf } from '../../../saw/saw';
import { PLAIN_WISH } from '../../family-work';
import type { LineWish, WorkFacts } from '../../family-work';
import { exampleRecord } from '../../../reference/examples';
import type { LineOrder } from '../../order';
import type { CrosscutRecord } from '../../saw-record';
import { crosscutWork } from './work';

const record = exampleRecord<CrosscutRecord>('crosscut-saw');
const orderOf = (of: CrosscutRecord, depthMm?: number): LineOrder =>
  (crosscutWork.ofRecord(of, depthMm) as { order: LineOrder }).order;
const isCutter = (tooth: number): boolean => tooth % 3 !== 0;

describe('the work of a crosscut saw from its record', () => {
  // Cutters uneven by less than a tenth of a millimetre are sharpened as they stand: here they are jointed.
  const order = orderOf(record, 0.2);
  const { forecast } = order;
  it('joints the cutters to a breasted line and leaves each at its own point on it', () => {
    expect(forecast.line.breast?.sagittaMm).toBeGreaterThan(2.5);
    const cutters = order.targets.filter((t) => isCutter(t.tooth));
    expect(cutters.length).toBe(20);
    const onLine = cutters.filter((c) => Math.abs(c.yMm - heightOn(forecast.line, c.xMm)) < 1e-9);
    expect(onLine.length).toBeGreaterThanOrEqual(19);
    expect(forecast.cut.reachedShare).toBeGreaterThanOrEqual(0.95);
  });
  it('files rakers against the cutters as they will then stand, to the depth for green wood', () => {
    expect(forecast.rakers?.wantedMm).toBeCloseTo(15 * 1.5 * 0.0254, 9);
    for (const edge of ['heel-tip', 'toe-tip'] as const) {
      const step = order.steps.find((s) => s.kind === 'raker-tips' && s.edge === edge);
      expect(step?.stops.map((s) => s.at)).toEqual([3, 6, 9, 12, 15, 18, 21, 24, 27, 30]);
      expect(step?.stops.every((s) => s.strokes > 0)).toBeTrue();
    }
    // Halfway between two cutters the chord is at half their heights, and the arc over it by s^2 / 2R.
    const byTooth = new Map(order.targets.map((t) => [t.tooth, t]));
    const at = (tooth: number) => byTooth.get(tooth) ?? { xMm: NaN, yMm: NaN };
    const [p, raker, q] = [at(14), at(15), at(16)];
    const share = (raker.xMm - p.xMm) / (q.xMm - p.xMm);
    const { sagittaMm = 0, chordMm = 1 } = forecast.line.breast ?? {};
    const radius = chordMm ** 2 / (8 * sagittaMm);
    const crown = ((raker.xMm - p.xMm) * (q.xMm - raker.xMm)) / (2 * radius);
    expect(p.yMm + share * (q.yMm - p.yMm) + crown - raker.yMm).toBeCloseTo(forecast.rakers?.wantedMm ?? 0, 3);
  });
  it('the last raker, past the last cutter, is held against the arc and not against its chord', () => {
    // Worked out apart from this code: as deep as its cutter leaves it over the arc, 0.181 mm; 0.611 against the chord.
    expect(forecast.rakers?.tooLow).toEqual([]);
    expect(forecast.rakers?.endRakers).toEqual([30]);
  });
  it('a perfect saw of 5 m radius is sharpened: nothing jointed, no raker too low', () => {
    const arc = (x: number): number => Math.sqrt(5000 ** 2 - (x - 360) ** 2) - 5000 + 13;
    const wantedMm = 15 * 1.5 * 0.0254;
    const readings = record.readings.map((r, i) => ({
      ...r,
      xMm: 12 * i + 6,
      yMm: arc(12 * i + 6) - (isCutter(r.tooth) ? 0 : wantedMm),
    }));
    const perfect = orderOf({ ...record, readings });
    expect(perfect.work).toBe('sharpen');
    expect(perfect.choice.depthMm).toBe(0);
    expect(perfect.forecast.rakers?.tooLow).toEqual([]);
    expect(perfect.steps.map((s) => s.kind)).toEqual(
      jasmine.arrayWithExactContents([
        'raker-tips',
        'raker-tips',
        'point',
        'point',
        'set',
        'set',
        'touch-up',
        'touch-up',
        'rakers-again',
        'test',
        'finish',
      ]),
    );
    // Every raker goes down with the cutters' own sharpening, and by no more.
    const strokes = perfect.steps
      .filter((s) => s.kind === 'raker-tips')
      .flatMap((s) => s.stops.map((stop) => stop.strokes));
    expect(new Set(strokes)).toEqual(new Set([1]));
  });
  it('points cutters alone, by the pattern and where it begins', () => {
    const pointed = (of: LineOrder) =>
      of.steps
        .filter((s) => s.kind === 'point')
        .flatMap((s) => s.stops.map((stop) => stop.at))
        .sort((a, b) => a - b);
    expect(pointed(order).every(isCutter)).toBeTrue();
    // C R C C R C C …: the second tooth is the first raker.
    expect(pointed(orderOf({ ...record, patternOffset: 1 })).slice(0, 3)).toEqual([1, 3, 4]);
  });
  it('from each side those cutters that lean away, by turns among themselves', () => {
    const [right, left] = order.steps.filter((s) => s.kind === 'point');
    expect([right?.side, left?.side]).toEqual(['right', 'left']);
    expect(right?.stops.map((s) => s.at).slice(0, 4)).toEqual([1, 4, 7, 10]);
    expect(left?.stops.map((s) => s.at).slice(0, 4)).toEqual([2, 5, 8, 11]);
  });
  it('takes a depth from nothing to the most, and none beside them', () => {
    expect(orderOf(record, 0).choice.depthMm).toBe(0);
    expect(() => orderOf(record, -0.01)).toThrowError(RangeError);
    expect(() => orderOf(record, 99)).toThrowError(RangeError);
    expect(orderOf(record, 5).forecast.cut.reachedShare).toBe(1);
  });
  it('a raker standing over the line is jointed with the cutters, and then wants its whole depth', () => {
    const proud = record.readings.map((r) => (r.tooth === 15 ? { ...r, yMm: r.yMm + 2 } : r));
    const own = orderOf({ ...record, readings: proud }, 0.2);
    const before = order.targets.find((t) => t.tooth === 15);
    expect(own.targets.find((t) => t.tooth === 15)?.yMm).toBeCloseTo(before?.yMm ?? NaN, 1);
  });
  it('swaged: faces dressed, gullets, filed thin, hammered, then to depth', () => {
    const readings = record.readings.map((r) => (isCutter(r.tooth) ? r : { ...r, yMm: r.yMm + 0.6 }));
    const kinds = orderOf({ ...record, rakerTip: 'swaged', readings }, 0.2).steps.map((s) => s.kind);
    const rakers = kinds.filter((k) => /raker|swage/.test(k));
    expect(rakers).toEqual([
      'dress-rakers',
      'raker-gullets',
      'thin-rakers',
      'swage',
      'raker-tips',
      'raker-tips',
      'rakers-again',
    ]);
  });
  it('holds a breast that is given, straight too, and refuses one no saw has', () => {
    expect(orderOf({ ...record, sagittaMm: 2 }).forecast.line.breast?.sagittaMm).toBe(2);
    expect(orderOf({ ...record, sagittaMm: 0 }).forecast.line.breast?.sagittaMm).toBe(0);
    expect(() => orderOf({ ...record, sagittaMm: 60 })).toThrowError(/more than any saw/);
  });
  it('a raker lower than wanted is named and left alone', () => {
    const readings = record.readings.map((r) => (r.tooth === 12 ? { ...r, yMm: r.yMm - 4 } : r));
    const own = orderOf({ ...record, readings });
    expect(own.forecast.rakers?.tooLow.map((raker) => raker.tooth)).toEqual([12]);
    const tips = own.steps.filter((s) => s.kind === 'raker-tips').flatMap((s) => s.stops.map((stop) => stop.at));
    expect(tips).not.toContain(12);
  });
  it('refuses a pattern that is none, and zones that do not fit, in a sentence', () => {
    expect(() => orderOf({ ...record, pattern: 'RRR' })).toThrowError(/no tooth pattern/);
    expect(() => orderOf({ ...record, readings: record.readings.slice(1) })).toThrowError(/29 teeth, but zones for 30/);
  });
  it('a shop’s own share of teeth changes the depth, never upwards for fewer', () => {
    const uneven = record.readings.map((r) => ({ ...r, yMm: r.yMm * (1 + 0.05 * (r.tooth % 5)) }));
    const [all, fewer] = [0.95, 0.8].map((shareOnLine) =>
      orderOf({ ...record, readings: uneven, habits: { shareOnLine } }),
    );
    expect(fewer?.choice.depthMm).toBeLessThanOrEqual(all?.choice.depthMm ?? 0);
    expect(fewer?.forecast.cut.reachedShare).toBeGreaterThanOrEqual(0.8);
    expect(all?.forecast.cut.reachedShare).toBeGreaterThanOrEqual(0.95);
  });
});

describe('a breast that was gauged under a straight edge', () => {
  const saw = ORDINARY_SAWS.map((one) => one.saw).find((one): one is SawOf<'crosscut'> => one.family === 'crosscut');
  if (!saw) throw new Error('No crosscut saw is ordinary.');
  const teeth = teethOf(saw);
  const roles = rolesOn(saw, teeth) ?? [];
  const lengthMm = (teeth - 1) * saw.pitchMm;
  const reading = (quantity: LengthReading['quantity'], place: number, value: number): LengthReading => ({
    ...{ key: `${quantity}-${place}`, quantity, place, value, gauge: 'straight-edge', part: null },
    ...{ setAside: false, corrects: null, simulated: false },
  });
  const heights = roles.flatMap((role, i) =>
    role === 'cutter' ? [reading('height', i + 1, 2 * (1 - ((2 * i) / (teeth - 1) - 1) ** 2))] : [],
  );
  const gaps = [0, 0.5, 1].map((share) =>
    reading('breast', Math.round(share * saw.toothLineMm), 5 * (2 * share - 1) ** 2),
  );
  const cuttersOf = (readings: LengthReading[], wish: Partial<LineWish> = {}) => {
    const facts: WorkFacts = plainFacts(saw, [{ key: 'a', kind: 'before', readings }]);
    const studied = crosscutWork.study(facts, { ...PLAIN_WISH, ...wish });
    if (!studied.ok) throw new Error(studied.code);
    return studied.study.cutters;
  };

  it('is what the jointer follows, over the cutters’ own chord; the tips’ own arc and any other can be chosen', () => {
    const gauged = cuttersOf([...heights, ...gaps]);
    const chord = roles.lastIndexOf('cutter') - roles.indexOf('cutter');
    const over = (chord * saw.pitchMm) / saw.toothLineMm;
    expect(gauged?.sagittaMm).toBeCloseTo(5 * over ** 2, 3);
    expect(gauged?.gaugedMm).toBe(gauged?.sagittaMm ?? null);
    const own = gauged?.ownSagittaMm ?? NaN;
    expect(Math.abs(own - 2 * ((chord * saw.pitchMm) / lengthMm) ** 2)).toBeLessThan(0.05);
    expect(cuttersOf([...heights, ...gaps], { breastMm: own })?.sagittaMm).toBeCloseTo(own, 9);
    expect(cuttersOf([...heights, ...gaps], { breastMm: 0 })?.sagittaMm).toBe(0);
  });

  it('that nobody gauged is the tips’ own', () => {
    const lies = cuttersOf(heights);
    expect([lies?.gaugedMm, lies?.sagittaMm]).toEqual([null, lies?.ownSagittaMm ?? NaN]);
  });
});
