import { bevelStrips } from './bevel-strips';
import { dropFloatingSpecks } from './floating-specks';
import type { GreyPicture } from './grey-picture';
import { lineCorners } from './line-corners';
import { lineInMm } from './line-in-mm';
import { measureCorners } from './measure-corners';
import { hasRakers } from './raker-pattern';
import { COARSE_COLUMNS, onCurve } from './tooth-band';
import { toothProfile } from './tooth-profile';
import type { TraceWish } from './trace-wish';
import type { TraceResult } from './traced-line';
import { uprightLine } from './upright-line';
import { isRegular, wholeTeeth } from './whole-teeth';

export type { TraceWish };

/** Fewest pixels from tip to tip that still show two flanks. */
const LEAST_PITCH_PX = 7;
const COARSE_PITCH_PX = 12;
/** Under a speck may lie another. */
const SPECK_ROUNDS = 3;

/**
 * A picture of a tooth line into teeth (docs/formats.md describes what comes out).
 * mm and degrees. Method of our own in five looks: where flanks crowd is the line;
 * its two sides' greys are followed along it; the outline seen from over it gives
 * tips and gullets to a pixel; each flank's edge is found square to itself, half
 * way between the greys beside it, and a line fitted with its errors; what is gone
 * of each point comes from the area that is missing under it. Reads a few hundredths
 * of the pixels, writes none. Throws RangeError for a scale that is none.
 */
export function traceTeeth(picture: GreyPicture, wish: TraceWish): TraceResult {
  let first: TraceResult | null = null;
  for (const columns of COARSE_COLUMNS) {
    const result = traceAt(picture, wish, columns);
    if (result.ok) return result;
    first ??= result;
    // Nothing was left out of that look: a finer one sees no more.
    if (Math.max(picture.widthPx, picture.heightPx) <= columns) break;
  }
  return first as TraceResult;
}

function traceAt(picture: GreyPicture, wish: TraceWish, columns: number): TraceResult {
  if (!(wish.mmPerPx > 0) || !Number.isFinite(wish.mmPerPx)) throw new RangeError('The scale must be above zero.');
  const report = wish.report ?? ((): void => undefined);
  if (picture.widthPx < 40 || picture.heightPx < 12) return { ok: false, code: 'too-small' };
  report(0);
  const found = uprightLine(picture, wish, columns);
  if (!('view' in found)) return found;
  report(0.25);
  const { view, band, levels, notes } = found;
  const profile = toothProfile(view, band, levels);
  report(0.4);
  const rakers = hasRakers(wish.pattern);
  let corners = lineCorners(profile, rakers);
  for (let round = 0; corners && round < SPECK_ROUNDS; round++) {
    if (!dropFloatingSpecks(view, band, levels, corners, profile)) break;
    corners = lineCorners(profile, rakers);
  }
  if (!corners) return { ok: false, code: 'no-tooth-line' };
  if (corners.pitchPx < LEAST_PITCH_PX)
    return { ok: false, code: 'teeth-too-fine', facts: { pitchPx: corners.pitchPx } };
  if (corners.pitchPx < COARSE_PITCH_PX) notes.push('coarse-scan');
  const whole = wholeTeeth(profile, corners);
  if (!isRegular(whole.corners, rakers)) return { ok: false, code: 'no-tooth-line' };
  const rows = whole.corners.tips.map((tip) => onCurve(band, view.widthPx, tip.x) - tip.rise);
  if (rows.filter((row) => row < 1.5).length > 0.05 * rows.length) return { ok: false, code: 'cut-off' };
  const measured = measureCorners(view, band, levels, whole.corners, wish.rim ?? false, (share) =>
    report(0.4 + 0.55 * share),
  );
  const noise = Math.max(0.5, levels.overNoise, levels.underNoise);
  const strips = wish.bevels ? bevelStrips(view, measured, noise) : null;
  const seen = strips ? measured.map((corner, i) => ({ ...corner, strips: strips[i] })) : measured;
  const line = lineInMm(view, whole, seen, wish, notes);
  report(1);
  return line;
}
