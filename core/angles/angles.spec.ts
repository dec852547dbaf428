import fc from 'fast-check';
import { mean, sampleStandardDeviation } from 'simple-statistics';
import { gulletPlanes, mirrored } from '../reference/filed-gullet';
import { toothBetween } from '../reference/filed-tooth-solid';
import { filedTooth } from '../file/flank-angles';
import { ridgeOf, toothRow } from '../file/tooth-row';
import { afterTopOnly, freshHeightMm, pullOutline } from '../pull/pull-tooth';
import { randomFrom } from '../reference/made-scan';
import type { Saw } from '../saw/saw';
import { weightedMean } from '../evidence/estimate';
import { ANGLE_ERROR_DEG, filedAlone, waysOf } from '../evidence/angle-finding';
import { standing } from '../evidence/estimates';
import { anglesOf } from './angles-of';
import { blockFromRoll, rollFromBlock } from './block-roll';
import { doubtAngle } from './doubt-angle';
import { gulletAngles, tipTowards, turnOf } from './gullet-angles';
import { HAND, seated, read, bevel, eye } from '../reference/made-angles';

describe('a file seated in an unworn gullet', () => {
  it('the block’s fall is the roll: flat across the top 30, fallen by 30 an upright rip face (geometry section 2)', () => {
    expect(rollFromBlock(0, 'taper')).toBe(30);
    expect(rollFromBlock(30, 'taper')).toBe(0);
    expect(blockFromRoll(rollFromBlock(12, 'feather'), 'feather')).toBe(12);
  });

  it('roll 15, turned 25, level: rake -16.47, back 47.81, both flanks turned 25 (geometry section 2)', () => {
    const found = gulletAngles(seated(), 'push');
    expect(found.rakeDeg?.value).toBeCloseTo(-16.47, 2);
    expect(found.backDeg?.value).toBeCloseTo(47.81, 2);
    expect(found.faceTurnDeg?.value).toBeCloseTo(25, 9);
    expect(found.backTurnDeg?.value).toBeCloseTo(25, 9);
  });

  it('with the handle low the two flanks part: the table of geometry section 2, from both sides and both ways', () => {
    const table: [number, number, number, 1 | -1, number, number, number, number][] = [
      [25, 10, 15, 1, 16.574, 45.149, 27.664, 15.149],
      [25, 10, 15, -1, 15.906, 49.777, 22.336, 34.851],
      [20, 15, 0, -1, 0, 64.825, 20, 44.146],
      [0, 10, 15, 1, 14.782, 44.562, 2.664, -9.851],
    ];
    for (const [f, g, a, s, face, back, planFace, planBack] of table) {
      for (const side of [1, -1] as const) {
        const from = s * side === 1 ? 'left' : 'right';
        const found = gulletAngles(seated({ rollDeg: a, turnDeg: side * f, slopeDeg: g, from }), 'push');
        // At fleam 0 the turn has no sign: the side stood on alone tells the mirror image.
        const sign = f === 0 ? (from === 'left' ? 1 : -1) : side;
        expect(found.rakeDeg?.value).toBeCloseTo(-face, 3);
        if (f > 0) expect(found.backDeg?.value).toBeCloseTo(back, 3);
        if (f > 0) expect(found.faceTurnDeg?.value).toBeCloseTo(sign * planFace, 3);
        if (f > 0) expect(found.backTurnDeg?.value).toBeCloseTo(sign * planBack, 3);
        if (f === 0 && s === 1 && side === 1) expect(found.faceTurnDeg?.value).toBeCloseTo(planFace, 3);
      }
    }
  });

  it('a pull saw is the mirror image along the saw: the same rake, every turn the other way', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -30, max: 30, noNaN: true }),
        fc.double({ min: 0, max: 12, noNaN: true }),
        fc.constantFrom<'left' | 'right'>('left', 'right'),
        (turnDeg, slopeDeg, from) => {
          const push = gulletAngles(seated({ turnDeg, slopeDeg, from }), 'push');
          const pull = gulletAngles(seated({ turnDeg: 0 - turnDeg, slopeDeg, from }), 'pull');
          expect(pull.rakeDeg?.value).toBeCloseTo(push.rakeDeg?.value ?? NaN, 9);
          expect(pull.faceTurnDeg?.value).toBeCloseTo(-(push.faceTurnDeg?.value ?? NaN), 9);
        },
      ),
    );
  });

  it('its errors are what a thousand unsteady readings of block, card and dip scatter', () => {
    const next = randomFrom(4);
    const normal = (): number => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next());
    const told = gulletAngles(seated({ slopeDeg: 6 }), 'push');
    const all = Array.from({ length: 4000 }, () =>
      gulletAngles(
        seated({
          rollDeg: 15 + ANGLE_ERROR_DEG.roll * normal(),
          turnDeg: 25 + ANGLE_ERROR_DEG.turn * normal(),
          slopeDeg: 6 + ANGLE_ERROR_DEG.slope * normal(),
        }),
        'push',
      ),
    );
    for (const angle of ['rakeDeg', 'backDeg', 'faceTurnDeg', 'backTurnDeg'] as const) {
      const scatter = sampleStandardDeviation(all.map((g) => g[angle]?.value ?? NaN));
      expect((told[angle]?.error ?? NaN) / scatter).toBeGreaterThan(0.9);
      expect((told[angle]?.error ?? NaN) / scatter).toBeLessThan(1.1);
    }
  });

  it('where the tip points and the turn’s sign are the same thing said twice (geometry section 3)', () => {
    // Standing on the right with m > 0 the tip points to the handle; filed from the left, to the toe.
    expect(tipTowards(25, 'right')).toBe('heel');
    expect(tipTowards(25, 'left')).toBe('toe');
    expect(tipTowards(0, 'left')).toBeNull();
    for (const from of ['left', 'right'] as const)
      for (const tip of ['toe', 'heel'] as const) expect(tipTowards(turnOf(20, from, tip), from)).toBe(tip);
  });
});

