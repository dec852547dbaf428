import type { FiledTooth } from '../file/flank-angles';
import { rollForRake } from '../file/flank-angles';
import { SHARPENING_MM } from '../life/life';
import { heightOn } from '../line/joint-line';
import type { Reason } from '../reason/reason';
import { because, input, COMMON_PRACTICE } from '../reason/reason';
import { lineStatistics } from '../evidence/line-statistics';
import { RESET_BELOW_SHARE, setLeftMm, wantsReset } from '../set/set-wear';
import type { DepthView } from './depth-view';
import { viewDepth } from './depth-view';
import { orderSteps } from './order-steps';
import type { PlanStep } from './steps';
import type { PlanStudy } from './study';

/** A plan: what was chosen, what it comes to, the steps in bench order, and why. */
export interface Plan {
  readonly depthMm: number;
  readonly work: 'sharpen' | 'tune';
  readonly rollDeg: number;
  readonly tooth: FiledTooth;
  readonly toothHeightMm: number;
  readonly pitchMm: number;
  readonly lineAlphaMm: number;
  readonly lineBeta: number;
  readonly reachedShare: number;
  readonly worstSpacingMm: number;
  readonly metalMm3: number;
  readonly sharpeningsSpent: number;
  readonly sharpeningsLeft: number;
  readonly setPerSideMm: number;
  readonly kerfMm: number;
  readonly reset: boolean;
  readonly fileId: string;
  readonly fileName: string;
  readonly minutes: number;
  readonly strokes: number;
  readonly steps: readonly PlanStep[];
  readonly targets: readonly PlanTarget[];
  readonly reasons: readonly Reason[];
}

/** Where one tooth's tip should end. */
export interface PlanTarget {
  readonly tooth: number;
  readonly xMm: number;
  readonly yMm: number;
}

/** Depths under this are no jointing at all. mm. */
const NO_DEPTH_MM = 1e-6;

/** The whole plan at a chosen depth, in the trade's order (trade section 4). O(n). */
export function makePlan(study: PlanStudy, depthMm: number): Plan {
  if (!(depthMm >= 0) || depthMm > study.deepestMm + NO_DEPTH_MM) {
    throw new RangeError('The joint depth must lie between nothing and the deepest the tooth allows.');
  }
  const view = viewDepth(study, depthMm);
  const tune = depthMm > NO_DEPTH_MM;
  const setting = settingDecision(study, tune, depthMm);
  const steps = orderSteps(study, view, tune, setting.reset);
  const { angles } = study.inputs;
  return {
    depthMm,
    work: tune ? 'tune' : 'sharpen',
    rollDeg: rollForRake(angles.rakeDeg, angles.fleamDeg),
    tooth: study.tooth,
    toothHeightMm: study.toothHeightMm,
    pitchMm: study.pitchMm,
    lineAlphaMm: view.line.alphaMm,
    lineBeta: view.line.beta,
    reachedShare: view.reachedShare,
    worstSpacingMm: view.spacing.worstMm,
    metalMm3: tune ? view.metalMm3 : 0,
    sharpeningsSpent: view.life.sharpenings,
    sharpeningsLeft: view.life.left,
    setPerSideMm: study.set.perSideMm,
    kerfMm: study.set.kerfMm,
    reset: setting.reset,
    fileId: study.file.file.id,
    fileName: study.file.file.name,
    minutes: steps.reduce((sum, step) => sum + step.minutes, 0),
    strokes: steps.reduce((sum, step) => sum + step.stops.reduce((s, stop) => s + stop.strokes, 0), 0),
    steps,
    targets: targetsOf(study, view, tune),
    reasons: [study.recommended.reason, view.life.reason, study.set.reason, setting.reason, study.file.reason],
  };
}

function targetsOf(study: PlanStudy, view: DepthView, tune: boolean): PlanTarget[] {
  return Array.from(study.prepared.teeth, (tooth, i) => {
    const x = tune ? (view.spacing.xMm[i] as number) : (study.prepared.xMm[i] as number);
    const y = tune && view.flats.on[i] ? heightOn(view.line, x) : (study.prepared.yMm[i] as number);
    return { tooth, xMm: x, yMm: y };
  });
}

function settingDecision(study: PlanStudy, tune: boolean, depthMm: number): { reset: boolean; reason: Reason } {
  const statistics = lineStatistics(study.inputs.readings);
  const measured = statistics ? [statistics.setLeft, statistics.setRight].filter((s) => s.count > 0) : [];
  const target = study.set.perSideMm;
  if (measured.length < 2) {
    return {
      reset: true,
      reason: because('Set the teeth', 'set not measured on both sides: set it anew', [], COMMON_PRACTICE),
    };
  }
  const least = Math.min(...measured.map((s) => s.meanMm));
  const left = setLeftMm(least, depthMm + SHARPENING_MM, study.toothHeightMm, 'hinge');
  const reset = tune || wantsReset(left, target);
  return {
    reset,
    reason: because(
      reset ? 'Set the teeth' : 'Leave the set',
      'set left s′ = s (1 − filed ÷ bent length), against the target',
      [
        input('lesser side now', least, 'mm'),
        input('to be filed', depthMm + SHARPENING_MM, 'mm'),
        input('set left after it', left, 'mm'),
        input('target', target, 'mm'),
        input('reset below', RESET_BELOW_SHARE, 'share'),
      ],
      'geometry section 6, hinge',
      tune ? 'A full tune takes the set out first, so it is always renewed.' : undefined,
    ),
  };
}
