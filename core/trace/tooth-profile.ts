import type { PictureView } from './grey-picture';
import type { LineLevels } from './line-levels';
import { plateThreshold } from './line-levels';
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
  for (let x = 0; x < widthPx; x++) {
    curve[x] = onCurve(band, widthPx, x + 0.5);
    threshold[x] = plateThreshold(levels, widthPx, x + 0.5);
  }
  // Specks are no plate: so many pixels must follow one below the other.
  const least = Math.max(3, Math.min(14, Math.round(0.3 * band.halfPx)));
  // Strip by strip, so that on a line that lies askew only its own rows are read.
  for (let from = 0; from < widthPx; from += STRIP_PX) {
    const to = Math.min(widthPx, from + STRIP_PX);
    const [a, b] = [curve[from] as number, curve[to - 1] as number];
    const first = Math.max(0, Math.floor(Math.min(a, b) - reach - 1));
    const last = Math.min(heightPx - 1, Math.ceil(Math.max(a, b) + reach + 1));
    let open = to - from;
    for (let y = first; y <= last && open > 0; y++) {
      const row = origin + y * downStep;
      for (let x = from; x < to; x++) {
        const length = run[x] as number;
        if (length === DONE) continue;
        const value = grey[row + x * acrossStep] as number;
        if (brighter ? value <= (threshold[x] as number) : value >= (threshold[x] as number)) run[x] = 0;
        else if (length + 1 < least) run[x] = length + 1;
        else {
          profile[x] = (curve[x] as number) - y + length;
          run[x] = DONE;
          open--;
        }
      }
    }
  }
  return profile;
}

/** Columns taken together. */
const STRIP_PX = 128;
/** Rows looked at on either side of the band's curve, in its half-widths. */
const REACH = 1.9;
const DONE = 255;
