import type { SawDrawing } from '../drawing';
import type { Layout } from './layout';
import { BACKED_PX, plateDeepPx } from './layout';

/** What goes round is laid out, and is no plate that stands in the vise. */
const LAID: Partial<Record<SawDrawing['held'], string>> = {
  rim: 'Rolled out flat',
  loop: 'Laid out from its weld',
};

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
  const parts = [LAID[held] ?? 'As in the vise, teeth up'];
  if (drawing.teeth.length > 0) {
    const tall = layout.toothPx / toothHeightMm / pxPerMm;
    const isTrue = Math.abs(tall - 1) < NEAR_ENOUGH;
    parts.push(isTrue ? 'teeth in true proportion' : `teeth drawn ${times(tall)} × as tall as they are`);
  }
  if (!LAID[held]) {
    const drawn = plateDeepPx(layout, drawing) - (backed ? BACKED_PX : 0);
    const deep = drawn / Math.max(plateDepthHeelMm, plateDepthToeMm) / pxPerMm;
    parts.push(`its plate ${times(deep)} × as deep as it is`);
  }
  return parts.join('; ');
}
