import type { Wood } from '../../saw/families';
import type { Reason } from '../../reason/reason';
import { because, COMMON_PRACTICE, input } from '../../reason/reason';
import type { TestCut } from '../../testcut/test-cut';
import { testCut } from '../../testcut/test-cut';
import { sawAt, sawNow } from './cut-saws';
import type { SetLeft } from './cut-saws';
import type { DepthView } from './depth-view';
import type { LineStudy } from './study';

/** What is to be cut. */
export interface CutAsked {
  readonly wood: Wood;
  readonly boardMm: number;
}

/** A line's cut as it is and as chosen, in the same wood. */
export interface ForetoldCut {
  readonly asked: CutAsked;
  /** How far the saw is taken to sink a pitch of travel, mm. */
  readonly sinkMm: number;
  readonly now: TestCut;
  readonly chosen: TestCut;
  /** What is not known and therefore not drawn, and what is taken for granted; in sentences. */
  readonly needs: readonly string[];
  readonly assumes: readonly string[];
}

/** Share of the pitch a saw sinks a pitch of travel, by the wood. Judgement, no source. */
const SINK_SHARES: Record<Wood, number> = { 'dry-hard': 0.012, 'dry-soft': 0.02, green: 0.03 };
export const USUAL_BOARD_MM = 25;

/** The cut foretold of a tooth line, before and after the work chosen. O(n log n): meant to run inside a frame at 400 teeth. */
export function foretellCut(study: LineStudy, view: DepthView, set: SetLeft, asked: CutAsked): ForetoldCut {
  const sinkMm = SINK_SHARES[asked.wood] * study.pitchMm;
  const conditions = { sinkMm, boardMm: asked.boardMm };
  const [now, chosen] = [sawNow(study), sawAt(study, view, set)];
  const { readings } = study.inputs;
  const leaning = chosen.teeth.filter((t) => t.lean !== null).length;
  const read = readings.filter((r) => typeof r.setMm === 'number' && r.kind !== 'missing').length;
  const needs = [
    ...(now.setKnown ? [] : ['No set is read on both sides: the kerf as it is, its room and its drift are not known.']),
    ...(chosen.setKnown ? [] : ['The set is left as it is and was not read: read it on a few teeth of either side.']),
  ];
  const assumes = [
    ...(now.setKnown && read < leaning
      ? [`Set was read at ${read} of ${leaning} teeth: the others are taken to have their side’s mean.`]
      : []),
    ...(study.placesMeasured ? [] : ['Places were not measured: the spacing is taken as even.']),
    ...(study.pull ? ['Points are taken as their fleam leaves them: the top bevels are not cut out.'] : []),
    ...(study.cutters ? ['Rakers plane after rakers, cutters score after cutters of their own side.'] : []),
  ];
  return { asked, sinkMm, now: testCut(now, conditions), chosen: testCut(chosen, conditions), needs, assumes };
}

/** Room of either side of the plate in its kerf, mm. */
export const roomOf = (
  { section }: TestCut,
  plateThicknessMm: number,
): { readonly left: number; readonly right: number } | null =>
  section && { left: section.leftMm - plateThicknessMm / 2, right: section.rightMm - plateThicknessMm / 2 };

/** Depth over which a drift is told. mm. */
export const DRIFT_DEPTH_MM = 25;

/**
 * How far the cut leaves its line over {@link DRIFT_DEPTH_MM}, at the least: the plate comes to lie in the middle of
 * its kerf, which is half the difference of the two sets off the middle of the plate. mm, left positive, and its error
 * (null where a side has too few readings). Null where the set is not known.
 */
export function leavesLineBy({ drift }: TestCut): { readonly mm: number; readonly errorMm: number | null } | null {
  if (!drift) return null;
  return { mm: drift.setDifferenceMm / 2, errorMm: drift.setErrorMm === null ? null : drift.setErrorMm / 2 };
}

/** Why each number of a cut is what it is. */
export function cutReasons(
  cut: TestCut,
  { asked, sinkMm }: Pick<ForetoldCut, 'asked' | 'sinkMm'>,
  plateThicknessMm: number,
): Record<'working' | 'worst' | 'hop' | 'kerf' | 'ridge' | 'drift', Reason> {
  const worst = cut.loads.loadMm.reduce((best, v, i) => (v > (cut.loads.loadMm[best] as number) ? i : best), 0);
  const sink = input('sink a pitch', sinkMm, 'mm');
  const drift = cut.drift;
  return {
    working: because(
      'Teeth that cut at all',
      'a tooth works where it stands deeper than every tooth before it has left the wood',
      [sink, input('teeth', cut.loads.loadMm.length, 'count'), input('working', cut.loads.shareWorking, 'share')],
      'Geometry, section 10; sink by the wood: judgement, no source',
      'A harder hand or softer wood sinks further, and more teeth work.',
    ),
    worst: because(
      'The hardest worked tooth',
      'greatest load / mean load; 1 is a saw that cuts evenly, more is one that jumps',
      [sink, input('tooth', cut.teeth[worst] ?? 0, 'count'), input('its load', cut.loads.loadMm[worst] ?? 0, 'mm')],
      'Geometry, section 10',
    ),
    hop: because(
      'How far the saw rises and falls as it is pushed',
      'the saw lies on the tallest tooth in the board: the greatest of those less the least',
      [input('board', asked.boardMm, 'mm'), input('hop', cut.hopMm, 'mm')],
      'Geometry, section 10',
      'In a thicker board more teeth carry, and it hops less.',
    ),
    kerf: because(
      'Width of the kerf',
      'plate + how far the furthest point of either side stands out',
      [
        input('plate', plateThicknessMm, 'mm'),
        input('left of the middle', cut.section?.leftMm ?? 0, 'mm'),
        input('right of the middle', cut.section?.rightMm ?? 0, 'mm'),
      ],
      COMMON_PRACTICE,
    ),
    ridge: because(
      'What stands between the two scored lines',
      'least height of the floor between its deepest places left and right of the middle',
      [input('ridge', cut.section?.ridgeMm ?? 0, 'mm')],
      'Geometry, section 10',
    ),
    drift: because(
      `How far it leaves its line over ${DRIFT_DEPTH_MM} mm of depth, at the least`,
      '(set left - set right) / 2: the plate comes to lie in the middle of its kerf',
      [
        input('left less right', drift?.setDifferenceMm ?? 0, 'mm'),
        ...(drift?.setErrorMm ? [input('its standard error', drift.setErrorMm, 'mm')] : []),
        ...(drift?.chance ? [input('chance of that side', drift.chance, 'share')] : []),
      ],
      'Common practice, no source',
      'A saw that has more set on one side runs to it; one that carries more on one side runs there too.',
    ),
  };
}
