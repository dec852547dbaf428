import { POWERED_BLADE_CAUTION } from '../circular/blade-geometry';
import { reckonWork } from './reckon-work';
import { isPowered } from '../saw/all-families';
import type { Family } from '../saw/all-families';
import { rakersOf, teethOf } from '../saw/saw';
import { quantitiesOf } from '../evidence/quantities';
import { cautionsFor } from './cautions';
import type { HandWork, WorkFacts } from './family-work';
import type { WorkOrder } from './order';
import { ORDER_VERSION } from './order';
import { WHOLE_SAW_STOP } from './step';

/** A family worked by hand: the counter's reckoning as steps. `studied` is what its record gives at the command line. */
export const byHand = (family: Family, ofRecord: HandWork['ofRecord']): HandWork => ({
  family,
  way: 'by-hand',
  measured: quantitiesOf,
  order: orderByHand,
  ofRecord,
});

/** The pieces of work the counter reckons, each a step by hand at the middle of its range. Minutes. */
function orderByHand({ saw, visit }: WorkFacts): WorkOrder {
  const marks = [...new Set(visit.marks.map((mark) => mark.kind))];
  const work = reckonWork({
    family: saw.family,
    teeth: teethOf(saw) - rakersOf(saw),
    rakers: rakersOf(saw),
    parts: saw.family === 'dado' ? saw.parts.length : 1,
    marks,
    work: null,
  });
  const cautions = [
    ...(isPowered(saw.family) ? [POWERED_BLADE_CAUTION] : []),
    ...cautionsFor('sharpen'),
    ...cautionsFor('finish'),
  ];
  const steps = work.parts.map(({ what, low, high }, i) => ({
    kind: 'by-hand' as const,
    unit: 'whole' as const,
    side: null,
    tipTowards: null,
    tool: null,
    targetMm: null,
    passes: 0,
    minutes: (low + high) / 2,
    stops: WHOLE_SAW_STOP,
    cautions: i === 0 ? cautions : [],
    reasons: i === 0 ? [work.reason] : [],
    says: what,
  }));
  return {
    version: ORDER_VERSION,
    family: saw.family,
    work: 'by-hand',
    inputs: null,
    choice: null,
    steps,
    targets: [],
    forecast: null,
    minutes: steps.reduce((sum, step) => sum + step.minutes, 0),
    minutesError: (work.highMinutes - work.lowMinutes) / 4,
    strokes: 0,
    price: null,
    reasons: [work.reason],
  };
}
