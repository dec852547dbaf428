import type { Wood } from '../../saw/families';
import type { CutAsked, ForetoldCut } from '../../testcut/foretold';
import { fullStroke } from '../../testcut/foretold';
import type { CutConditions, CutSaw, TestCut } from '../../testcut/test-cut';
import { testCut } from '../../testcut/test-cut';
import { sawAt, sawNow } from './cut-saws';
import type { SetLeft } from './cut-saws';
import type { DepthView } from './depth-view';
import type { LineStudy } from './study';

/** Share of the pitch a saw sinks a pitch of travel, by the wood. Judgement, no source. */
const SINK_SHARES: Record<Wood, number> = { 'dry-hard': 0.012, 'dry-soft': 0.02, green: 0.03 };

/** The wood and the hand a line is cut with. */
export const conditionsOf = ({ pitchMm }: LineStudy, { wood, boardMm }: CutAsked): CutConditions => ({
  sinkMm: SINK_SHARES[wood] * pitchMm,
  boardMm,
});

/** The cut of a tooth line as it is, whatever is chosen. O(n log n). */
export function cutAsItIs(study: LineStudy, asked: CutAsked): { readonly saw: CutSaw; readonly cut: TestCut } {
  const saw = sawNow(study);
  return { saw, cut: testCut(saw, conditionsOf(study, asked)) };
}

/**
 * The cut foretold of a tooth line, before and after the work chosen; the cut as it is may have been worked out
 * before. O(n log n): meant to run inside a frame at 400 teeth.
 */
export function foretellCut(
  study: LineStudy,
  view: DepthView,
  set: SetLeft,
  asked: CutAsked,
  asItIs = cutAsItIs(study, asked),
): ForetoldCut {
  const conditions = conditionsOf(study, asked);
  const { sinkMm } = conditions;
  const [now, chosen] = [asItIs.saw, sawAt(study, view, set)];
  const { readings } = study.inputs;
  const toothedMm = Math.max(study.inputs.saw.teeth ?? 0, study.prepared.xMm.length) * study.pitchMm;
  const stroke = fullStroke(toothedMm, study.pitchMm, sinkMm, asked.boardMm);
  const leaning = chosen.teeth.filter((t) => t.lean !== null).length;
  const read = readings.filter((r) => typeof r.setMm === 'number' && r.kind !== 'missing').length;
  const needs = [
    ...(now.sides ? [] : ['No set is read on both sides: the kerf as it is, its room and its drift are not known.']),
    ...(chosen.sides ? [] : ['The set is left as it is and was not read: read it on a few teeth of either side.']),
  ];
  const assumes = [
    ...(now.sides && read < leaning
      ? [`Set was read at ${read} of ${leaning} teeth: the others are taken to have their side’s mean.`]
      : []),
    ...(study.placesMeasured ? [] : ['Places were not measured: the spacing is taken as even.']),
    ...(study.pull ? ['Points are taken as their fleam leaves them: the top bevels are not cut out.'] : []),
    ...(study.cutters ? ['Rakers plane after rakers, cutters score after cutters of their own side.'] : []),
  ];
  const driftTimes = study.inputs.habits.learned?.driftTimes ?? 1;
  return {
    asked,
    sinkMm,
    driftTimes,
    stroke,
    now: asItIs.cut,
    chosen: testCut(chosen, conditions),
    needs,
    assumes,
  };
}
