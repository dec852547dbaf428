import type { ToothReading } from '../../evidence/tooth-reading';
import { nominalLine, lineZones } from '../../saw/zones';
import type { ToeZone } from '../../saw/zones';
import { lineInputsOf } from './inputs';
import { makeOrder } from './make-order';
import { studyLine } from './study';

const TOE: ToeZone = { teeth: 12, pitchFromMm: 1.5, pitchToMm: 1.5, relaxFromDeg: 10, relaxToDeg: 10 };
const ANGLES = { rakeDeg: -5, fleamDeg: 0 };

/** Sixty teeth of a hand saw, each at its nominal place, heights as given. */
const inputs = (toeZones: readonly ToeZone[], yMm: (i: number) => number = () => 0) =>
  lineInputsOf({
    saw: {
      family: 'hand',
      filing: 'rip',
      wood: 'dry-soft',
      plateThicknessMm: 0.8,
      plateDepthMm: 90,
      pitchMm: 3,
      teeth: 60,
      ...(toeZones.length > 0 && { toeZones: [...toeZones] }),
    },
    angles: ANGLES,
    readings: Array.from(nominalLine(lineZones(60, 3, -5, [TOE])).xMm, (xMm, i): ToothReading => ({
      tooth: i + 1,
      xMm,
      yMm: yMm(i),
      kind: 'tooth',
    })),
  });
const UNEVEN = (i: number): number => (i % 5 === 0 ? -0.12 : 0);

describe('a line with starter teeth', () => {
  it('told of them, a perfect one needs no jointing; not told, it is evened to the wrong pitch', () => {
    expect(studyLine(inputs([TOE])).recommended.sharpenOnly).toBeTrue();
    const untold = studyLine(inputs([]));
    expect(untold.recommended.sharpenOnly).toBeFalse();
    expect(untold.pitchMm).toBeLessThan(2.9);
  });
  it('measures its pitch over the main stretch, and the toe in proportion to it', () => {
    const off = inputs([TOE]);
    const wide = { ...off, readings: off.readings.map((r) => ({ ...r, xMm: r.xMm * 1.02 })) };
    const study = studyLine(wide);
    expect(study.pitchMm).toBeCloseTo(3.06, 6);
    expect(study.stretches.map((s) => s.pitchMm)[1]).toBeCloseTo(1.53, 6);
  });
  it('files each stretch with its own file and hold, every gullet once', () => {
    const order = makeOrder(studyLine(inputs([TOE])), 0);
    const filing = order.steps.filter((s) => s.kind === 'sharpen');
    expect(filing.map((s) => [s.stretch?.fromTooth, s.stretch?.toTooth, s.stretch?.rakeDeg])).toEqual([
      [1, 48, -5],
      [49, 60, -15],
    ]);
    expect(filing[0]?.tool).not.toBe(filing[1]?.tool);
    expect(filing.flatMap((s) => s.stops.map((stop) => stop.at))).toEqual(Array.from({ length: 61 }, (_, i) => i));
  });
  it('goes no deeper than its smallest teeth allow', () => {
    const [short, plain] = [studyLine(inputs([TOE], UNEVEN)), studyLine(inputs([]))];
    expect(short.deepestMm).toBeLessThan(plain.deepestMm);
    expect(short.deepestMm).toBeCloseTo(0.6 * (short.stretches[1]?.heightMm ?? 0), 9);
  });
  it('gives the teeth of the toe their own rake: their flats and strokes are those of a line of such teeth alone', () => {
    const study = studyLine(inputs([TOE], UNEVEN));
    const toe = study.prepared.teeth.findIndex((t) => t > 49);
    expect(study.prepared.tanFace[toe]).toBeCloseTo(Math.tan((15 * Math.PI) / 180), 9);
    expect(study.prepared.tanFace[0]).toBeCloseTo(Math.tan((5 * Math.PI) / 180), 9);
    expect(makeOrder(study, 0.12).targets.length).toBe(60);
  });
  it('a plain line is one stretch, and its steps speak of none', () => {
    const plain = studyLine({ ...inputs([]), readings: inputs([]).readings.slice(0, 48) });
    expect(plain.stretches.length).toBe(1);
    expect(makeOrder(plain, 0).steps.every((s) => s.stretch === undefined)).toBeTrue();
  });
});
