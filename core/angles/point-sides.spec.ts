import fc from 'fast-check';
import { gulletPlanes, mirrored } from '../reference/filed-gullet';
import { toothBetween } from '../reference/filed-tooth-solid';
import type { AngleReading } from '../evidence/reading';
import { alternateFrom, pointSides, summariseSides } from './point-sides';
import { seated, read, bevel, eye, alternate } from '../reference/made-angles';

describe('point side and lean side', () => {
  const sides = (readings: readonly AngleReading[], teeth = 6, cuts: 'push' | 'pull' = 'push', alone = false) =>
    pointSides(teeth, readings, alternate, cuts, alone);

  it('out of the turns of two gullets it is the side the solid between them stands highest (geometry section 3)', () => {
    fc.assert(
      fc.property(
        fc.record({
          own: fc.double({ min: -30, max: 30, noNaN: true }),
          behind: fc.double({ min: -30, max: 30, noNaN: true }),
          slopeDeg: fc.constantFrom(0, 5, 10),
          rollDeg: fc.double({ min: 0, max: 20, noNaN: true }),
        }),
        ({ own, behind, slopeDeg, rollDeg }) => {
          const hold = (turnDeg: number, xMm: number) => {
            const from = turnDeg < 0 ? 'right' : 'left';
            const planes = gulletPlanes({
              hold: { rollDeg, fleamDeg: Math.abs(turnDeg), slopeDeg, sectionDeg: 60, tip: 1 },
              xMm,
              yMm: 0,
            });
            return {
              planes: turnDeg < 0 ? mirrored(planes) : planes,
              finding: seated({ rollDeg, turnDeg, slopeDeg, from }),
            };
          };
          const [here, before] = [hold(own, 3), hold(behind, 0)];
          const found = sides([read(1, before.finding), read(2, here.finding)])[1];
          if (found?.point === 'none') return;
          expect(found?.by).toBe('turns');
          expect(found?.point).toBe(toothBetween(here.planes, before.planes, 0.9).point);
        },
      ),
    );
  });

  it('a tooth needs both its gullets; alike gullets leave a chisel; on a pull saw the gullet behind is towards the toe', () => {
    const turns = [read(1, bevel(20)), read(2, bevel(-20)), read(3, bevel(-21))];
    expect(sides(turns).map((s) => s.point)).toEqual([null, 'left', 'none', null, null, null]);
    // Mirrored along x: the same saw read from the other end, its turns with the other sign.
    const pull = [read(6, bevel(-20)), read(5, bevel(20)), read(4, bevel(21))];
    expect(sides(pull, 6, 'pull').map((s) => s.point)).toEqual([null, null, null, 'none', 'left', null]);
  });

  it('a cutter filed on its own has its point where its own bevel says', () => {
    const found = sides([read(1, bevel(-40)), read(2, bevel(40)), read(3, bevel(1))], 4, 'push', true);
    expect(found.map((s) => [s.point, s.verdict])).toEqual([
      ['left', 'agrees'],
      ['right', 'agrees'],
      ['none', 'no-point'],
      [null, 'not-known'],
    ]);
  });

  it('teeth leaning away from their point are named; eye against turns is told; a whole saw the wrong way is said once', () => {
    const seen = [read(1, eye('left')), read(2, eye('left')), read(3, eye('right'), { key: 'x' })];
    const some = summariseSides(sides([...seen, read(3, eye('left'), { corrects: 'x' })]));
    expect(some.disagree.map((s) => s.tooth)).toEqual([2]);
    expect(some.wrongWayRound).toBeFalse();
    const both = summariseSides(sides([read(1, bevel(20)), read(2, bevel(-20)), read(2, eye('right'))]));
    expect(both.toldTwoWays).toEqual([2]);
    const round = sides([1, 2, 3, 4, 5, 6].map((tooth) => read(tooth, eye(tooth % 2 ? 'right' : 'left'))));
    expect(summariseSides(round)).toEqual(jasmine.objectContaining({ known: 6, wrongWayRound: true }));
  });

  it('the rest can be said to alternate: what was seen stays, rakers are passed over', () => {
    const some = pointSides(
      7,
      [read(2, eye('right'))],
      (tooth) => ({ lean: tooth === 3 || tooth === 6 ? null : 'left', assumed: true }),
      'push',
      true,
    );
    expect(alternateFrom(1, 'left', some)).toEqual([
      { tooth: 1, point: 'left' },
      { tooth: 4, point: 'left' },
      { tooth: 5, point: 'right' },
      { tooth: 7, point: 'left' },
    ]);
  });
});
