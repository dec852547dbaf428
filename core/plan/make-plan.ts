import type { FiledTooth } from '../file/flank-angles';
import { gulletDirection } from '../file/direction';
import { rollForRake } from '../file/flank-angles';
import { SHARPENING_MM } from '../life/life';
import { heightOn } from '../line/joint-line';
import type { Reason } from '../reason/reason';
import { because, input, COMMON_PRACTICE } from '../reason/reason';
import { lineStatistics } from '../saw/line-statistics';
import type { Lean, ToothReading } from '../saw/tooth-reading';
import { leanOf, standingTeeth } from '../saw/tooth-reading';
import { RESET_BELOW_SHARE, setLeftMm, wantsReset } from '../set/set-wear';
import { cautionsFor } from './cautions';
import type { DepthView } from './depth-view';
import { viewDepth } from './depth-view';
import type { PlanStep, StepKind, Stop } from './steps';
import { WHOLE_SAW_STOP } from './steps';
import type { PlanStudy } from './study';
import { filingMinutes, jointMinutes, jointPasses, settingMinutes, WHOLE_SAW_MINUTES } from './times';

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

function orderSteps(study: PlanStudy, view: DepthView, tune: boolean, reset: boolean): PlanStep[] {
  const { marks, habits } = study.inputs;
  const steps: PlanStep[] = [];
  const whole = (kind: StepKind, minutes: number, extra: Partial<PlanStep> = {}): void => {
    steps.push({ ...blank(kind, 'whole'), minutes, stops: WHOLE_SAW_STOP, ...extra });
  };
  const rusty = marks.includes('rust') || marks.includes('pitting');
  if (tune || rusty) whole('clean', rusty ? WHOLE_SAW_MINUTES.rust : WHOLE_SAW_MINUTES.clean);
  if (marks.some((m) => m === 'bend' || m === 'kink' || m === 'twist' || m === 'wavy-line')) {
    whole('straighten', WHOLE_SAW_MINUTES.straighten);
  }
  if (tune) {
    whole('flatten-set', WHOLE_SAW_MINUTES['flatten-set']);
    whole('joint', jointMinutes(view.depthMm), {
      targetMm: view.depthMm,
      passes: jointPasses(view.depthMm),
      reasons: [study.recommended.reason],
    });
    const shaping = filingSteps(study, 'shape', shapingStops(view));
    steps.push(...shaping);
    if (shaping.length > 0) whole('look', WHOLE_SAW_MINUTES.look, { targetMm: view.worstLeftMm });
  }
  const setting = reset ? settingSteps(study) : [];
  if (habits.setOrder === 'before-filing') steps.push(...setting);
  steps.push(...filingSteps(study, 'sharpen', sharpeningStops(study)));
  if (habits.setOrder === 'after-filing') steps.push(...setting);
  whole('stone', WHOLE_SAW_MINUTES.stone, { passes: 1 });
  whole('finish', WHOLE_SAW_MINUTES.finish);
  return steps;
}

const blank = (kind: StepKind, unit: PlanStep['unit']): PlanStep => ({
  kind,
  unit,
  standOn: null,
  tipTowards: null,
  targetMm: null,
  passes: 0,
  minutes: 0,
  stops: [],
  cautions: cautionsFor(kind),
  reasons: [],
});

/** A flank counts as the heavier one when it travels this many times the other. No source. */
const HEAVIER_TIMES = 1.25;

function shapingStops(view: DepthView): Stop[] {
  return view.filings.flatMap((filing, i) => {
    const strokes = view.strokes[i] as number;
    if (strokes === 0) return [];
    const heavier =
      filing.faceMm > HEAVIER_TIMES * filing.backMm
        ? 'face'
        : filing.backMm > HEAVIER_TIMES * filing.faceMm
          ? 'back'
          : 'even';
    return [{ at: filing.gullet, strokes, heavier } satisfies Stop];
  });
}

function sharpeningStops(study: PlanStudy): Stop[] {
  const strokes = study.inputs.habits.strokesPerGullet;
  const first = (study.prepared.teeth[0] as number) - 1;
  const gullets = [first, ...study.prepared.teeth];
  return gullets.map((at) => ({ at, strokes, heavier: 'even' as const }));
}

/** Gullets parted into passes by the side the shop's school files them from; fleam 0 needs one pass. */
function filingSteps(study: PlanStudy, kind: 'shape' | 'sharpen', stops: readonly Stop[]): PlanStep[] {
  const { habits, angles, readings } = study.inputs;
  const byNumber = new Map(readings.map((r) => [r.tooth, r]));
  const before: ToothReading | undefined = readings[0];
  const direction = (at: number) => {
    const tooth = byNumber.get(at) ?? mirrored(before, at);
    return gulletDirection(tooth, angles.fleamDeg, habits.fileDirection);
  };
  const passes: (Lean | null)[] = angles.fleamDeg === 0 ? [null] : ['left', 'right'];
  return passes.flatMap((side) => {
    const own = inOrder(
      stops.filter((stop) => side === null || direction(stop.at).standOn === side),
      habits.startAt,
    );
    const first = own[0];
    if (!first) return [];
    const strokes = own.reduce((sum, stop) => sum + stop.strokes, 0);
    return [
      {
        ...blank(kind, 'gullet'),
        standOn: side,
        tipTowards: direction(first.at).tipTowards,
        minutes: filingMinutes(strokes, own.length),
        stops: own,
      },
    ];
  });
}

/** The gullet before the first tooth is filed as if a tooth of the other lean stood there. */
function mirrored(first: ToothReading | undefined, at: number): ToothReading {
  const lean = first && leanOf(first) === 'left' ? 'right' : 'left';
  return { tooth: at, xMm: 0, yMm: 0, kind: 'tooth', lean };
}

function settingSteps(study: PlanStudy): PlanStep[] {
  const teeth = standingTeeth(study.inputs.readings);
  return (['left', 'right'] as const).flatMap((side) => {
    const own = teeth.filter((r) => leanOf(r) === side && r.kind === 'tooth');
    if (own.length === 0) return [];
    return [
      {
        ...blank('set', 'tooth'),
        standOn: side,
        targetMm: study.set.perSideMm,
        minutes: settingMinutes(own.length),
        stops: own.map((r) => ({ at: r.tooth, strokes: 0, heavier: 'even' as const })),
        reasons: [study.set.reason],
      },
    ];
  });
}

const inOrder = (stops: readonly Stop[], startAt: 'heel' | 'toe'): Stop[] =>
  startAt === 'heel' ? [...stops] : [...stops].reverse();
