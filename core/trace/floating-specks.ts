import type { PictureView } from './grey-picture';
import type { LineCorners } from './line-corners';
import type { LineLevels } from './line-levels';
import { plateThreshold } from './line-levels';
import type { ToothBand } from './tooth-band';
import { onCurve } from './tooth-band';

/** A patch this many times its own tooth's depth squared is no speck; nor is one that reaches so far under its top. */
const MOST_SHARE = 0.25;
const MOST_DEPTHS = 0.8;

/**
 * Specks that float over the plate, such as dust over the stub of a broken tooth, are taken out of the outline: a
 * tooth hangs together with its plate, a speck does not. Every tip's patch is followed downwards first until it has
 * gone most of a tooth's depth; one that ends before that is a speck, and its columns are looked at again under it.
 * Returns whether the profile (rises in px, changed in place) had any.
 */
export function dropFloatingSpecks(
  view: PictureView,
  band: ToothBand,
  levels: LineLevels,
  { tips, depthPx }: LineCorners,
  profile: Float32Array,
): boolean {
  const { widthPx, heightPx, grey, origin, acrossStep, downStep } = view;
  const brighter = (levels.under[0] as number) > (levels.over[0] as number);
  const isPlate = (x: number, y: number): boolean => {
    const threshold = plateThreshold(levels, widthPx, x + 0.5);
    const value = grey[origin + y * downStep + x * acrossStep] as number;
    return brighter ? value > threshold : value < threshold;
  };
  const reach = MOST_DEPTHS * depthPx;
  const most = Math.max(30, MOST_SHARE * depthPx * depthPx);
  /** The patch's pixels as rows of each column; null where it goes on to the plate. */
  const patchAt = (x0: number, y0: number): Map<number, number> | null => {
    const seen = new Set<number>();
    const lowest = new Map<number, number>();
    const open = [y0 * widthPx + x0];
    while (open.length > 0) {
      const at = open.pop() as number;
      if (seen.has(at)) continue;
      const [x, y] = [at % widthPx, Math.floor(at / widthPx)];
      if (!isPlate(x, y)) continue;
      seen.add(at);
      if (y - y0 > reach || seen.size > most) return null;
      lowest.set(x, Math.max(lowest.get(x) ?? -1, y));
      // Taken last goes first: down before the sides, so that a tooth is known after a few pixels.
      if (y > 0) open.push(at - widthPx);
      if (x > 0) open.push(at - 1);
      if (x < widthPx - 1) open.push(at + 1);
      if (y < heightPx - 1) open.push(at + widthPx);
    }
    return lowest;
  };
  let dropped = false;
  for (const tip of tips) {
    const x0 = Math.min(widthPx - 1, Math.floor(tip.x));
    const y0 = Math.round(onCurve(band, widthPx, x0 + 0.5) - (profile[x0] as number));
    if (!(y0 >= 0 && y0 < heightPx) || !isPlate(x0, y0)) continue;
    const patch = patchAt(x0, y0);
    if (!patch || patch.size === 0) continue;
    dropped = true;
    for (const [x, lowest] of patch) {
      let y = lowest + 1;
      while (y < heightPx && !isPlate(x, y)) y++;
      profile[x] = y < heightPx ? onCurve(band, widthPx, x + 0.5) - y : NaN;
    }
  }
  return dropped;
}
