import { leanOf } from '../../evidence/tooth-reading';
import type { ToothReading } from '../../evidence/tooth-reading';
import { ridgeDropMm } from '../../file/flank-angles';
import { heightOn } from '../../line/joint-line';
import { bentLengthMm } from '../../set/set-wear';
import type { CutSaw } from '../../testcut/test-cut';
import type { LineOrder } from '../order';

/** An order's teeth at their targets, all of the set it asks for. */
export function plannedSaw(order: LineOrder): CutSaw {
  const { inputs, forecast } = order;
  const byTooth = new Map(inputs.readings.map((r) => [r.tooth, r]));
  const heights = Float64Array.from(order.targets, (t) => t.yMm - heightOn(forecast.line, t.xMm));
  const { plateThicknessMm } = inputs.saw;
  const dropMm = ridgeDropMm(plateThicknessMm, inputs.angles.fleamDeg, forecast.tooth.filed);
  return {
    line: {
      xMm: Float64Array.from(order.targets, (t) => t.xMm),
      heightMm: heights,
      pitchMm: forecast.tooth.pitchMm,
      cut: 'push',
    },
    teeth: order.targets.map((t, i) => {
      const reading = byTooth.get(t.tooth) as ToothReading;
      const setMm = forecast.set.reset ? forecast.set.perSideMm : (reading.setMm ?? forecast.set.perSideMm);
      return { tooth: t.tooth, heightMm: heights[i] as number, lean: leanOf(reading), setMm, dropMm };
    }),
    plateThicknessMm,
    bentMm: bentLengthMm(forecast.tooth.heightMm),
  };
}
