import * as z from 'zod';
import type { AnglePair } from '../file/angle-pair';
import { learned } from '../learn/learned';
import { FILE_DIRECTION_SCHOOLS } from '../file/direction';
import { RAKER_TIPS } from '../raker/raker-plan';
import { RAKER_SAWS, USUAL_TIP_DEG } from '../raker/raker-target';
import { FAMILIES } from '../saw/all-families';
import type { Filing, LineFamily } from '../saw/families';
import { bounded } from '../units/fields';

/** The schools of jointing a band (trade section 7). */
export const BAND_JOINTS = ['never', 'lightly'] as const;
/** The vise's jaws where nobody measured them, mm. No source. */
export const USUAL_JAW_MM = 150;

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
  /** Rakers filed straight, or swaged; left out where the shop has not said: straight. */
  rakerTips: z.enum(RAKER_TIPS).optional(),
  /** The angle a raker's tip is given by its gullet. */
  rakerTipDeg: bounded(15, 40, 'The angle of a raker’s tip', 'degrees').optional(),
  /** The vise's jaws, as long a stretch of a band as is worked at once. mm. */
  jawMm: bounded(10, 2000, 'The vise’s jaws', 'mm').optional(),
  /** Bands are jointed only where their line has gone, or lightly every time; left out where the shop has not said. */
  bandJoint: z.enum(BAND_JOINTS).optional(),
  /** Back and top bevel of a pull saw's teeth, degrees off upright and off level. */
  pullBackDeg: bounded(5, 60, 'The back of a pull saw’s tooth', 'degrees').optional(),
  pullTopDeg: bounded(0, 60, 'The top bevel', 'degrees').optional(),
  /** The shop's own table of set a side, for dry, medium wood and ordinary use, by family; left out where the trade's stands. mm. */
  setMm: z.partialRecord(z.enum(FAMILIES), bounded(0.01, 3, 'The set a side', 'mm')).optional(),
  /** Its own depths of rakers under their cutters in dry wood; likewise. mm. */
  rakerMm: z.partialRecord(z.enum(RAKER_SAWS), bounded(0.02, 2, 'The rakers’ depth', 'mm')).optional(),
  angles: z.object({
    rip: anglePair,
    crosscutFine: anglePair,
    crosscutHand: anglePair,
    /** Cutters pointed one by one, alike from both sides: the rake is half the angle of the point, leaning back. */
    cutters: anglePair.optional(),
    /** Face and board of a pull saw; its back and top bevel beside. */
    pull: anglePair.optional(),
  }),
});
export type ShopHabits = Readonly<z.infer<typeof shopHabits>>;
/** The same with what the shop has learned of its own saws, as an order is worked out from it and keeps it. */
export const workHabits = shopHabits.extend({ learned: learned.optional() });
export type WorkHabits = Readonly<z.infer<typeof workHabits>>;
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

/** A point of 60 degrees with a bevel as on large crosscut teeth (trade section 9). Common practice, no source. */
export const USUAL_CUTTERS: AnglePair = { rakeDeg: -30, fleamDeg: 25 };

/** A pull saw's face leans back a little, its file stands aside by a fair fleam. Common practice, no source. */
export const USUAL_PULL: AnglePair = { rakeDeg: -5, fleamDeg: 25 };
export const USUAL_PULL_RIP: AnglePair = { rakeDeg: -5, fleamDeg: 0 };
export const USUAL_PULL_BACK_DEG = 25;
export const USUAL_PULL_TOP_DEG = 30;

/** The angle rakers' tips are filed to here, degrees. */
export const tipAngleOf = ({ rakerTipDeg }: Pick<ShopHabits, 'rakerTipDeg'>): number => rakerTipDeg ?? USUAL_TIP_DEG;

/** The shop's table for a saw's use: fine means a back saw, pointed one whose cutters are filed one by one. */
export function anglesFor(table: AngleTable, family: LineFamily, filing: Filing, pointed = false): AnglePair {
  if (pointed) return table.cutters ?? USUAL_CUTTERS;
  if (family === 'pull') return filing === 'rip' ? USUAL_PULL_RIP : (table.pull ?? USUAL_PULL);
  if (filing === 'rip') return table.rip;
  return family === 'back' ? table.crosscutFine : table.crosscutHand;
}
