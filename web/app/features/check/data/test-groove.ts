import type { FloorPiece, FloorStep } from '@odontis/core/circular/groove';
import { BELOW_SCORERS_MM, GOOD_SPREAD_MM, judgeSpread } from '@odontis/core/circular/equalise';
import { grooveFloor, touchParts } from '@odontis/core/circular/groove';
import { estimatesOf } from '@odontis/core/evidence/estimates';
import type { Evidence } from '@odontis/core/evidence/session';
import type { Saw } from '@odontis/core/saw/saw';
import type { WorkOrder } from '@odontis/core/work/order';
import type { Speech } from '../../../shared/speech/speech';
import { SPREAD_SAYS } from '../../../shared/words/spread-words';

/** The floor of a set's test groove as it was measured under every part; none of another saw. */
export function floorSteps(saw: Saw, evidence: Evidence): FloorStep[] {
  if (saw.family !== 'dado') return [];
  const readings = evidence.filter((s) => s.kind === 'after').flatMap((s) => s.readings);
  return saw.parts.flatMap((part) =>
    estimatesOf(readings, 'groove-step', part.id).map((e) => ({ part: part.id, overDeepestMm: e.valueMm })),
  );
}

/** That floor in section; null where it was not measured. mm. */
export function floorOf(saw: Saw, steps: readonly FloorStep[]): readonly FloorPiece[] | null {
  if (saw.family !== 'dado' || steps.length < 2) return null;
  const over = new Map(steps.map((one) => [one.part, one.overDeepestMm]));
  // A floor over the deepest place was cut by teeth that stand so much lower; the outer blades scored deeper.
  return grooveFloor(
    saw.parts
      .filter((part) => part.kind !== 'chipper' || over.has(part.id))
      .map((part) => ({ ...part, heightMm: part.kind === 'outer' ? BELOW_SCORERS_MM : -(over.get(part.id) ?? 0) })),
  );
}

/** Which parts the test groove says to touch, in sentences; null where it was not measured. */
export function grooveSays(steps: readonly FloorStep[], order: WorkOrder | undefined, { fine }: Speech): string | null {
  if (steps.length < 2) return null;
  const heights = steps.map((one) => one.overDeepestMm);
  const reached = Math.max(...heights) - Math.min(...heights);
  const { spreadBeforeMm = null, spreadAfterMm = null } = order?.round?.family === 'dado' ? order.round.forecast : {};
  const was =
    spreadBeforeMm === null || spreadAfterMm === null
      ? ''
      : ` (${fine(spreadBeforeMm)} before, ${fine(spreadAfterMm)} foretold)`;
  const says = `Steps of ${fine(reached)} on the floor${was}: ${SPREAD_SAYS[judgeSpread(reached)]}.`;
  const touch = touchParts(steps, GOOD_SPREAD_MM);
  if (touch.length === 0) return `${says} No part stands out.`;
  return `${says} Bring ${touch.map((one) => `the ${one.part} down ${fine(one.downMm)}`).join(', ')}.`;
}
