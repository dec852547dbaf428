import type { AcceptedPlan } from '@odontis/contract/plan';
import type { AnglePair } from '@odontis/core/file/angle-pair';
import { depthCurve } from '@odontis/core/line/depth-curve';
import { leanDisagreements } from '@odontis/core/file/direction';
import type { Saw } from '@odontis/core/saw/saw';
import { teethOf } from '@odontis/core/saw/saw';
import type { LineWish, Studied } from '@odontis/core/work/family-work';
import type { LineOrder } from '@odontis/core/work/order';
import { isLineOrder } from '@odontis/core/work/order';
import { coverageOf } from '@odontis/core/work/tooth-line/coverage';
import { viewDepth } from '@odontis/core/work/tooth-line/depth-view';
import type { LineStudy } from '@odontis/core/work/tooth-line/study';
import { recut } from '@odontis/core/work/tooth-line/study';
import { studyOfOrder } from '@odontis/core/work/tooth-line/study-of-order';
import { alternateGullets } from '../../../shared/tooth/alternate-gullets';
import type { PlanDraft } from './plan-draft';

/** Points of the curve of evenness against depth. */
const CURVE_POINTS = 64;

/** What is chosen before the depth, the breast and the rakers. */
export const wishOf = (draft: PlanDraft): LineWish => ({
  line: draft.line,
  angles: { rakeDeg: draft.rakeDeg, fleamDeg: draft.fleamDeg },
  convert: draft.convert,
  sample: draft.sample,
  retoothMm: draft.retoothMm,
  breastMm: null,
  rakerMm: null,
  rakerTip: draft.rakerTip,
  pullFiling: draft.pullFiling,
  backDeg: draft.backDeg,
  topDeg: draft.topDeg,
  besideMm: null,
  set: draft.set,
  setMm: draft.setMm,
});

/** An accepted order's study as it was frozen; null of a saw whose teeth go round. */
export function frozenStudy({ order }: AcceptedPlan, of: Saw): Studied | null {
  if (!isLineOrder(order)) return null;
  const { inputs } = order;
  const saw = { ...inputs.saw, teeth: inputs.saw.teeth ?? teethOf(of) };
  const study = studyOfOrder(order);
  const coverage = coverageOf(inputs.readings, saw, { roles: study.prepared.roles });
  return { ok: true, study, coverage, past: null };
}

/** What a hand moves besides the depth: the breast, the rakers, the other edge's depth. mm; null as advised. */
export type Moved = Pick<PlanDraft, 'breastMm' | 'rakerMm' | 'besideMm'>;

/** A study with the breast, the rakers or the other edge as a hand has moved them: only the line is worked out again. */
export function movedStudy(base: Studied | null, { breastMm, rakerMm: wantedMm, besideMm }: Moved): Studied | null {
  if (!base?.ok) return base;
  const { study } = base;
  if (study.beside && besideMm !== null) {
    const beside = { study: study.beside.study, depthMm: Math.min(study.beside.study.deepestMm, besideMm) };
    return { ...base, study: { ...study, beside } };
  }
  if (!study.cutters || (breastMm === null && wantedMm === null)) return base;
  try {
    return { ...base, study: recut(study, { breastMm, wantedMm }) };
  } catch (error) {
    if (error instanceof RangeError) return { ok: false, code: 'readings-unfit', says: error.message, tooth: null };
    throw error;
  }
}

/** Evenness against depth. */
export function curveOf(study: LineStudy) {
  const curve = depthCurve(study.prepared, study.datum, study.deepestMm, CURVE_POINTS);
  // A pull saw's points stay where they stand, however deep it is levelled.
  const own = study.pull ? viewDepth(study, 0).spacing.worstMm : null;
  return own === null ? curve : curve.map((point) => ({ ...point, worstSpacingMm: own }));
}

/** Teeth that lean to the wrong side of their point; a cutter's bevel is filed by its lean, whatever stands beside it. */
export const leanFaultsOf = ({ cutters, pull, inputs }: LineStudy) =>
  cutters || pull ? [] : leanDisagreements(inputs.readings, inputs.angles.fleamDeg);

/** The tooth that is planned, for its three views, and as it was where the saw is filed otherwise; null of cutters. */
export function drawnTeeth(study: LineStudy, { inputs, forecast }: LineOrder) {
  if (study.cutters) return null;
  const { pull } = study;
  const top = pull && {
    topDeg: pull.tooth.topDeg,
    tipHeightMm: pull.filing.kind === 'full' ? pull.tooth.heightMm : pull.afterTop.tipHeightMm,
  };
  const teeth = (angles: AnglePair, backDeg: number) => ({
    gullets: alternateGullets({ ...angles, backDeg }, 4),
    pitchMm: forecast.tooth.pitchMm,
    plateMm: inputs.saw.plateThicknessMm,
    setMm: forecast.set.perSideMm,
    cuts: pull ? ('pull' as const) : ('push' as const),
    ...(top && { top }),
    backGuessed: false,
  });
  return {
    after: teeth(inputs.angles, pull ? pull.tooth.backDeg : forecast.tooth.filed.backDeg),
    before: inputs.from ? teeth(inputs.from.angles, study.tooth.backDeg) : null,
  };
}
