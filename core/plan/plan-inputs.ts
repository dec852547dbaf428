import type { StrokeRate } from '../line/strokes';
import type { Filing, StraightFamily, Wood } from '../saw/families';
import type { ToothReading } from '../evidence/tooth-reading';
import type { PlateMarkKind } from '../triage/plate-marks';
import type { AnglePair, ShopHabits } from './habits';

/** The saw as the plan needs it. Lengths mm. */
export interface PlanSaw {
  readonly family: StraightFamily;
  readonly filing: Filing;
  readonly wood: Wood;
  readonly plateThicknessMm: number;
  /** Plate under the back or handle at its narrowest. */
  readonly plateDepthMm: number;
  readonly pitchMm: number;
}

/** Everything a plan is worked out from; frozen with the plan it gave. */
export interface PlanInputs {
  readonly saw: PlanSaw;
  readonly angles: AnglePair;
  readonly readings: readonly ToothReading[];
  readonly habits: ShopHabits;
  readonly strokeRate: StrokeRate;
  readonly marks: readonly PlateMarkKind[];
  /** The joint line's slope: with the tips' own fall, or level with the straight edge. */
  readonly line: LineChoice;
}

export const LINE_CHOICES = ['free', 'level'] as const;
export type LineChoice = (typeof LINE_CHOICES)[number];
