import type { Saw } from '../saw/saw';
import type { SessionKind } from '../evidence/session';
import type { WorkOrder } from './order';

/** The saw as an order leaves it: another filing where it is converted, another pitch where new teeth are cut. */
export function sawAfter(saw: Saw, order: WorkOrder): Saw {
  const { inputs } = order;
  if (!inputs || (saw.family !== 'hand' && saw.family !== 'back')) return saw;
  const filed = { ...saw, filing: inputs.saw.filing };
  if (!inputs.retooth) return filed;
  const { toeZones: _toe, ...even } = filed;
  const { pitchMm } = inputs.saw;
  return { ...even, pitchMm, toothLineMm: (inputs.readings.length - 1) * pitchMm };
}

/**
 * The saw as it came in for an order, whether that is done by now or not: with the teeth it had
 * before it was given others.
 */
export function sawBefore(saw: Saw, order: WorkOrder): Saw {
  const retooth = order.inputs?.retooth;
  if (!retooth || (saw.family !== 'hand' && saw.family !== 'back')) return saw;
  return { ...saw, pitchMm: retooth.oldPitchMm, toothLineMm: (retooth.oldTeeth - 1) * retooth.oldPitchMm };
}

/** The saw as it is measured in a session: before the work as it came in, after it as its order leaves it. */
export function sawIn(kind: SessionKind, saw: Saw, order: WorkOrder | null | undefined): Saw {
  if (!order) return saw;
  return kind === 'after' ? sawAfter(saw, order) : sawBefore(saw, order);
}
