import type { PictureView } from './grey-picture';
import type { LineLevels } from './line-levels';
import { levelAt } from './line-levels';
import type { ToothBand } from './tooth-band';
import { onCurve } from './tooth-band';

/**
 * The saw's outline as seen from over the line: for every column of pixels how far
 * the plate rises over the band's curve, px (NaN where no plate is met). Whole
 * pixels only: it finds the teeth, the flanks are then fitted finely.
 */
export function toothProfile(view: PictureView, band: ToothBand, levels: LineLevels): Float32Array {
  const { widthPx, heightPx, grey, origin, acrossStep, downStep } = view;
  const reach = REACH * band.halfPx;
  const profile = new Float32Array(widthPx).fill(NaN);
  const curve = new Float32Array(widthPx);
  const threshold = new Float32Array(widthPx);
  const run = new Uint8Array(widthPx);
  const brighter = (levels.under[0] as number) > (levels.over[0] as number);
  let [lowest, highest] = [Infinity, -Infinity];
  for (let x = 0; x < widthPx; x++) {
    curve[x] = onCurve(band, widthPx, x + 0.5);
    threshold[x] = (levelAt(levels.over, widthPx, x + 0.5) + levelAt(levels.under, widthPx, x + 0.5)) / 2;
    lowest = Math.min(lowest, curve[x] as number);
    highest = Math.max(highest, curve[x] as number);
  }
  // Specks are no plate: so many pixels must follow one below the other.
  const least = Math.max(2, Math.min(12, Math.round(0.12 * band.halfPx)));
  const first = Math.max(0, Math.floor(lowest - reach));
  const last = Math.min(heightPx - 1, Math.ceil(highest + reach));
  for (let y = first; y <= last; y++) {
    const row = origin + y * downStep;
    // On a line that lies askew only the columns whose band crosses this row are looked at.
    for (let x = 0; x < widthPx; x++) {
      if (run[x] === DONE) continue;
      const off = (curve[x] as number) - y;
      if (off > reach || off < -reach) continue;
      const value = grey[row + x * acrossStep] as number;
      const plate = brighter ? value > (threshold[x] as number) : value < (threshold[x] as number);
      if (!plate) run[x] = 0;
      else {
        const length = (run[x] as number) + 1;
        if (length >= least) {
          profile[x] = off + length - 1;
          run[x] = DONE;
        } else run[x] = length;
      }
    }
  }
  return profile;
}

/** Rows looked at on either side of the band's curve, in its half-widths. */
const REACH = 1.9;
const DONE = 255;
