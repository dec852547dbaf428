import { heightOn } from '../../../line/joint-line';
import { exampleRecord } from '../../../reference/examples';
import type { CrosscutRecord } from '../../saw-record';
import type { CrosscutPlan } from './study';
import { studyCrosscut } from './study';
import { crosscutWork } from './work';

describe('the study of a crosscut saw', () => {
  const record = exampleRecord<CrosscutRecord>('crosscut-saw');
  const plan: CrosscutPlan = studyCrosscut(record);
  it('joints the cutters to a breasted line and leaves each at its own point on it', () => {
    expect(plan.line.breast?.sagittaMm).toBeGreaterThan(2.5);
    expect(plan.cutters.length).toBe(20);
    const onLine = plan.cutters.filter((c) => Math.abs(c.yMm - heightOn(plan.line, c.xMm)) < 1e-9);
    expect(onLine.length).toBeGreaterThanOrEqual(19);
    expect(plan.reachedShare).toBeGreaterThanOrEqual(0.95);
  });
  it('files rakers against the cutters as they will then stand', () => {
    const filed = plan.rakers.filings.filter((f) => f.offMm > 0);
    expect(filed.length).toBe(plan.rakers.filings.length);
    expect(plan.rakerTarget.depthMm).toBeCloseTo(15 * 1.5 * 0.0254, 9);
  });
  it('the last raker, past the last cutter, is held against the arc and not against its chord', () => {
    // Worked out apart from this code: 0.181 mm deep, not 0.611 as against the chord.
    const last = plan.rakers.filings.at(-1);
    expect(last?.tooth).toBe(30);
    expect(plan.rakerTarget.depthMm - (last?.offMm ?? 0)).toBeCloseTo(0.181, 3);
    expect(plan.rakers.tooLow).toEqual([]);
  });
  it('a perfect saw of 5 m radius has no raker too low', () => {
    const arc = (x: number): number => Math.sqrt(5000 ** 2 - (x - 360) ** 2) - 5000 + 13;
    const perfect = record.readings.map((r, i) => ({
      ...r,
      xMm: 12 * i + 6,
      yMm: arc(12 * i + 6) - (i % 3 === 2 ? plan.rakerTarget.depthMm : 0),
    }));
    expect(studyCrosscut({ ...record, readings: perfect }).rakers.tooLow).toEqual([]);
  });
  it('names cutters alone, by the pattern and where it begins', () => {
    expect(plan.cutters.map((c) => c.tooth % 3)).not.toContain(0);
    const shifted = studyCrosscut({ ...record, patternOffset: 1 });
    // C R C C R C C …: the second tooth is the first raker.
    expect(shifted.cutters.map((c) => c.tooth).slice(0, 3)).toEqual([1, 3, 4]);
    expect(shifted.rakers.filings[0]?.tooth).toBe(2);
  });
  it('takes a depth from nothing to the most, and none beside them', () => {
    expect(studyCrosscut(record, 0).depthMm).toBe(0);
    expect(() => studyCrosscut(record, -0.01)).toThrowError(RangeError);
    const says = (() => {
      try {
        studyCrosscut(record, 99);
        return '';
      } catch (error) {
        return (error as Error).message;
      }
    })();
    const most = Number(/between 0 and ([\d.]+) mm/.exec(says)?.[1]);
    expect(most).toBeGreaterThan(1);
    expect(() => studyCrosscut(record, most + 0.01)).toThrowError(RangeError);
    expect(studyCrosscut(record, most - 0.01).reachedShare).toBe(1);
  });
  it('a raker standing over the line is jointed with the cutters, and then wants its whole depth', () => {
    const proud = record.readings.map((r) => (r.tooth === 15 ? { ...r, yMm: r.yMm + 2 } : r));
    const own = studyCrosscut({ ...record, readings: proud });
    const raker = own.rakers.filings.find((f) => f.tooth === 15);
    const chordDip = (12 * 12) / (2 * (own.radiusMm ?? Infinity));
    expect(raker?.offMm).toBeGreaterThan(own.rakerTarget.depthMm - chordDip - 0.02);
    expect(raker?.offMm).toBeLessThan(own.rakerTarget.depthMm + 0.1);
  });
  it('a swaged raker is filed thin first; a breast is never looked for beyond a hundredth of the length', () => {
    const swaged = studyCrosscut({
      ...record,
      rakerTip: 'swaged',
      readings: record.readings.map((r) => (r.tooth % 3 === 0 ? { ...r, yMm: r.yMm + 0.6 } : r)),
    });
    expect(swaged.rakers.filings.some((f) => f.step === 'file-thin')).toBeTrue();
    const steep = record.readings.map((r) => ({ ...r, yMm: r.yMm * 8 }));
    expect(studyCrosscut({ ...record, readings: steep }).line.breast?.sagittaMm).toBeCloseTo(0.01 * 29 * 12, 2);
  });
  it('evenness is judged by the finest pitch of the line', () => {
    const half = { teeth: 15, pitchFromMm: 12, pitchToMm: 12, rakeFromDeg: -10, rakeToDeg: -10 };
    const fine = { ...half, pitchFromMm: 6, pitchToMm: 6 };
    const readings = record.readings.map((r, i) => ({ ...r, xMm: i < 15 ? r.xMm : 14 * 12 + 12 + (i - 15) * 6 }));
    const own = studyCrosscut({ ...record, zones: [half, fine], readings });
    expect(own.least.byTeethMm).toBeGreaterThanOrEqual(0);
    expect(() => studyCrosscut({ ...record, zones: [half, fine], readings }, 5)).toThrowError(RangeError);
  });
  it('holds a breast that is given', () =>
    expect(studyCrosscut({ ...record, sagittaMm: 2 }).line.breast?.sagittaMm).toBe(2));
  it('refuses a pattern that is none, in a sentence', () =>
    expect(() => studyCrosscut({ ...record, pattern: 'RRR' })).toThrowError(/no tooth pattern/));
  it('a shop’s own share of teeth changes the depth, never upwards for fewer', () => {
    const fewer = studyCrosscut({ ...record, habits: { shareOnLine: 0.8 } });
    expect(fewer.line.alphaMm).toBeGreaterThanOrEqual(plan.line.alphaMm - 1);
    expect(fewer.reachedShare).toBeGreaterThanOrEqual(0.8);
  });

  it('a depth beyond its teeth is refused through its work too', () =>
    expect(() => crosscutWork.ofRecord(record, 30)).toThrowError(RangeError));
});
