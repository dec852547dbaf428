import { strokesFor } from '../../line/strokes';
import { SWAGE_ALLOWANCE_MM } from '../../raker/raker-plan';
import { because, COMMON_PRACTICE } from '../../reason/reason';
import { tanDeg } from '../../units/radians';
import type { Step, StepKind, Stop } from '../step';
import { WHOLE_SAW_STOP } from '../step';
import { fileTurns, jointMinutes, jointPasses, pointingMinutes, RAKER_MINUTES, rakerMinutes } from '../times';
import type { CutterStudy } from './cutters';
import { onLine } from './cutters';
import type { DepthView } from './depth-view';
import { blank, fromBothSides, heavierOf, inOrder, settingSteps } from './step-parts';
import type { LineStudy } from './study';

/**
 * A saw of cutters and rakers in the trade's order (trade section 5), each operation over the whole
 * saw before it is turned: joint to the line, rakers' faces, gullets and tips, cutters' points, set,
 * the points the set tool rounded, the rakers once more. O(n).
 */
export function cutterSteps(
  study: LineStudy,
  cutters: CutterStudy,
  view: DepthView,
  { tune, reset }: { readonly tune: boolean; readonly reset: boolean },
): Step[] {
  return [
    ...(tune ? [jointing(study, cutters, view)] : []),
    ...rakerSteps(study, cutters, view, tune),
    ...pointing(study, view, tune),
    ...(reset ? [...settingSteps(study), ...touchingUp(study)] : []),
    ...(cutters.rakers.length > 0 ? [again(study, cutters)] : []),
  ];
}

function jointing(study: LineStudy, { bend }: CutterStudy, { depthMm }: DepthView): Step {
  const passes = jointPasses(depthMm);
  return {
    ...blank('joint', 'whole', study.inputs.etch),
    stops: WHOLE_SAW_STOP,
    minutes: jointMinutes(depthMm),
    targetMm: depthMm,
    passes,
    jointer: { shoesMm: bend.shoesMm, bendMm: bend.bendMm, turns: fileTurns(passes, study.prepared.cutters) },
    reasons: [study.recommended.reason, bend.reason],
  };
}

/** Dress the faces, file the gullets, then the tips of one end, turn, and of the other; swaged ones are filed thin and hammered before. */
function rakerSteps(study: LineStudy, cutters: CutterStudy, view: DepthView, tune: boolean): Step[] {
  const { inputs } = study;
  if (cutters.rakers.length === 0 || !inputs.cutters || !view.rakers) return [];
  const { tip, tipDeg } = inputs.cutters;
  const of = (kind: StepKind, each: number, stops: readonly Stop[], extra: Partial<Step> = {}): Step[] => {
    const own = inOrder(stops, inputs.habits.startAt);
    const strokes = own.reduce((sum, stop) => sum + stop.strokes, 0);
    if (own.length === 0) return [];
    const minutes = rakerMinutes(each, own.length, strokes);
    return [{ ...blank(kind, 'raker', inputs.etch), minutes, stops: own, ...extra }];
  };
  const { plan } = view.rakers;
  const low = new Set(plan.tooLow.map((raker) => raker.tooth));
  const high = plan.filings.filter((raker) => !low.has(raker.tooth));
  const wanted = { targetMm: cutters.target.depthMm, reasons: [cutters.target.reason] };
  const read = new Set(inputs.cutters.read);
  const tipStops = high.map((raker): Stop => {
    // Nobody measured it: to the gauge, not by a number.
    const offMm = read.has(raker.tooth) ? raker.offMm : 0;
    const strokes = read.has(raker.tooth) && tip === 'straight' ? raker.strokes : 0;
    return { ...even(raker.tooth), strokes, ...(offMm > 0 && { flatMm: offMm * tanDeg(tipDeg) }) };
  });
  const tips = (edge: 'heel-tip' | 'toe-tip'): Step[] =>
    of('raker-tips', RAKER_MINUTES.tip, tipStops, { edge, ...wanted });
  const thin = high.map((raker): Stop => ({ ...even(raker.tooth), strokes: raker.strokes }));
  return [
    ...(tune ? of('dress-rakers', RAKER_MINUTES.dress, cutters.rakers.map(even)) : []),
    ...(tune
      ? of('raker-gullets', 0, gulletStops(study, cutters), {
          reasons: cutters.gullets ? [cutters.gullets.reason] : [],
        })
      : []),
    ...(tip === 'swaged'
      ? [
          ...of('thin-rakers', RAKER_MINUTES.tip, thin, {
            targetMm: Math.max(0, cutters.target.depthMm - SWAGE_ALLOWANCE_MM),
          }),
          ...of(
            'swage',
            RAKER_MINUTES.swage,
            high.map(({ tooth }) => even(tooth)),
          ),
        ]
      : []),
    ...tips('heel-tip'),
    ...tips('toe-tip'),
  ];
}

