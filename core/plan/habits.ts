import type { FileDirectionSchool } from '../file/direction';
import type { Filing, StraightFamily } from '../saw/families';

/** How this shop works where filers disagree (trade section 9). */
export interface ShopHabits {
  readonly fileDirection: FileDirectionSchool;
  readonly betweenStrokes: 'lift' | 'draw-back';
  readonly startAt: 'heel' | 'toe';
  readonly setOrder: 'before-filing' | 'after-filing';
  /** Strokes in each gullet for an ordinary sharpening. */
  readonly strokesPerGullet: number;
  /** Share of teeth that must show a bright spot. */
  readonly shareOnLine: number;
  /** Worst spacing error put up with, as a share of the pitch. */
  readonly evennessShare: number;
  /** Ordinary sharpenings of metal that even spacing may cost. */
  readonly chaseSharpenings: number;
  readonly angles: AngleTable;
}

export interface AnglePair {
  readonly rakeDeg: number;
  readonly fleamDeg: number;
}

export interface AngleTable {
  readonly rip: AnglePair;
  readonly crosscutFine: AnglePair;
  readonly crosscutHand: AnglePair;
}

/** Defaults marked in trade section 9; common practice, no source. */
export const DEFAULT_HABITS: ShopHabits = {
  fileDirection: 'face-of-away',
  betweenStrokes: 'lift',
  startAt: 'heel',
  setOrder: 'before-filing',
  strokesPerGullet: 2,
  shareOnLine: 0.95,
  evennessShare: 0.1,
  chaseSharpenings: 4,
  angles: {
    rip: { rakeDeg: 0, fleamDeg: 0 },
    crosscutFine: { rakeDeg: -15, fleamDeg: 15 },
    crosscutHand: { rakeDeg: -15, fleamDeg: 25 },
  },
};

/** The shop's table for a saw's use: fine means a back saw. */
export function anglesFor(table: AngleTable, family: StraightFamily, filing: Filing): AnglePair {
  if (filing === 'rip') return table.rip;
  return family === 'back' ? table.crosscutFine : table.crosscutHand;
}
