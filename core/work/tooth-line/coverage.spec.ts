import fc from 'fast-check';
import { evenSaw, planInputs, randomSaw } from '../../reference/random-saw';
import { lineStatistics } from '../../evidence/line-statistics';
import { lineZones, nominalLine } from '../../saw/zones';
import { coverageOf, standForRest } from './coverage';
import { makeOrder } from './make-order';
import { studyLine } from './study';

const uneven = (n: number, pitchMm: number) =>
  evenSaw(n, pitchMm).map((r, i) => ({
    ...r,
    xMm: r.xMm + 0.03 * Math.sin(i),
    yMm: -0.1 * Math.abs(Math.sin(i * 1.3)),
  }));

describe('a line measured in part', () => {
  it('is told: 80 teeth of 198, and a pitch of 3.63 where 2.82 was said', () => {
    const coverage = coverageOf(uneven(80, 3.63), { teeth: 198, pitchMm: 2.82 });
    expect(coverage).toEqual(
      jasmine.objectContaining({ partial: true, otherPitch: true, toldTeeth: 198, measuredTeeth: 80 }),
    );
    expect(coverage.measuredPitchMm).toBeCloseTo(3.63, 1);
  });
  it('starter teeth nobody told of are found with their pitch; told, the line agrees', () => {
    const toe = { teeth: 12, pitchFromMm: 1.5, pitchToMm: 1.5, relaxFromDeg: 0, relaxToDeg: 0 };
    const { xMm } = nominalLine(lineZones(60, 3, 0, [toe]));
    const read = Array.from(xMm, (x, i) => ({
      tooth: i + 1,
      xMm: x + 0.02 * Math.sin(i),
      yMm: 0,
      kind: 'tooth' as const,
    }));
    const untold = coverageOf(read, { teeth: 60, pitchMm: 3 });
    expect([untold.otherToe, untold.otherPitch, untold.toe?.teeth]).toEqual([true, false, 12]);
    expect(untold.toe?.pitchFromMm).toBeCloseTo(1.5, 1);
    expect(coverageOf(read, { teeth: 60, pitchMm: 3, toeZones: [toe] }).otherToe).toBeFalse();
    expect(coverageOf(uneven(60, 3), { teeth: 60, pitchMm: 3, toeZones: [toe] }).otherToe).toBeTrue();
  });
  it('a tooth or two lost at the ends is the whole saw; places not read tell no pitch', () => {
    const whole = coverageOf(evenSaw(196, 3), { teeth: 198, pitchMm: 2.82 });
    expect([whole.partial, whole.more, whole.measuredPitchMm, whole.otherPitch]).toEqual([false, false, null, false]);
    expect(coverageOf(evenSaw(220, 3), { teeth: 198, pitchMm: 3 }).more).toBeTrue();
  });
  it('stands for the rest: as many teeth as told, at its own pitch, as uneven as it is, none of them measured', () => {
    fc.assert(
      fc.property(randomSaw(30), fc.integer({ min: 0, max: 60 }), (saw, more) => {
        const teeth = saw.readings.length + more;
        const all = standForRest(saw.readings, teeth);
        expect(all.length).toBe(teeth);
        expect(all.slice(0, saw.readings.length)).toEqual(saw.readings);
        expect(all.filter((r) => r.sample).length).toBe(more);
        expect(all.map((r) => r.tooth)).toEqual(Array.from({ length: teeth }, (_, i) => i + 1));
        for (let i = 1; i < all.length; i++) expect(all[i]?.xMm).toBeGreaterThan(all[i - 1]?.xMm ?? Infinity);
      }),
    );
    const tilted = evenSaw(10, 2).map((r) => ({ ...r, yMm: 0.01 * r.xMm }));
    const all = standForRest(tilted, 30);
    // A tilted straight edge goes on tilted: no step where the sample begins.
    expect(all[29]?.yMm).toBeCloseTo(0.01 * 58, 9);
    expect(lineStatistics(all)?.heightSpreadMm).toBeLessThan(1e-9);
  });
  it('its order is for the whole saw: gullets, minutes and their error grow with what was not measured', () => {
    const readings = uneven(40, 2);
    const order = (teeth: number) =>
      makeOrder(studyLine(planInputs(standForRest(readings, teeth), 2, { measured: readings.length })), 0.12);
    const [part, whole] = [order(40), order(120)];
    const sharpen = (o: typeof part) => o.steps.find((s) => s.kind === 'sharpen')?.stops.length;
    expect([sharpen(part), sharpen(whole)]).toEqual([41, 121]);
    expect(whole.minutes).toBeGreaterThan(1.2 * part.minutes);
    expect([part.minutesError, part.choice.sample, whole.choice.sample]).toEqual([0, false, true]);
    expect(whole.minutesError).toBeGreaterThan(0);
    expect(order(200).minutesError).toBeGreaterThan(whole.minutesError);
  });
});
