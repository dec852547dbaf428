import type { FiledTooth } from '../file/flank-angles';
import { ridgeDropMm } from '../file/flank-angles';
import { overOwnLine } from '../evidence/over-own-line';
import type { ToothReading } from '../evidence/tooth-reading';
import { leanOf, standingTeeth } from '../evidence/tooth-reading';
import { bentLengthMm } from '../set/set-wear';
import type { CutSaw } from './test-cut';

/** Measured teeth as the virtual cut takes them: heights over their own best line; unmeasured set is `setMm`. */
export function measuredSaw(
  readings: readonly ToothReading[],
  tooth: FiledTooth,
  facts: {
    readonly plateThicknessMm: number;
    readonly pitchMm: number;
    readonly fleamDeg: number;
    readonly toothHeightMm: number;
  },
  setMm: number,
): CutSaw {
  const standing = standingTeeth(readings);
  const dropMm = ridgeDropMm(facts.plateThicknessMm, facts.fleamDeg, tooth);
  const heights = overOwnLine(standing);
  return {
    line: {
      xMm: Float64Array.from(standing, (r) => r.xMm),
      heightMm: heights,
      pitchMm: facts.pitchMm,
      cut: 'push',
    },
    teeth: standing.map((r, i) => ({
      tooth: r.tooth,
      heightMm: heights[i] as number,
      lean: leanOf(r),
      setMm: r.setMm ?? setMm,
      dropMm,
    })),
    plateThicknessMm: facts.plateThicknessMm,
    bentMm: bentLengthMm(facts.toothHeightMm),
  };
}
