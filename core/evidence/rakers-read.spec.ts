import fc from 'fast-check';
import { rakerDepths } from '../raker/raker-depth';
import { RAKER } from '../reference/made-saws';
import { rolesOn } from '../saw/saw';
import { lineOf } from './line-of';
import { rakersRead, underCutters } from './rakers-read';
import type { LengthReading } from './reading';
import type { SessionReadings } from './session';
import { sidesOf } from './sides';

const reading = (quantity: LengthReading['quantity'], place: number, value: number): LengthReading => ({
  ...{ key: `${quantity}-${place}-${value}`, quantity, place, value, gauge: 'straight-edge' },
  ...{ part: null, setAside: false, corrects: null, simulated: false },
});
const session = (key: string, readings: LengthReading[]): SessionReadings => ({ key, kind: 'before', readings });

describe('rakers under their cutters', () => {
  it('a depth gauged on two cutters and a tip worked out from it are each other’s inverse', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -2, max: 2, noNaN: true }), { minLength: 20, maxLength: 20 }),
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        (heights, depthMm) => {
          const roles = rolesOn(RAKER, 20) ?? [];
          const xMm = Float64Array.from(heights, (_, i) => 15 * i);
          const yMm = Float64Array.from(heights);
          underCutters({ xMm, yMm }, roles, new Map(roles.map((_, i) => [i + 1, { depthMm }])));
          const tips = heights.map((_, i) => ({ tooth: i + 1, xMm: xMm[i] as number, yMm: yMm[i] as number }));
          // Straight between two cutters: a level line leaves the chord alone. The last one stands past its cutters.
          for (const raker of rakerDepths(tips, roles, () => 0))
            if (!raker.atEnd) expect(raker.depthMm).toBeCloseTo(depthMm, 9);
        },
      ),
    );
  });

  it('a later session’s reading stands in for an earlier one of the same raker; one nobody read is as the mean', () => {
    const sessions = [
      session('a', [...[1, 2, 3, 4, 6, 7, 8, 9].map((t) => reading('height', t, 0)), reading('raker-depth', 5, 0.2)]),
      session('b', [reading('raker-depth', 5, 0.3), reading('raker-depth', 10, 0.5)]),
    ];
    expect([...rakersRead(sessions, 'before')].map(([tooth, r]) => [tooth, r.depthMm])).toEqual([
      [5, 0.3],
      [10, 0.5],
    ]);
    const line = lineOf(sessions, RAKER, 'before');
    expect(line?.rakersRead).toEqual([5, 10]);
    expect(line?.teeth.length).toBe(10);
    expect(line?.teeth[4]?.yMm).toBeCloseTo(-0.3, 12);
    expect(line?.teeth[9]?.yMm).toBeCloseTo(-0.5, 12);
    const [first] = sessions;
    const fewer = lineOf(first ? [{ ...first, readings: first.readings.slice(0, 8) }] : [], RAKER, 'before');
    expect(fewer?.rakersRead).toEqual([]);
    expect(fewer?.teeth[4]?.yMm).toBeCloseTo(0, 12);
  });

  it('cutters lean by turns among themselves, rakers not at all, also beyond the teeth that were told', () => {
    const sides = sidesOf(RAKER);
    expect([1, 2, 3, 4, 5, 6, 7].map(sides)).toEqual(['left', 'right', 'left', 'right', null, 'left', 'right']);
    expect(sides(105)).toBeNull();
    expect(sides(106)).toBe('left');
  });
});
