import { POWERED_BLADE_CAUTION } from '../../../circular/blade-geometry';
import { BELOW_SCORERS_MM } from '../../../circular/equalise';
import { because, COMMON_PRACTICE } from '../../../reason/reason';
import { alternateLean } from '../../../evidence/tooth-reading';
import { cautionsFor } from '../../cautions';
import type { WorkOrder } from '../../order';
import type { Rates } from '../../price';
import type { Step, Stop } from '../../step';
import {
  jointMinutes,
  jointPasses,
  pointingMinutes,
  RAKER_MINUTES,
  rakerMinutes,
  rustMinutes,
  settingMinutes,
  WHOLE_SAW_MINUTES,
} from '../../times';
import { BLADE_FILE } from '../../../file/file-choice';
import { wholeStep as step } from '../round-step';
import { roundOrder } from '../round-work';
import type { BladeInputs } from './inputs';
import type { BladeStudy } from './study';

/** Strokes after the flat has gone that bring a raker down where nobody read it (trade section 6). */
const RAKER_STROKES = 2;
/** A gullet shallower than this share of the pitch is deepened. No source. */
const SHALLOW_SHARE = 0.3;

/** Teeth that score and teeth that plane, by the pattern that was told and by the dial. */
function kindsOf({ teeth, dial, rakers }: BladeInputs) {
  const planes = new Set([...rakers, ...dial.filter((r) => r.kind === 'raker').map((r) => r.tooth)]);
  const broken = new Set(dial.filter((r) => r.kind === 'broken').map((r) => r.tooth));
  const all = Array.from({ length: teeth }, (_, i) => i + 1).filter((tooth) => !broken.has(tooth));
  return { scorers: all.filter((tooth) => !planes.has(tooth)), rakers: all.filter((tooth) => planes.has(tooth)) };
}

/** Half of the flat by the face, the rest by the back; a bevelled back from the side it looks to (trade section 6). */
function filing(study: BladeStudy, scorers: readonly number[]): Step[] {
  const { inputs, strokes, joint } = study;
  const ordinary = inputs.habits.strokesPerGullet;
  const stop = (tooth: number, edge: 'face' | 'back'): Stop => {
    const all = (strokes.get(tooth) ?? 0) + 2 * ordinary;
    const flat = joint?.flats.get(tooth) ?? 0;
    return {
      at: tooth,
      strokes: edge === 'face' ? Math.floor(all / 2) : Math.ceil(all / 2),
      heavier: 'even',
      ...(flat > 0 && { flatMm: flat / 2 }),
    };
  };
  const over = (edge: 'face' | 'back', side: Step['side'], teeth: readonly number[]): Step => {
    const stops = teeth.map((tooth) => stop(tooth, edge));
    const sum = stops.reduce((all, one) => all + one.strokes, 0);
    return step('round', {
      unit: 'tooth',
      edge,
      side,
      tool: BLADE_FILE,
      stops,
      minutes: pointingMinutes(sum, stops.length),
    });
  };
  const backs = (['right', 'left'] as const).map((side) =>
    over(
      'back',
      side,
      scorers.filter((tooth) => alternateLean(tooth) !== side),
    ),
  );
  return [over('face', null, scorers), ...(inputs.saw.filing === 'rip' ? [over('back', null, scorers)] : backs)];
}

function rakerStep(study: BladeStudy, rakers: readonly number[]): Step[] {
  if (rakers.length === 0) return [];
  const below = new Map(study.below.map((one) => [one.tooth, one]));
  const stops = rakers
    .filter((tooth) => !below.get(tooth)?.tooLow)
    .map((tooth): Stop => ({ at: tooth, strokes: below.get(tooth)?.strokes ?? RAKER_STROKES, heavier: 'even' }));
  if (stops.length === 0) return [];
  const sum = stops.reduce((all, one) => all + one.strokes, 0);
  return [
    step('round-rakers', {
      unit: 'raker',
      tool: BLADE_FILE,
      targetMm: BELOW_SCORERS_MM,
      stops,
      minutes: rakerMinutes(RAKER_MINUTES.tip, stops.length, sum),
      reasons: [
        because(
          'Rakers under the scorers',
          'a sixty-fourth of an inch, uniform before exact',
          [],
          COMMON_PRACTICE,
          'Two full, equal strokes after the flat has gone does it where nobody reads a dial.',
        ),
      ],
    }),
  ];
}

/** A plate from this thickness on does not take a spring set: its tips are upset to either side. Common practice, no source. mm. */
const SWAGED_FROM_MM = 3;

/** Clearance renewed: set, a side at a time, or every tip swaged to both sides, by the plate. */
function setting(study: BladeStudy, scorers: readonly number[]): Step[] {
  if (study.inputs.saw.plateThicknessMm >= SWAGED_FROM_MM)
    return [
      step('swage-teeth', {
        unit: 'tooth',
        targetMm: study.wanted.perSideMm,
        minutes: rakerMinutes(RAKER_MINUTES.swage, scorers.length),
        stops: scorers.map((tooth): Stop => ({ at: tooth, strokes: 0, heavier: 'even' })),
        reasons: [study.wanted.reason],
      }),
    ];
  return (['left', 'right'] as const).map((side) => {
    const own = scorers.filter((tooth) => alternateLean(tooth) === side);
    return step('set', {
      unit: 'tooth',
      side,
      targetMm: study.wanted.perSideMm,
      minutes: settingMinutes(own.length),
      stops: own.map((tooth): Stop => ({ at: tooth, strokes: 0, heavier: 'even' })),
      reasons: [study.wanted.reason],
    });
  });
}