const even = (at: number): Stop => ({ at, strokes: 0, heavier: 'even' });

/** Every raker's gullet to the depth of its own width; one whose width or gullet nobody measured without strokes. */
function gulletStops({ inputs }: LineStudy, { rakers, gullets }: CutterStudy): Stop[] {
  const of = new Map(gullets?.each.map((g) => [g.tooth, g]));
  return rakers.flatMap((tooth): Stop[] => {
    const wanted = of.get(tooth);
    if (!wanted) return [even(tooth)];
    const { deeperMm, wantedMm } = wanted;
    if (deeperMm !== null && deeperMm <= 0) return [];
    const strokes = deeperMm === null ? 0 : strokesFor(deeperMm, inputs.strokeRate).strokes;
    return [{ ...even(tooth), strokes, targetMm: wantedMm }];
  });
}

/** Cutters pointed from their flats, those leaning away from each side; a tooth short of the line, and all where nothing was jointed, get their sharpening. */
function pointing(study: LineStudy, view: DepthView, tune: boolean): Step[] {
  const { inputs, file } = study;
  const sharpening = inputs.habits.strokesPerGullet;
  const stops = view.filings.map((filing, i): Stop => {
    const strokes = tune ? Math.max(sharpening, view.strokes[i] as number) : sharpening;
    const flatMm = filing.faceMm + filing.backMm;
    return {
      at: filing.at,
      strokes,
      heavier: tune ? heavierOf(filing) : 'even',
      ...(tune && flatMm > 0 && { flatMm }),
    };
  });
  return fromBothSides(study, stops).map(({ side, own }) => ({
    ...blank('point', 'tooth', inputs.etch),
    side,
    tool: file.file.name,
    minutes: pointingMinutes(
      own.reduce((sum, stop) => sum + stop.strokes, 0),
      own.length,
    ),
    stops: own,
    reasons: [
      because(
        'Point the cutters',
        'half of the flat from each side',
        [],
        COMMON_PRACTICE,
        'Never past the flat: a cutter filed past it stands short.',
      ),
    ],
  }));
}

/** One light stroke where the set tool has rounded a point. */
const touchingUp = (study: LineStudy): Step[] =>
  fromBothSides(
    study,
    onLine(study.inputs.readings, study.cutters?.roles ?? null)
      .filter((r) => r.kind === 'tooth')
      .map((r) => ({ ...even(r.tooth), strokes: 1 })),
  ).map(({ side, own }) => ({
    ...blank('touch-up', 'tooth', study.inputs.etch),
    side,
    tool: study.file.file.name,
    minutes: pointingMinutes(own.length, own.length),
    stops: own,
  }));

/** Every raker under the gauge again, once the cutters are pointed and set. */
const again = ({ inputs }: LineStudy, { rakers, target }: CutterStudy): Step => ({
  ...blank('rakers-again', 'raker', inputs.etch),
  targetMm: target.depthMm,
  minutes: rakerMinutes(RAKER_MINUTES.look, rakers.length),
  stops: inOrder(rakers.map(even), inputs.habits.startAt),
});
