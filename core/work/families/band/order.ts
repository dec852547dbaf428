import { POWERED_BLADE_CAUTION } from '../../../circular/blade-geometry';
import { because, COMMON_PRACTICE, input } from '../../../reason/reason';
import type { WorkOrder } from '../../order';
import type { Rates } from '../../price';
import type { Step, StepKind, Stop } from '../../step';
import { wholeStep as step } from '../round-step';
import { roundOrder } from '../round-work';
import { rustMinutes, WHOLE_SAW_MINUTES, windowJointMinutes, windowMinutes, windowSetMinutes } from '../../times';
import type { BandStudy } from './study';

/** One circuit round the loop, a window of the vise each stop. */
function circuit(study: BandStudy, kind: StepKind, strokes: number, more: Partial<Step>): Step {
  const stops = study.windows.map(({ from, to }): Stop => ({ at: from, to, strokes, heavier: 'even' }));
  return step(kind, { unit: 'window', stops, ...more });
}

/** Two circuits of set, a side each (trade section 7). */
function setting(study: BandStudy): Step[] {
  return (['left', 'right'] as const).map((side) =>
    circuit(study, 'set', 0, {
      side,
      targetMm: study.wanted.perSideMm,
      minutes: windowSetMinutes(study.pattern.leans.filter((lean) => lean === side).length, study.windows.length),
      reasons: [study.wanted.reason],
    }),
  );
}

/** Short and broken teeth blended in: their neighbours stay as they are, nothing comes down to them. Minutes by judgement, no source. */
function blending({ inputs }: BandStudy): Step[] {
  const short = inputs.heights?.short ?? [];
  if (short.length === 0) return [];
  const stops = short.map(({ tooth }): Stop => ({ at: tooth, strokes: 0, heavier: 'even' }));
  return [step('blend', { unit: 'tooth', stops, minutes: BLEND_MINUTES * short.length })];
}
const BLEND_MINUTES = 0.75;

const filing = (study: BandStudy): Step =>
  circuit(study, 'sharpen', study.strokes, {
    tipTowards: 'across',
    minutes: windowMinutes(study.strokes * study.inputs.teeth, study.inputs.teeth, study.windows.length),
    reasons: [
      because(
        'Strokes a gullet',
        'the same all round: equal strokes keep a band level',
        [input('strokes', study.strokes, 'count')],
        COMMON_PRACTICE,
      ),
    ],
  });

/** A band's whole order in the trade's order (trade section 7), window by window. Minutes; mm. O(teeth). */
export function orderBand(study: BandStudy, rates: Rates | null): WorkOrder {
  const { inputs, windows, setting: set, joint, wanted } = study;
  const rustOff = rustMinutes(inputs.marks, inputs.grades);
  const setFirst = inputs.habits.setOrder === 'before-filing';
  const circuits = set.reset ? setting(study) : [];
  const bare: Step[] = [
    step('uncoil', { minutes: WHOLE_SAW_MINUTES.uncoil }),
    ...(rustOff !== null ? [step('clean', { minutes: rustOff })] : []),
    ...(joint.wanted
      ? [circuit(study, 'joint-round', 0, { minutes: windowJointMinutes(windows.length), reasons: [joint.reason] })]
      : []),
    ...(setFirst ? circuits : []),
    filing(study),
    ...blending(study),
    ...(setFirst ? [] : circuits),
    step('coil', { minutes: WHOLE_SAW_MINUTES.coil }),
    step('test', { minutes: WHOLE_SAW_MINUTES.test }),
    step('finish', { minutes: WHOLE_SAW_MINUTES.finish }),
  ];
  const steps = bare.map((one, i) => (i === 0 ? { ...one, cautions: [...one.cautions, POWERED_BLADE_CAUTION] } : one));
  const [first] = windows;
  return roundOrder(
    {
      family: 'band',
      inputs,
      forecast: {
        teeth: inputs.teeth,
        windows: windows.length,
        each: first ? first.to - first.from + 1 : 0,
        set: { perSideMm: wanted.perSideMm, reset: set.reset },
        jointed: joint.wanted,
        kerfMm: wanted.kerfMm,
        atWeld: study.pattern.atWeld,
        filingsTheSetLasts: set.lasts,
      },
    },
    set.reset || joint.wanted ? 'tune' : 'sharpen',
    steps,
    rates,
    [joint.reason, wanted.reason, set.reason],
  );
}
