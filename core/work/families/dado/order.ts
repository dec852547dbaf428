import { POWERED_BLADE_CAUTION } from '../../../circular/blade-geometry';
import { because, COMMON_PRACTICE, input } from '../../../reason/reason';
import { cautionsFor } from '../../cautions';
import type { WorkOrder } from '../../order';
import type { Rates } from '../../price';
import type { Step, Stop } from '../../step';
import { jointMinutes, jointPasses, pointingMinutes, rustMinutes, WHOLE_SAW_MINUTES } from '../../times';
import { BLADE_FILE } from '../../../file/file-choice';
import { wholeStep as step } from '../round-step';
import { roundOrder } from '../round-work';
import type { DadoStudy, PartStudy } from './study';
import { OUT_OF_USE } from './study';

/** Chippers stand by themselves: so many strokes of sharpening after the flat is gone. */
const partStops = ({ index, teeth }: PartStudy, more: number): Stop[] =>
  teeth
    .filter((tooth) => !tooth.short)
    .map((tooth): Stop => ({ at: tooth.tooth, part: index, strokes: tooth.strokes + more, heavier: 'even' }));

const strokesOf = (stops: readonly Stop[]): number => stops.reduce((sum, stop) => sum + stop.strokes, 0);

/** An outer blade: jointed round, then half the flat from each face (trade section 6). */
function outerSteps(study: DadoStudy, one: PartStudy): Step[] {
  const { habits } = study.inputs;
  const read = one.teeth.flatMap((t) => t.offMm ?? []);
  const depthMm =
    study.scorersAtMm === null || read.length === 0 ? null : Math.max(0, Math.max(...read) - study.scorersAtMm);
  const stops = partStops(one, 2 * habits.strokesPerGullet);
  const half = (edge: 'face' | 'back'): Step => {
    const own = stops.map((stop) => ({
      ...stop,
      strokes: edge === 'face' ? Math.floor(stop.strokes / 2) : Math.ceil(stop.strokes / 2),
    }));
    return step('round', {
      tool: BLADE_FILE,
      unit: 'tooth',
      edge,
      part: one.part.id,
      stops: own,
      minutes: pointingMinutes(strokesOf(own), own.length),
    });
  };
  return [
    ...(depthMm === 0
      ? []
      : [
          step('joint-round', {
            part: one.part.id,
            targetMm: depthMm,
            passes: jointPasses(depthMm ?? 0),
            minutes: jointMinutes(depthMm ?? 0),
          }),
        ]),
    half('face'),
    half('back'),
  ];
}

/** A chipper read by dial in place, written on the tooth, brought down stroke by calibrated stroke. */
function chipperStep(study: DadoStudy, one: PartStudy): Step {
  const stops = partStops(one, 0);
  return step('chipper', {
    tool: BLADE_FILE,
    unit: 'tooth',
    part: one.part.id,
    targetMm: study.chippersAtMm,
    stops,
    minutes: pointingMinutes(strokesOf(stops), stops.length),
    reasons: [
      because(
        'Chippers to one height',
        'down to the lowest worth keeping, a sixty-fourth under the scorers at the least; whole strokes that cannot overshoot',
        [input('wanted on the dial', study.chippersAtMm ?? 'not read', study.chippersAtMm === null ? 'text' : 'mm')],
        COMMON_PRACTICE,
        'A fresh reading after every few strokes: metal cannot be put back.',
      ),
    ],
  });
}

/** Why a set is not worked here; null where it is: an outer blade holds everything between. */
function refusal({ inputs }: DadoStudy): string | null {
  const bad = inputs.parts.filter(
    (part, i) => part.kind === 'outer' && inputs.marks[i]?.some((mark) => OUT_OF_USE.has(mark)),
  );
  return bad.length === 0
    ? null
    : `The ${bad.map((part) => part.id).join(' and the ')} is cracked or bent, and a set is never run with a part missing that holds another: mark it so that nobody mounts it, and give the set back without being worked.`;
}

/** A set's whole order: the outer blades, then every chipper, then how it is put on the arbor. Minutes; mm. O(teeth). */
export function orderDado(study: DadoStudy, rates: Rates | null): WorkOrder {
  const { inputs, parts } = study;
  const refused = refusal(study);
  const kind = (which: string): PartStudy[] => parts.filter((one) => one.part.kind === which);
  const steps =
    refused !== null
      ? []
      : [
          step('inspect', { minutes: 2 * parts.length, cautions: [...cautionsFor('inspect'), POWERED_BLADE_CAUTION] }),
          ...study.leftOut.map((part) => step('mark-part', { part, minutes: 1 })),
          step('clean', {
            minutes: Math.max(WHOLE_SAW_MINUTES.clean, rustMinutes(inputs.marks.flat(), inputs.grades) ?? 0),
          }),
          ...kind('outer').flatMap((one) => outerSteps(study, one)),
          ...kind('chipper').map((one) => chipperStep(study, one)),
          step('stack', { minutes: 5 }),
          step('test', { minutes: WHOLE_SAW_MINUTES.test, cautions: [...cautionsFor('test'), POWERED_BLADE_CAUTION] }),
          step('finish', { minutes: WHOLE_SAW_MINUTES.finish }),
        ];
  const short = parts.flatMap((one) =>
    one.teeth.filter((t) => t.short).map((t) => ({ part: one.part.id, tooth: t.tooth })),
  );
  return roundOrder(
    {
      family: 'dado',
      inputs,
      forecast: {
        scorersAtMm: study.scorersAtMm,
        chippersAtMm: study.chippersAtMm,
        spreadBeforeMm: study.spreadBeforeMm,
        spreadAfterMm: study.spreadAfterMm,
        verdictBefore: study.verdictBefore,
        verdictAfter: study.verdictAfter,
        strangers: [...study.strangers],
        leftOut: [...study.leftOut],
        leftShort: short,
        floorBefore: [...study.floorBefore],
        floorAfter: [...study.floorAfter],
        stacks: [...study.stacks],
        turnedDeg: [...study.turnedDeg],
        set: { perSideMm: 0, reset: false },
        kerfMm: study.stacks[0]?.widthMm ?? 0,
        ...(refused !== null && { refused }),
      },
    },
    'sharpen',
    steps,
    rates,
    [],
  );
}
