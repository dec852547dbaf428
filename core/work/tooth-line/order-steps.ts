import { gulletDirection } from '../../file/direction';
import type { Lean, ToothReading } from '../../evidence/tooth-reading';
import { leanOf } from '../../evidence/tooth-reading';
import { setOfLine } from '../../evidence/line-statistics';
import { setBalance } from '../../set/set-balance';
import { STONING_PER_PASS_MM } from '../../set/stoning';
import { because, COMMON_PRACTICE } from '../../reason/reason';
import type { WorkOrder } from '../order';
import type { Step, StepKind, Stop } from '../step';
import { WHOLE_SAW_STOP } from '../step';
import { strokesFor } from '../../line/strokes';
import { filingMinutes, handleMinutes, jointMinutes, jointPasses, rustMinutes, WHOLE_SAW_MINUTES } from '../times';
import { reshapeStops } from './conversion';
import { cutterSteps } from './cutter-steps';
import { pullSteps } from './pull-steps';
import { blank, heavierOf, inOrder, settingSteps } from './step-parts';
import type { DepthView } from './depth-view';
import { stretchOf } from './stretches';
import type { LineStudy } from './study';

/** The steps of an order in the trade's order (trade section 4), each with its stops, time and caution. O(n). */
export function orderSteps(study: LineStudy, view: DepthView, work: WorkOrder['work'], reset: boolean): Step[] {
  const { marks, habits, etch } = study.inputs;
  const steps: Step[] = [];
  const whole = (kind: StepKind, minutes: number, extra: Partial<Step> = {}): void => {
    steps.push({ ...blank(kind, 'whole', etch), minutes, stops: WHOLE_SAW_STOP, ...extra });
  };
  const rustOff = rustMinutes(marks, study.inputs.grades);
  const tune = work !== 'sharpen' && work !== 'top-bevels';
  if (tune || rustOff !== null) whole('clean', Math.max(rustOff ?? 0, tune ? WHOLE_SAW_MINUTES.clean : 0));
  const { straighten } = study.inputs;
  if (marks.some((m) => CROOKED.has(m)) || (straighten && straighten.verdict !== 'leave'))
    whole('straighten', STRAIGHTEN_MINUTES[straighten?.verdict ?? ''] ?? WHOLE_SAW_MINUTES.straighten, {
      reasons: straighten
        ? [because('How to straighten it', 'the shop’s rules of straightening', [], COMMON_PRACTICE, straighten.says)]
        : [],
    });
  const tighten = handleMinutes(marks, study.inputs.grades);
  if (tighten !== null) whole('tighten', tighten);
  if (study.pull) {
    steps.push(...pullSteps(study, study.pull, view, reset));
    whole('test', WHOLE_SAW_MINUTES.test);
    whole('finish', WHOLE_SAW_MINUTES.finish);
    return steps;
  }
  if (study.cutters) {
    steps.push(...cutterSteps(study, study.cutters, view, { tune, reset }));
    whole('test', WHOLE_SAW_MINUTES.test);
    whole('finish', WHOLE_SAW_MINUTES.finish);
    return steps;
  }
  const setting = reset ? settingSteps(study) : [];
  // Set that stays is not taken out first.
  if (tune && reset) whole('flatten-set', WHOLE_SAW_MINUTES['flatten-set']);
  const joint = (): void =>
    whole('joint', jointMinutes(view.depthMm), {
      targetMm: view.depthMm,
      passes: jointPasses(view.depthMm),
      reasons: [study.recommended.reason],
    });
  const { retooth } = study.inputs;
  if (retooth) {
    const mm = retooth.lossMm;
    whole('file-off', jointMinutes(mm), { targetMm: mm, passes: jointPasses(mm) });
    whole('set-out', WHOLE_SAW_MINUTES['set-out'], { targetMm: study.pitchMm });
    steps.push(...filingSteps(study, 'cut', cuttingStops(study)));
    whole('joint-again', jointMinutes(0), { passes: 1 });
  } else if (study.conversion) {
    whole('set-out', WHOLE_SAW_MINUTES['set-out'], { targetMm: study.pitchMm });
    joint();
    steps.push(...filingSteps(study, 'reshape', reshapeStops(study, view)));
    whole('joint-again', jointMinutes(0), { passes: 1 });
  } else if (tune) {
    joint();
    const shaping = filingSteps(study, 'shape', shapingStops(view));
    steps.push(...shaping);
    if (shaping.length > 0) whole('look', WHOLE_SAW_MINUTES.look, { targetMm: view.worstLeftMm });
  }
  const shaped = study.conversion !== null || retooth !== undefined;
  const last = filingSteps(study, shaped ? 'last-pass' : 'sharpen', sharpeningStops(study));
  // A tooth newly shaped is set before its last pass, whatever the shop does otherwise.
  if (habits.setOrder === 'before-filing' || shaped) steps.push(...setting, ...last);
  else steps.push(...last, ...setting);
  whole('stone', ...stoning(study));
  if (shaped) whole('test', WHOLE_SAW_MINUTES.test);
  whole('finish', WHOLE_SAW_MINUTES.finish);
  return steps;
}

