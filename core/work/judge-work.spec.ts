import { pitchMmFromCount } from '../units/points';
import { judgeFiling, judgeStraightening, judgeWork, worksOtherGrain } from './judge-work';

const RIP = { rakeDeg: 0, fleamDeg: 0 };
const CROSS = { rakeDeg: -16.47, fleamDeg: 25 };
const at = (points: number, otherGrain: boolean | null = null) =>
  judgeFiling(pitchMmFromCount(points, 'points'), RIP, CROSS, otherGrain, undefined);

describe('what a shop’s books say of the work', () => {
  // Common practice, no source (trade section 2): at 7 points and coarser keep separate saws, from 10 rip does for all.
  it('by points: separate saws at 7 and coarser, the owner between, rip for everything from 10', () => {
    expect([at(6).judged.verdict, at(7).judged.verdict, at(8).judged.verdict, at(11).judged.verdict]).toEqual([
      'keep',
      'keep',
      'ask',
      'rip',
    ]);
    expect(at(8, true).judged.verdict).toBe('convert');
    expect(at(7).reason.otherwise).toContain('separate rip and crosscut saws');
  });
  it('teeth that would end too small are kept, and the reason carries the numbers', () => {
    const severe = judgeFiling(2.54, { rakeDeg: 15, fleamDeg: 0 }, { rakeDeg: -30, fleamDeg: 0 }, true, undefined);
    expect(severe.judged.verdict).toBe('keep');
    const value = (name: string) => severe.reason.inputs.find((i) => i.name === name)?.value as number;
    expect(value('points to the inch')).toBeCloseTo(11, 12);
    expect(value('old tooth height') - value('tips come down')).toBeCloseTo(value('height left'), 12);
    expect(value('height left') / severe.conversion.newHeightMm).toBeCloseTo(value('of the new tooth'), 12);
  });
  it('a limit the shop moved is its own', () => {
    const own = { filing: { thresholds: { coarsePoints: 5 } } };
    expect(judgeFiling(pitchMmFromCount(6, 'points'), RIP, CROSS, null, own).judged.verdict).toBe('ask');
  });
  it('the grain it works against is only known when it was said', () =>
    expect([
      worksOtherGrain('unsaid', 'rip'),
      worksOtherGrain('across', 'rip'),
      worksOtherGrain('along', 'rip'),
      worksOtherGrain('both', 'crosscut'),
    ]).toEqual([null, true, false, false]));
  it('measured outweighs looked at: an even line is a sharpening whatever it looked like', () => {
    const known = { marks: [], converting: false, rakeOffDeg: null };
    const measured = {
      teeth: 60,
      missing: 0,
      lengthMm: 118,
      pitchMm: 2,
      heightSpreadMm: 0.04,
      crownMm: 0,
      worstSpacingMm: 0.05,
      placesMeasured: true,
      setLeft: { count: 0, meanMm: 0, spreadMm: null },
      setRight: { count: 0, meanMm: 0, spreadMm: null },
    };
    expect(judgeWork({ ...known, lineLook: 'uneven', measured: null }, undefined).verdict).toBe('tune');
    expect(judgeWork({ ...known, lineLook: null, measured }, undefined).verdict).toBe('sharpen');
    expect(
      judgeWork({ ...known, lineLook: null, measured: { ...measured, crownMm: -0.5 } }, undefined).reasons[0]?.rule,
    ).toBe('hollow');
  });
  it('a bend that was gauged says how it is straightened, whatever the counter marked', () => {
    const bend = { kind: 'bend' as const, along: 0.5, down: 0.4 };
    const bow = {
      sagMm: 3,
      sagErrorMm: 0.1,
      bulges: 'left' as const,
      centreMm: 200,
      lengthMm: 80,
      lengthFromMm: 70,
      lengthToMm: 90,
      scatterMm: 0.05,
    };
    expect(judgeStraightening('hand', [bend], null, undefined)?.reasons[0]?.rule).toBe('bend-unmeasured');
    expect(judgeStraightening('hand', [bend], bow, undefined)?.verdict).toBe('clamp');
    expect(judgeStraightening('hand', [], bow, undefined)?.verdict).toBe('clamp');
    expect(judgeStraightening('hand', [{ ...bend, kind: 'rust' }], null, undefined)).toBeNull();
  });
});
