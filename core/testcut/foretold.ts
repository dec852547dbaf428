import type { Wood } from '../saw/families';
import type { Reason } from '../reason/reason';
import { because, COMMON_PRACTICE, input } from '../reason/reason';
import type { TestCut } from './test-cut';

/** What is to be cut. */
export interface CutAsked {
  readonly wood: Wood;
  readonly boardMm: number;
}

/** What one full stroke of a saw held in the hand does. */
export interface FullStroke {
  /** How far it is pushed, mm. */
  readonly travelMm: number;
  /** Teeth that pass a place of the wood, and those that stand in the board at once. */
  readonly teeth: number;
  readonly inBoard: number;
  /** How far the saw sinks, mm. */
  readonly sinkMm: number;
}

/** A full stroke takes this share of the toothed length. Judgement, no source. */
const STROKE_SHARE = 0.8;

/** A full stroke of a saw `toothedMm` long that sinks `sinkMm` a pitch of travel. mm. */
export function fullStroke(toothedMm: number, pitchMm: number, sinkMm: number, boardMm: number): FullStroke {
  const travelMm = STROKE_SHARE * toothedMm;
  const teeth = travelMm / pitchMm;
  return { travelMm, teeth, inBoard: Math.min(toothedMm, boardMm) / pitchMm, sinkMm: teeth * sinkMm };
}

/** A saw's cut as it is and as chosen, in the same wood. */
export interface ForetoldCut {
  readonly asked: CutAsked;
  /** How far the saw is taken to sink a pitch of travel; of one that goes round, what is fed a tooth. mm. */
  readonly sinkMm: number;
  /** How many times further than at the least a cut of this shop's leaves its line; 1 where it has not learned. */
  readonly driftTimes: number;
  /** Null of a saw that goes round. */
  readonly stroke: FullStroke | null;
  readonly now: TestCut;
  readonly chosen: TestCut;
  /** What is not known and therefore not drawn, and what is taken for granted; in sentences. */
  readonly needs: readonly string[];
  readonly assumes: readonly string[];
}

export const USUAL_BOARD_MM = 25;

/** Room of either side of the plate in its kerf, mm. */
export const roomOf = (
  { section }: TestCut,
  plateThicknessMm: number,
): { readonly left: number; readonly right: number } | null =>
  section && { left: section.leftMm - plateThicknessMm / 2, right: section.rightMm - plateThicknessMm / 2 };

/** Depth over which a drift is told. mm. */
export const DRIFT_DEPTH_MM = 25;

/** A line left by so much over a length, as over {@link DRIFT_DEPTH_MM}. mm, left positive. */
export const offLineMm = ({ mm, overMm }: { readonly mm: number; readonly overMm: number }): number =>
  (mm * DRIFT_DEPTH_MM) / overMm;

/**
 * How far the cut leaves its line over {@link DRIFT_DEPTH_MM}, at the least: the plate comes to lie in the middle of
 * its kerf, which is half the difference of the two sets off the middle of the plate; `times` as far where a shop
 * has learned so of its own cuts. mm, left positive, and its error (null where a side has too few readings). Null
 * where the set is not known.
 */
export function leavesLineBy(
  { drift }: TestCut,
  times = 1,
): { readonly mm: number; readonly errorMm: number | null } | null {
  if (!drift) return null;
  const half = times / 2;
  return { mm: half * drift.setDifferenceMm, errorMm: drift.setErrorMm === null ? null : half * drift.setErrorMm };
}

/** The hardest worked tooth; null where loads are not known. */
export function hardestOf({ loads, teeth }: TestCut): { readonly tooth: number; readonly loadMm: number } | null {
  if (!loads || teeth.length === 0) return null;
  const at = loads.loadMm.reduce((best, v, i) => (v > (loads.loadMm[best] as number) ? i : best), 0);
  return { tooth: teeth[at] as number, loadMm: loads.loadMm[at] as number };
}

/** Why each number of a cut is what it is. */
export function cutReasons(
  cut: TestCut,
  { asked, sinkMm, stroke, driftTimes }: Pick<ForetoldCut, 'asked' | 'sinkMm' | 'stroke' | 'driftTimes'>,
  plateThicknessMm: number,
): Record<'working' | 'worst' | 'stroke' | 'hop' | 'kerf' | 'ridge' | 'drift', Reason> {
  const { loads } = cut;
  const worst = hardestOf(cut);
  const sink = input('taken a pitch', sinkMm, 'mm');
  const drift = cut.drift;
  return {
    working: because(
      'Teeth that cut at all',
      'a tooth works where it stands deeper than every tooth before it has left the wood',
      [sink, input('teeth', cut.teeth.length, 'count'), input('working', loads?.shareWorking ?? 0, 'share')],
      'Geometry, section 10; sink by the wood: judgement, no source',
      'A harder hand or softer wood sinks further, and more teeth work.',
    ),
    worst: because(
      'The hardest worked tooth',
      'greatest load / mean load; 1 is a saw that cuts evenly, more is one that jumps',
      [sink, input('tooth', worst?.tooth ?? 0, 'count'), input('its load', worst?.loadMm ?? 0, 'mm')],
      'Geometry, section 10',
    ),
    stroke: because(
      'What a full stroke does',
      'teeth = travel / pitch; sink of a stroke = teeth x what is taken a pitch',
      [sink, input('travel', stroke?.travelMm ?? 0, 'mm'), input('teeth that pass', stroke?.teeth ?? 0, 'count')],
      'Travel and sink by the wood: judgement, no source',
      'A usual hand lets the saw sink by its own weight; a harder one sinks further, until the gullets are full.',
    ),
    hop: because(
      'How far the saw rises and falls as it is pushed',
      'the saw lies on the tallest tooth in the board: the greatest of those less the least',
      [input('board', asked.boardMm, 'mm'), input('hop', cut.hopMm ?? 0, 'mm')],
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
      `How far it leaves its line over ${DRIFT_DEPTH_MM} mm of depth${driftTimes === 1 ? ', at the least' : ''}`,
      `(set left - set right) / 2: the plate comes to lie in the middle of its kerf${driftTimes === 1 ? '' : '; times what this shop learned'}`,
      [
        ...(driftTimes === 1 ? [] : [input('times, as this shop learned', Number(driftTimes.toPrecision(3)), 'count')]),
        input('left less right', drift?.setDifferenceMm ?? 0, 'mm'),
        ...(drift?.setErrorMm ? [input('its standard error', drift.setErrorMm, 'mm')] : []),
        ...(drift?.chance ? [input('chance of that side', drift.chance, 'share')] : []),
      ],
      'Common practice, no source',
      'A saw that has more set on one side runs to it; one that carries more on one side runs there too.',
    ),
  };
}