describe('what all readings of a saw’s angles say', () => {
  it('repeats and ways are weighted by their errors; equal ones are the plain mean and its error', () => {
    const equal = [24, 25, 27, 26].map((value) => ({ value, error: 0.01 }));
    const found = weightedMean(equal);
    expect(found?.value).toBeCloseTo(mean([24, 25, 27, 26]), 9);
    expect(found?.error).toBeCloseTo(sampleStandardDeviation([24, 25, 27, 26]) / 2, 9);
    expect(weightedMean([null, { value: 3, error: 0.5 }])).toEqual({ value: 3, error: 0.5 });
    expect(weightedMean([null])).toBeNull();
    const uneven = weightedMean([
      { value: 10, error: 1 },
      { value: 13, error: 2 },
    ]);
    expect(uneven?.value).toBeCloseTo(10.6, 9);
  });

  it('fleam has no sign though gullets turn both ways; corrected and set aside readings do not count', () => {
    const wrong = read(3, bevel(80, -15), { setAside: true });
    const slip = read(4, bevel(-12));
    const readings = [
      read(1, bevel(24, -14)),
      read(2, bevel(-26, -16)),
      wrong,
      slip,
      read(4, bevel(-25), { corrects: slip.key }),
      read(5, eye('left')),
    ];
    const says = anglesOf(HAND, readings, 'taper');
    expect(says.all.fleamDeg?.value).toBeCloseTo(25, 9);
    expect(says.all.rakeDeg?.value).toBeCloseTo(-15, 9);
    expect(says.ways.map((w) => [w.way, w.teeth])).toEqual([['bevel', 3]]);
    expect(standing(readings).length).toBe(4);
    expect(says.apart).toEqual([]);
  });

  it('two ways that cannot both be right are named', () => {
    const readings = [1, 2, 3, 4].flatMap((tooth) => [read(tooth, bevel(25, -2)), read(tooth, seated())]);
    expect(anglesOf(HAND, readings, 'taper').apart.map((a) => [a.angle, a.ways])).toEqual([
      ['rakeDeg', ['file', 'bevel']],
    ]);
  });

  it('a file seats only where one file made both flanks; a round blade is not scanned', () => {
    expect(waysOf(HAND)).toContain('file');
    const raker: Saw = { ...HAND, family: 'crosscut', backFixing: 'none', kind: 'two-man', pattern: 'CCR' };
    expect(waysOf(raker)).toEqual(['bevel', 'scan', 'eye']);
    expect(filedAlone(raker)).toBeTrue();
    expect(
      anglesOf(raker, [read(1, { way: 'bevel', rakeDeg: 0, backDeg: 30, turnDeg: 40 })], 'taper').silhouette,
    ).toBeNull();
  });
});

describe('an angle that is asked about', () => {
  const known = [1, 2, 3, 4].map((tooth) => read(tooth, bevel(tooth % 2 ? 24 : -25, -14)));

  it('65 off square is 25 to the plate; 14 leaning in where the others lean back 14 wants its sign', () => {
    const plate = doubtAngle(bevel(65), known, 'push');
    expect(plate).toEqual(jasmine.objectContaining({ code: 'out-of-range', angle: 'fleam' }));
    expect(plate?.meant).toEqual({ deg: 25, slip: 'to-plate' });
    const sign = doubtAngle(bevel(null, 14), known, 'push');
    expect(sign).toEqual(jasmine.objectContaining({ code: 'wild', angle: 'rake', usualDeg: -14 }));
    expect(sign?.meant).toEqual({ deg: -14, slip: 'sign' });
  });

  it('what the others are, and what nobody has measured yet, just counts; the eye is never asked', () => {
    expect(doubtAngle(bevel(22, -17), known, 'push')).toBeNull();
    expect(doubtAngle(bevel(null, 14), known.slice(0, 2), 'push')).toBeNull();
    expect(doubtAngle(eye('none'), known, 'push')).toBeNull();
  });

  it('a file that leaves no tooth is said to, not thrown', () => {
    expect(doubtAngle(seated({ rollDeg: -35 }), [], 'push')?.code).toBe('no-tooth');
    expect(doubtAngle(seated({ slopeDeg: 40 }), [], 'push')?.angle).toBe('slope');
    expect(doubtAngle(seated(), known, 'push')).toBeNull();
  });
});

