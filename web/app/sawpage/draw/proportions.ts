import type { SawDrawing } from '../drawing';
import type { Layout } from './layout';
import { BACKED_PX, FRAMED_SHARE } from './layout';

/** Closer to true than this is called true. */
const NEAR_ENOUGH = 0.05;

const times = (share: number): string =>
  share >= 10 ? share.toFixed(0) : share >= 0.95 ? share.toFixed(1) : share.toPrecision(1);

/**
 * How far a drawing is from true proportion, in words: its teeth are drawn equally tall at every zoom, so that a whole
 * saw's can be seen, and its plate as deep as there is room. `pxPerMm`: along the line, as it is zoomed.
 */
export function proportionsSaid(drawing: SawDrawing, layout: Layout, pxPerMm: number): string {
  const { held, toothHeightMm, backed, plateDepthHeelMm, plateDepthToeMm } = drawing;
  const tall = layout.toothPx / toothHeightMm / pxPerMm;
  const teeth =
    Math.abs(tall - 1) < NEAR_ENOUGH ? 'teeth in true proportion' : `teeth drawn ${times(tall)} × as tall as they are`;
  if (held === 'rim') return `Rolled out flat; ${teeth}`;
  if (held === 'loop') return `Laid out from its weld; ${teeth}`;
  const drawn =
    (layout.plateBottom - layout.plateTop - (backed ? BACKED_PX : 0)) * (held === 'framed' ? FRAMED_SHARE : 1);
  const deep = drawn / Math.max(plateDepthHeelMm, plateDepthToeMm) / pxPerMm;
  return `As in the vise, teeth up; ${teeth}, its plate ${times(deep)} × as deep`;
}
