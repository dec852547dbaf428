import { saySharpenings } from '@odontis/core/life/life';
import type { LineOrder } from '@odontis/core/work/order';
import type { Conversion } from '@odontis/core/line/conversion';
import type { DepthView } from '@odontis/core/work/tooth-line/depth-view';
import type { LineStudy } from '@odontis/core/work/tooth-line/study';
import type { Speech } from '../../../shared/speech/speech';
import type { Figure } from '../../../shared/ui/figures';

/** A line at the depth chosen, and the order it makes. */
export interface PlanAtDepth {
  readonly study: LineStudy;
  readonly view: DepthView;
  readonly order: LineOrder;
}

/** Strokes that give the teeth their shape before they are sharpened. */
function shapingStrokes({ steps }: LineOrder): number {
  const shaping = steps.filter((step) => ['shape', 'reshape', 'cut', 'point', 'edge'].includes(step.kind));
  return shaping.flatMap((step) => step.stops).reduce((sum, stop) => sum + stop.strokes, 0);
}

function spacing({ study, view, order }: PlanAtDepth, speech: Speech): string {
  if (order.inputs.retooth) return 'as they are set out';
  return study.placesMeasured ? `${speech.fine(view.spacing.worstMm)} off` : 'places were not measured';
}

function strokes({ study, view, order }: PlanAtDepth, speech: Speech): string {
  const shaping = String(shapingStrokes(order));
  if (order.inputs.retooth) return `${shaping}, from solid`;
  if (study.pull) return shaping;
  return `${shaping}, then up to ${speech.fine(order.work === 'sharpen' ? 0 : view.worstLeftMm)} by eye`;
}

function benchTime({ minutes, minutesError, price }: LineOrder, speech: Speech): string {
  const error = minutesError > 0.5 ? ` ± ${speech.minutes(minutesError)}` : '';
  return `${speech.minutes(minutes)}${error}${price ? `, ${speech.money(price.amount)}` : ''}`;
}

/** What a depth gives and what it costs. */
export function planFigures(plan: PlanAtDepth, speech: Speech): Figure[] {
  const { study, view, order } = plan;
  const { life, set, cut, file } = order.forecast;
  return [
    { name: 'Teeth on the line', says: speech.share(view.reachedShare) },
    { name: 'Worst spacing', says: spacing(plan, speech) },
    {
      name: study.pull ? 'Strokes in all' : study.cutters ? 'Strokes to point' : 'Strokes to shape',
      says: strokes(plan, speech),
    },
    ...(study.pull ? [] : [{ name: 'Metal', says: `about ${cut.metalMm3.toFixed(0)} mm³` }]),
    {
      name: 'Life spent',
      says: `${saySharpenings(life.spent)}; ${saySharpenings(life.left)} left`,
      why: order.reasons[1],
    },
    {
      name: 'Set per side',
      says: `${set.reset ? speech.fine(set.perSideMm) : 'left as it is'}, kerf ${speech.plate(cut.kerfMm)}`,
      why: order.reasons[3],
    },
    { name: 'File', says: file.name, why: study.file.reason },
    { name: 'Bench time', says: benchTime(order, speech), why: order.price?.reason },
  ];
}

/** What filing a saw to other angles takes of its teeth. */
export const conversionFigures = (to: Conversion, speech: Speech): Figure[] => [
  { name: 'Tips come down', says: speech.fine(to.lossMm) },
  {
    name: 'Tooth left, before deepening',
    says: `${speech.plate(to.heightLeftMm)} of ${speech.plate(to.newHeightMm)}`,
  },
  { name: 'Gullets go deeper', says: speech.fine(to.gulletsDeeperMm) },
];

/** Stretches of a line that are filed apart: each with its pitch, rake and file. */
export const stretchFigures = ({ stretches }: LineStudy, speech: Speech): Figure[] =>
  stretches.map(({ fromTooth, toTooth, pitchMm, rakeDeg, file }) => ({
    name: `Teeth ${fromTooth} to ${toTooth}`,
    says: `${speech.plate(pitchMm)} apart, ${speech.rake(rakeDeg)}, ${file.file.name}`,
    why: file.reason,
  }));
