import { evenSaw, planInputs } from '../../reference/random-saw';
import { toothHeightMm, toothFor } from '../../file/flank-angles';
import { readOrder } from '../read-order';
import { sawAfter, sawIn } from '../saw-after';
import { makeOrder } from './make-order';
import { pastSaving, retoothed, retoothOffer } from './retooth-offer';
import { studyLine } from './study';

const PITCH = 3;
const study = (lost: number) =>
  studyLine(
    planInputs(
      evenSaw(80, PITCH).map((r, i) => (i > 10 && i <= 10 + lost ? { ...r, kind: 'missing' as const } : r)),
      PITCH,
    ),
  );

describe('a tooth line past saving', () => {
  it('is one with a fifth of its teeth gone, or whose teeth are too short to joint to', () => {
    expect(pastSaving(study(4))).toBeNull();
    expect(pastSaving(study(20))).toBe('teeth-lost');
    const short = evenSaw(80, PITCH).map((r, i) => (i % 4 === 0 ? { ...r, yMm: -2 } : r));
    expect(pastSaving(studyLine(planInputs(short, PITCH)))).toBe('too-deep');
  });
  it('where teeth are lost new ones begin in the plate under the gullets; where all stand every second may be kept', () => {
    const { angles } = study(0).inputs;
    const height = toothHeightMm(PITCH, toothFor(angles.rakeDeg, angles.fleamDeg));
    expect(retoothed(study(20), 4).inputs.retooth?.lossMm).toBeCloseTo(height, 6);
    expect(retoothed(study(0), 2 * PITCH).inputs.retooth?.lossMm).toBeCloseTo(0, 6);
    expect(retoothed(study(0), 2 * PITCH).inputs.readings.length).toBe(40);
  });
  it('its order files the old teeth off, sets out, cuts every gullet from solid, sets and sharpens all', () => {
    const order = makeOrder(retoothed(study(20), 4), 0, null);
    expect(order.work).toBe('retooth');
    const kinds = order.steps.map((s) => s.kind);
    expect(kinds.filter((k, i) => k !== kinds[i - 1])).toEqual([
      ...([
        'clean',
        'flatten-set',
        'file-off',
        'set-out',
        'cut',
        'joint-again',
        'set',
        'last-pass',
        'stone',
        'test',
        'finish',
      ] as const),
    ]);
    expect(order.choice.retoothMm).toBe(4);
    expect(order.choice.depthMm).toBeCloseTo(order.inputs.retooth?.lossMm ?? 0, 12);
    const cut = order.steps.filter((s) => s.kind === 'cut').flatMap((s) => s.stops);
    expect(cut.length).toBe(order.inputs.readings.length + 1);
    expect(cut.every((s) => s.strokes > 10)).toBeTrue();
    expect(order.steps.filter((s) => s.kind === 'set').flatMap((s) => s.stops).length).toBe(
      order.inputs.readings.length,
    );
    expect(order.targets.every((t, i) => t.yMm === order.inputs.readings[i]?.yMm)).toBeTrue();
    expect(order.minutes).toBeGreaterThan(makeOrder(study(4), 0, null).minutes * 2);
    const kept: unknown = JSON.parse(JSON.stringify(order));
    expect(JSON.parse(JSON.stringify(readOrder(kept)))).toEqual(kept);
  });
  it('metal: the band that goes less the half that stays, by hand', () => {
    const cut = retoothed(study(20), 4);
    const was = cut.inputs.retooth;
    if (!was) throw new Error('no new teeth');
    // Height h down and h' deeper: between lies h / 2 + h' - h' / 2 of the plate.
    const perMm = was.oldHeightMm / 2 + was.gulletsDeeperMm - cut.toothHeightMm / 2;
    const { metalMm3 } = makeOrder(cut, 0, null).forecast.cut;
    expect(metalMm3 / (cut.inputs.saw.plateThicknessMm * 4 * cut.inputs.readings.length)).toBeCloseTo(perMm, 9);
    expect(was.gulletsDeeperMm).toBeCloseTo(cut.toothHeightMm, 9);
  });
  it('offers the pitch it has, twice it and the counts beside it, the finest first, each worked out whole', () => {
    const offer = retoothOffer(study(20), null);
    expect(offer.length).toBe(6);
    expect(offer.map((c) => c.pitchMm)).toEqual([...offer.map((c) => c.pitchMm)].sort((a, b) => a - b));
    for (const mm of [PITCH, 2 * PITCH]) expect(offer.filter((c) => Math.abs(c.pitchMm - mm) < 1e-9).length).toBe(1);
    for (const c of offer) expect(c.teeth).toBeGreaterThan(20);
  });
  it('the saw is then one of the new pitch, without the toe it had', () => {
    const order = makeOrder(retoothed(study(20), 4), 0, null);
    const saw = {
      family: 'back',
      name: 'x',
      marksOnIt: '',
      convention: 'points',
      plateThicknessMm: 0.6,
      pitchMm: 3,
      toothLineMm: 237,
      plateDepthHeelMm: 80,
      plateDepthToeMm: 80,
      filing: 'rip',
      backFixing: 'folded',
      toeZones: [{ teeth: 6, pitchFromMm: 2, pitchToMm: 2, relaxFromDeg: 0, relaxToDeg: 0 }],
    } as const;
    const after = sawAfter({ ...saw, toeZones: [...saw.toeZones] }, order);
    expect([after.pitchMm, after.toothLineMm]).toEqual([4, (order.inputs.readings.length - 1) * 4]);
    expect('toeZones' in after).toBeFalse();
    // What was measured before the work is a line of the old teeth, also once the book knows the new ones.
    const came = sawIn('before', after, order);
    expect(came.family === 'back' && [came.pitchMm, came.toothLineMm]).toEqual([
      order.inputs.retooth?.oldPitchMm ?? 0,
      ((order.inputs.retooth?.oldTeeth ?? 0) - 1) * (order.inputs.retooth?.oldPitchMm ?? 0),
    ]);
    expect(sawIn('after', { ...saw, toeZones: [...saw.toeZones] }, order)).toEqual(after);
    expect(sawIn('before', after, null)).toBe(after);
  });
});