describe('a row of teeth drawn from its gullets', () => {
  it('stands as the solids between the same planes: height, drop, side of the point', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 30, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (fleamDeg, rollDeg) => {
          const planes = (i: number) => {
            const one = gulletPlanes({
              hold: { rollDeg, fleamDeg, slopeDeg: 0, sectionDeg: 60, tip: 1 },
              xMm: 3 * i,
              yMm: 0,
            });
            return i % 2 ? one : mirrored(one);
          };
          const { faceDeg, backDeg } = filedTooth({ fleamDeg, rollDeg, sectionDeg: 60 });
          const gullets = [0, 1, 2].map((i) => {
            const turn = i % 2 ? fleamDeg : -fleamDeg;
            return { rakeDeg: -faceDeg, backDeg, faceTurnDeg: turn, backTurnDeg: turn };
          });
          toothRow(gullets, 3, 0.9).forEach((tooth, i) => {
            const solid = toothBetween(planes(i + 1), planes(i), 0.9);
            expect(ridgeOf(tooth).dropMm).toBeCloseTo(solid.dropMm, 9);
            expect(ridgeOf(tooth).point).toBe(solid.point);
            const high = solid.point === 'left' ? tooth.left.tip : tooth.right.tip;
            [0, 1, 2].forEach((k) => expect(high[k]).toBeCloseTo(solid.tip[k] as number, 9));
          });
        },
      ),
    );
  });

  it('a top bevel cuts face and back off along its own plane, and leaves the tooth its outline in the middle of the plate', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -5, max: 20, noNaN: true }),
        fc.double({ min: 15, max: 45, noNaN: true }),
        fc.double({ min: 0, max: 30, noNaN: true }),
        fc.double({ min: 0, max: 25, noNaN: true }),
        fc.double({ min: 0, max: 0.1, noNaN: true }),
        (faceDeg, backDeg, topDeg, fleamDeg, filedMm) => {
          const shape = { faceDeg, backDeg, topDeg, pitchMm: 2 };
          const pull = { ...shape, heightMm: freshHeightMm(shape) };
          const cut = afterTopOnly(pull, filedMm);
          const tan = (deg: number) => Math.tan((deg * Math.PI) / 180);
          const gullets = [fleamDeg, -fleamDeg].map((turn) => ({
            ...{ rakeDeg: -faceDeg, backDeg },
            ...{ faceTurnDeg: turn, backTurnDeg: turn },
          }));
          const thin = { topDeg, tipHeightMm: cut.tipHeightMm };
          const tooth = toothRow(gullets, 2, 0.6, thin)[0];
          if (!tooth) throw new Error('There is no tooth.');
          const turn = -tan(fleamDeg);
          for (const { backFoot, bevelEnd, tip, faceFoot } of [tooth.left, tooth.right]) {
            const onTop = ([x, y, z]: readonly [number, number, number]) =>
              cut.tipHeightMm + (x - 2 + cut.tipHeightMm * tan(faceDeg) + z * turn) * tan(topDeg) - y;
            if (tip !== bevelEnd && tip[1] > bevelEnd[1]) {
              expect(onTop(tip)).toBeCloseTo(0, 9);
              expect(onTop(bevelEnd)).toBeCloseTo(0, 9);
            }
            expect((bevelEnd[0] - backFoot[0]) / tan(backDeg)).toBeCloseTo(bevelEnd[1], 9);
            expect(faceFoot[0] - tip[1] * tan(faceDeg)).toBeCloseTo(tip[0], 9);
          }
          // Hardly any plate: what the side view of the plan is drawn from, seen the other way about.
          const flat = toothRow(gullets, 2, 1e-9, thin)[0]?.left;
          const [, drawnTip, drawnEnd] = pullOutline(pull, cut);
          expect(2 - (flat?.tip[0] ?? NaN)).toBeCloseTo(drawnTip.x, 6);
          expect(flat?.tip[1]).toBeCloseTo(drawnTip.y, 6);
          expect(2 - (flat?.bevelEnd[0] ?? NaN)).toBeCloseTo(drawnEnd.x, 6);
          expect(flat?.bevelEnd[1]).toBeCloseTo(drawnEnd.y, 6);
        },
      ),
    );
  });

  it('a bevel that takes the whole tooth is refused', () => {
    const square = { rakeDeg: 0, backDeg: 60, faceTurnDeg: 0, backTurnDeg: 0 };
    expect(() => toothRow([square, square], 2, 0.6, { topDeg: 50, tipHeightMm: 1 })).toThrowError(RangeError);
  });

  it('flanks that meet below the plate’s other face are refused', () => {
    const flat = { rakeDeg: 50, backDeg: 40, faceTurnDeg: 0, backTurnDeg: 0 };
    expect(() => toothRow([flat, flat], 3, 0.9)).toThrowError(RangeError);
  });
});
