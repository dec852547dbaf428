import { evenSaw, planInputs } from '../../reference/random-saw';
import { toothFor } from '../../file/flank-angles';
import { convertTeeth } from '../../line/conversion';
import { SHARPENING_MM } from '../../life/sharpening-metal';
import { makeOrder } from './make-order';
import { studyLine } from './study';

const CROSSCUT = { rakeDeg: -15, fleamDeg: 25 };
const RIP = { rakeDeg: 0, fleamDeg: 0 };
const worn = evenSaw(40, 3).map((r, i) => ({ ...r, yMm: -0.1 * Math.sin((Math.PI * i) / 39), setMm: 0.1 }));
const converted = () =>
  studyLine(
    planInputs(worn, 3, {
      saw: {
        family: 'hand',
        filing: 'crosscut',
        wood: 'dry-soft',
        plateThicknessMm: 0.9,
        plateDepthMm: 90,
        pitchMm: 3,
      },
      angles: CROSSCUT,
      from: { filing: 'rip', angles: RIP },
    }),
  );

describe('the order of a saw that is filed to the other grain', () => {
  it('has its own steps: set out, joint, reshape, joint again, set, last pass, test', () => {
    const study = converted();
    const order = makeOrder(study, study.recommended.depthMm);
    expect(order.work).toBe('convert');
    expect(order.steps.map((s) => s.kind)).toEqual([
      'clean',
      'flatten-set',
      'set-out',
      'joint',
      'reshape',
      'reshape',
      'joint-again',
      'set',
      'set',
      'last-pass',
      'last-pass',
      'stone',
      'test',
      'finish',
    ]);
    // The set is taken out and renewed whatever was left of it.
    expect(order.forecast.set.reset).toBeTrue();
  });
  it('files the new angles out of the tooth it has, and says what comes off and what is left', () => {
    const study = converted();
    const order = makeOrder(study, study.recommended.depthMm);
    const cost = convertTeeth(RIP, CROSSCUT, study.pitchMm, SHARPENING_MM);
    expect(study.tooth).toEqual(toothFor(0, 0));
    expect(order.forecast.tooth.filed).toEqual(toothFor(-15, 25));
    expect(study.conversion).toEqual(jasmine.objectContaining({ ...cost }));
    expect(order.forecast.tooth.heightMm).toBeCloseTo(cost.newHeightMm, 12);
    // Tips end lower than a mere tune would leave them, by the loss.
    const tune = makeOrder(studyLine({ ...study.inputs, angles: RIP, from: null }), order.choice.depthMm);
    order.targets.forEach((t, i) => expect((tune.targets[i]?.yMm ?? 0) - t.yMm).toBeCloseTo(cost.lossMm, 9));
    expect(order.forecast.life.left.likely).toBeLessThan(tune.forecast.life.left.likely);
    expect(order.minutes).toBeGreaterThan(tune.minutes);
    expect(order.reasons.some((r) => r.what === study.conversion?.reason.what)).toBeTrue();
  });
  it('every gullet is reshaped, and by more strokes than levelling alone asks', () => {
    const study = converted();
    const reshape = makeOrder(study, 0.05)
      .steps.filter((s) => s.kind === 'reshape')
      .flatMap((s) => s.stops);
    expect(reshape.length).toBe(41);
    const tune = makeOrder(studyLine({ ...study.inputs, angles: RIP, from: null }), 0.05);
    const shape = tune.steps.filter((s) => s.kind === 'shape').flatMap((s) => s.stops);
    const sum = (stops: typeof reshape): number => stops.reduce((all, s) => all + s.strokes, 0);
    expect(sum(reshape)).toBeGreaterThan(sum(shape));
  });
  it('a coarse saw, or teeth that would end too small, is warned of with the alternative', () => {
    const coarse = studyLine(planInputs(evenSaw(20, 5), 5, { angles: CROSSCUT, from: { filing: 'rip', angles: RIP } }));
    expect(coarse.conversion?.advice).toBe('keep');
    expect(coarse.conversion?.reason.otherwise).toMatch(/kept/);
  });
});
