import { gulletDirection } from '../file/direction';
import type { Lean, ToothReading } from '../evidence/tooth-reading';
import { leanOf, standingTeeth } from '../evidence/tooth-reading';
import { cautionsFor } from './cautions';
import type { DepthView } from './depth-view';
import type { PlanStep, StepKind, Stop } from './steps';
import { WHOLE_SAW_STOP } from './steps';
import type { PlanStudy } from './study';
import { filingMinutes, jointMinutes, jointPasses, settingMinutes, WHOLE_SAW_MINUTES } from './times';

/** The steps of a plan in the trade's order (trade section 4), each with its stops, time and caution. O(n). */
export function orderSteps(study: PlanStudy, view: DepthView, tune: boolean, reset: boolean): PlanStep[] {
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
