import type { FiledTooth } from '../file/flank-angles';
import { ridgeDropMm } from '../file/flank-angles';
import { heightOn } from '../line/joint-line';
import type { Plan } from '../plan/make-plan';
import type { PlanInputs } from '../plan/plan-inputs';
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

/** A plan's teeth at their targets, all of the set it asks for. */
export function plannedSaw(plan: Plan, inputs: PlanInputs): CutSaw {
  const line = { alphaMm: plan.lineAlphaMm, beta: plan.lineBeta };
  const byTooth = new Map(inputs.readings.map((r) => [r.tooth, r]));
  const heights = Float64Array.from(plan.targets, (t) => t.yMm - heightOn(line, t.xMm));
  const { plateThicknessMm } = inputs.saw;
  const dropMm = ridgeDropMm(plateThicknessMm, inputs.angles.fleamDeg, plan.tooth);
  return {
    line: { xMm: Float64Array.from(plan.targets, (t) => t.xMm), heightMm: heights, pitchMm: plan.pitchMm, cut: 'push' },
    teeth: plan.targets.map((t, i) => {
      const reading = byTooth.get(t.tooth) as ToothReading;
      const setMm = plan.reset ? plan.setPerSideMm : (reading.setMm ?? plan.setPerSideMm);
      return { tooth: t.tooth, heightMm: heights[i] as number, lean: leanOf(reading), setMm, dropMm };
    }),
    plateThicknessMm,
    bentMm: bentLengthMm(plan.toothHeightMm),
  };
}