function steelSteps(study: BladeStudy, scorers: readonly number[], rakers: readonly number[]): Step[] {
  const { inputs, jointMm, equal, setting: set } = study;
  const shallow = inputs.gulletMm !== null && inputs.gulletMm < SHALLOW_SHARE * study.pitchMm;
  const jointed = equal === null || jointMm > 0;
  return [
    step('inspect', { minutes: WHOLE_SAW_MINUTES.look, cautions: [...cautionsFor('inspect'), POWERED_BLADE_CAUTION] }),
    step('clean', { minutes: Math.max(WHOLE_SAW_MINUTES.clean, rustMinutes(inputs.marks, inputs.grades) ?? 0) }),
    ...(jointed
      ? [
          step('joint-round', {
            targetMm: jointMm,
            passes: jointPasses(jointMm),
            minutes: jointMinutes(jointMm),
            reasons: [study.reason],
          }),
        ]
      : []),
    ...(shallow ? [step('round-gullets', { unit: 'whole', minutes: 0.5 * inputs.teeth })] : []),
    ...(set.reset ? setting(study, scorers) : []),
    ...filing(study, scorers),
    ...rakerStep(study, rakers),
  ];
}

/** A carbide-tipped blade goes out to the grinder and comes home. */
const carbideSteps = ({ inputs }: BladeStudy): Step[] => [
  step('inspect', { minutes: WHOLE_SAW_MINUTES.look, cautions: [...cautionsFor('inspect'), POWERED_BLADE_CAUTION] }),
  step('clean', { minutes: WHOLE_SAW_MINUTES.clean }),
  step('grinder', {
    minutes: 5,
    says: inputs.wish.asked ? `to the grinder: ${inputs.wish.asked}` : 'to the grinder: all tips ground',
  }),
  step('home', { minutes: 5 }),
];

/** Why a blade is not worked here; null where it is. */
function refusal({ inputs }: BladeStudy): string | null {
  const { marks, wish } = inputs;
  if (marks.includes('crack')) return 'A cracked blade goes back to its owner marked so, never into a machine.';
  if (!marks.includes('burn') || inputs.saw.tipped === 'carbide') return null;
  if (wish.burnt === null)
    return 'A tooth looks burnt: try it with a file beside a sound one before anything is filed.';
  if (wish.burnt === 'softer')
    return 'The file bites deeper there than in a sound tooth: its temper is gone, and it would not hold. Give it back marked, or to a saw doctor.';
  if (wish.burnt === 'harder')
    return 'The file skates there: burnt glass-hard, such a tooth breaks off in the cut. Give it back marked, or to a saw doctor.';
  return null;
}

/** A blade's whole order (trade section 6); of a carbide-tipped one the way to the grinder and back. Minutes; mm. O(teeth). */
export function orderBlade(study: BladeStudy, rates: Rates | null): WorkOrder {
  const { inputs, equal, split, apart, joint, jointMm, wanted, setting: set } = study;
  const { scorers, rakers } = kindsOf(inputs);
  const carbide = inputs.saw.tipped === 'carbide';
  const refused = refusal(study);
  const work = carbide ? carbideSteps(study) : steelSteps(study, scorers, rakers);
  const last = [
    step('test', { minutes: WHOLE_SAW_MINUTES.test, cautions: [...cautionsFor('test'), POWERED_BLADE_CAUTION] }),
    step('finish', { minutes: WHOLE_SAW_MINUTES.finish }),
  ];
  const steps = refused === null ? [...work, ...last] : [];
  const worked = carbide ? 0 : jointMm;
  return roundOrder(
    {
      family: 'circular',
      inputs,
      forecast: {
        teeth: inputs.teeth,
        jointMm: worked,
        reachedShare: joint?.reachedShare ?? 1,
        metalMm3: carbide ? 0 : (joint?.metalMm3 ?? 0),
        diameterMm: inputs.saw.diameterMm - 2 * worked,
        spreadBeforeMm: equal?.spreadBeforeMm ?? null,
        spreadAfterMm: equal ? Math.max(0, study.advisedMm - jointMm) + equal.spreadAfterMm : null,
        leftShort: equal?.leftShort ?? [],
        rakers: rakers.length,
        rakersTooLow: study.below.filter((one) => one.tooLow).map((one) => one.tooth),
        set: { perSideMm: wanted.perSideMm, reset: !carbide && set.reset },
        kerfMm: wanted.kerfMm,
        filingsTheSetLasts: set.lasts,
        bladeMm: apart?.bladeMm ?? split?.eccentricityMm ?? null,
        arborMm: apart?.arborMm ?? null,
        ...(refused !== null && { refused }),
      },
    },
    carbide ? 'sharpen' : set.reset ? 'tune' : 'sharpen',
    steps,
    rates,
    carbide ? [] : [study.reason, wanted.reason, set.reason],
  );
}
