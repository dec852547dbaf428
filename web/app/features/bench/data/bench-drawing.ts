import type { AcceptedPlan } from '@odontis/contract/plan';
import type { Dossier } from '@odontis/contract/dossier';
import { isLineOrder } from '@odontis/core/work/order';
import type { Step, WalkStop } from '@odontis/core/work/step';
import { baseDrawing } from '../../../sawpage/build-drawing';
import type { SawDrawing } from '../../../sawpage/drawing';
import { roundDrawing } from '../../../sawpage/round-drawing';
import { workOf } from './bench-place';

/** Where the work stands: the step and the stop in hand, and what is done of the walk. */
export interface AtStop {
  readonly walk: readonly WalkStop[];
  readonly done: ReadonlySet<number>;
  readonly stepIndex: number;
  readonly step: Step | null;
  readonly stop: WalkStop | null;
}

/** What is done and to do of the step in hand, and the place in it; nothing where it has no places. */
function placeDrawn({ walk, done, stepIndex, step, stop }: AtStop): Pick<SawDrawing, 'work' | 'current'> {
  if (!step || step.unit === 'whole') return { work: null, current: null };
  return {
    work: workOf(walk, done, stepIndex),
    current: stop && { at: stop.at, unit: step.unit === 'gullet' ? 'gullet' : 'tooth' },
  };
}

/** The saw in the vise with its work and the place in hand; null where nothing of it can be drawn. */
export function benchDrawing(
  dossier: Dossier,
  { order }: AcceptedPlan,
  at: AtStop,
  say: (mm: number) => string,
): SawDrawing | null {
  const round = roundDrawing(dossier, say, 'before', at.step?.part ?? null);
  if (round) {
    const { work, current } = placeDrawn(at);
    return { ...round, lanes: [], work: current && work, current: current && { ...current, unit: 'tooth' } };
  }
  if (!isLineOrder(order)) return null;
  const { work, beside } = order;
  // Which edge of a two-edged saw is in the vise.
  const { inputs, forecast } = beside && at.step?.line === beside.inputs.saw.filing ? beside : order;
  return {
    ...baseDrawing(dossier, inputs.readings, forecast.tooth.filed, inputs.pull?.edge),
    joint: work === 'sharpen' || work === 'top-bevels' ? null : forecast.line,
    ...placeDrawn(at),
  };
}