/** The last light pass on either side; where the set is dressed, the heavier side stoned down to the other first. */
function stoning({ inputs }: LineStudy): [number, Partial<Step>] {
  const sides = inputs.setWish?.choice === 'dress' ? setOfLine(inputs.readings) : null;
  if (!sides || sides.left.count === 0 || sides.right.count === 0) return [WHOLE_SAW_MINUTES.stone, { passes: 1 }];
  const balance = setBalance(sides.left, sides.right);
  const passes = Math.ceil(Math.abs(balance.differenceMm) / STONING_PER_PASS_MM - 1e-9);
  const side = balance.differenceMm > 0 ? ('left' as const) : ('right' as const);
  const targetMm = Math.min(sides.left.meanMm, sides.right.meanMm);
  return [WHOLE_SAW_MINUTES.stone * (1 + passes), { passes: 1 + passes, ...(passes > 0 && { side, targetMm }) }];
}

/** Blocks and a clamp, or many light taps, take longer than hands. Common practice, no source. */
const STRAIGHTEN_MINUTES: Readonly<Record<string, number>> = { clamp: 15, hammer: 30, shorten: 40 };

const CROOKED: ReadonlySet<string> = new Set(['bend', 'kink', 'twist', 'wavy-line']);

function shapingStops(view: DepthView): Stop[] {
  return view.filings.flatMap((filing, i) => {
    const strokes = view.strokes[i] as number;
    if (strokes === 0) return [];
    return [{ at: filing.at, strokes, heavier: heavierOf(filing) } satisfies Stop];
  });
}

/** Every gullet of new teeth cut to its full depth, as if from solid: what an old gullet leaves there comes for nothing. */
function cuttingStops(study: LineStudy): Stop[] {
  const { strokes } = strokesFor(study.toothHeightMm, study.inputs.strokeRate);
  return sharpeningStops(study).map((stop) => ({ ...stop, strokes }));
}

function sharpeningStops(study: LineStudy): Stop[] {
  const strokes = study.inputs.habits.strokesPerGullet;
  const first = (study.prepared.teeth[0] as number) - 1;
  const gullets = [first, ...study.prepared.teeth];
  return gullets.map((at) => ({ at, strokes, heavier: 'even' as const }));
}

/**
 * Gullets parted into passes by the side the shop's school files them from (fleam 0 needs one
 * pass), and by the stretch of the line, as each has its own file and hold.
 */
function filingSteps(study: LineStudy, kind: StepKind, stops: readonly Stop[]): Step[] {
  const { habits, angles, readings } = study.inputs;
  const byNumber = new Map(readings.map((r) => [r.tooth, r]));
  const before: ToothReading | undefined = readings[0];
  const direction = (at: number) => {
    const tooth = byNumber.get(at) ?? mirrored(before, at);
    return gulletDirection(tooth, angles.fleamDeg, habits.fileDirection);
  };
  const passes: (Lean | null)[] = angles.fleamDeg === 0 ? [null] : ['left', 'right'];
  const { stretches } = study;
  const along = habits.startAt === 'heel' ? stretches : [...stretches].reverse();
  return passes.flatMap((side) =>
    along.flatMap((stretch) => {
      const own = inOrder(
        stops.filter(
          (stop) => (side === null || direction(stop.at).standOn === side) && stretchOf(stretches, stop.at) === stretch,
        ),
        habits.startAt,
      );
      const first = own[0];
      if (!first) return [];
      const strokes = own.reduce((sum, stop) => sum + stop.strokes, 0);
      const { fromTooth, toTooth, rakeDeg } = stretch;
      return [
        {
          ...blank(kind, 'gullet', study.inputs.etch),
          side,
          tipTowards: direction(first.at).tipTowards,
          tool: stretch.file.file.name,
          ...(stretches.length > 1 && { stretch: { fromTooth, toTooth, rakeDeg } }),
          minutes: filingMinutes(strokes, own.length),
          stops: own,
        },
      ];
    }),
  );
}

/** The gullet before the first tooth is filed as if a tooth of the other lean stood there. */
function mirrored(first: ToothReading | undefined, at: number): ToothReading {
  const lean = first && leanOf(first) === 'left' ? 'right' : 'left';
  return { tooth: at, xMm: 0, yMm: 0, kind: 'tooth', lean };
}
