import type { StrokeRate } from '../line/strokes';
import type { Filing, StraightFamily, Wood } from '../saw/families';
import type { ToothReading } from '../evidence/tooth-reading';
import type { PlateMark } from '../triage/plate-marks';
import type { AnglePair, ShopHabits } from './habits';
import { anglesFor } from './habits';
import type { LineChoice, PlanInputs } from './plan-inputs';

/** What a ticket's records hold, as far as a plan needs it. */
export interface TicketFacts {
  readonly saw: {
    readonly family: StraightFamily;
    readonly filing: Filing;
    readonly plateThicknessMm: number;
    readonly plateDepthHeelMm: number;
    readonly plateDepthToeMm: number;
    readonly pitchMm: number;
  };
  readonly wood: Wood;
  readonly marks: readonly PlateMark[];
  readonly readings: readonly ToothReading[];
}

/**
 * A ticket's records, the shop's habits and the technician's stroke rate into
 * the inputs of a plan: the one way both the server (which freezes) and the
 * plan page (which moves) go. The plate's narrowest depth is taken.
 */
export function assembleInputs(
  facts: TicketFacts,
  habits: ShopHabits,
  strokeRate: StrokeRate,
  line: LineChoice,
  angles: AnglePair = anglesFor(habits.angles, facts.saw.family, facts.saw.filing),
): PlanInputs {
  return {
    saw: {
      family: facts.saw.family,
      filing: facts.saw.filing,
      wood: facts.wood,
      plateThicknessMm: facts.saw.plateThicknessMm,
      plateDepthMm: Math.min(facts.saw.plateDepthHeelMm, facts.saw.plateDepthToeMm),
      pitchMm: facts.saw.pitchMm,
    },
    angles,
    readings: facts.readings,
    habits,
    strokeRate,
    marks: [...new Set(facts.marks.map((mark) => mark.kind))],
    line,
  };
}
