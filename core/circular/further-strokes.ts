import type { StrokeRate } from '../line/strokes';
import { strokesFor } from '../line/strokes';

/** A tooth nearer under its aim than this is on it: what a dial shows. mm. */
export const ON_AIM_MM = 0.01;

/** What a fresh reading says of a tooth that is being brought down. mm. */
export type Further =
  | { readonly finds: 'more'; readonly strokes: number; readonly overMm: number }
  /** Another stroke could take it under. */
  | { readonly finds: 'there'; readonly overMm: number }
  | { readonly finds: 'under'; readonly byMm: number };

/**
 * How a tooth goes on that was just read at `readMm` on the dial and is to come down to `aimMm`: so many strokes
 * more as cannot overshoot, none where one might. Read again after them; each round takes at least the strokes'
 * lower end off, so it ends. mm.
 * Example: read 0.20 over the aim at 0.025 ± 0.004 a stroke -> 6 more; read 0.03 over -> there.
 */
export function furtherStrokes(readMm: number, aimMm: number, rate: StrokeRate): Further {
  const overMm = readMm - aimMm;
  if (overMm < -ON_AIM_MM) return { finds: 'under', byMm: -overMm };
  const { strokes } = strokesFor(Math.max(0, overMm), rate);
  return strokes > 0 ? { finds: 'more', strokes, overMm } : { finds: 'there', overMm };
}
