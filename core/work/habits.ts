import { z } from 'zod';
import type { AnglePair } from '../file/angle-pair';
import { FILE_DIRECTION_SCHOOLS } from '../file/direction';
import type { Filing, StraightFamily } from '../saw/families';
import { bounded } from '../units/fields';

export const anglePair = z.object({
  rakeDeg: bounded(-45, 15, 'Rake', 'degrees'),
  fleamDeg: bounded(0, 45, 'Fleam', 'degrees'),
});

/** How this shop works where filers disagree (trade section 9). */
export const shopHabits = z.object({
  fileDirection: z.enum(FILE_DIRECTION_SCHOOLS),
  betweenStrokes: z.enum(['lift', 'draw-back']),
  startAt: z.enum(['heel', 'toe']),
  setOrder: z.enum(['before-filing', 'after-filing']),
  /** Strokes in each gullet for an ordinary sharpening. */
  strokesPerGullet: bounded(1, 6, 'Strokes a gullet', 'strokes').int('Strokes come whole.'),
  /** Share of teeth that must show a bright spot. */
  shareOnLine: bounded(0.5, 1, 'The share of teeth on the line', '(0.95 is usual)'),
  /** Worst spacing error put up with, as a share of the pitch. */
  evennessShare: bounded(0.01, 0.5, 'The spacing error allowed', 'of the pitch'),
  /** Ordinary sharpenings of metal that even spacing may cost. */
  chaseSharpenings: bounded(0, 20, 'What even spacing may cost', 'sharpenings'),
  /** The shop's jointer, from shoe to shoe; left out where nobody measured it. mm. */
  jointerShoesMm: bounded(50, 600, 'The jointer, shoe to shoe,', 'mm').optional(),
  angles: z.object({ rip: anglePair, crosscutFine: anglePair, crosscutHand: anglePair }),
});
export type ShopHabits = Readonly<z.infer<typeof shopHabits>>;
export type AngleTable = ShopHabits['angles'];

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
