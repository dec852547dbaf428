import type { SawDrawing } from '../drawing';

/** Where things stand on the sheet, px. */
export interface Layout {
  readonly width: number;
  readonly left: number;
  readonly right: number;
  /** Height 0 of the readings on the sheet. */
  readonly tipY: number;
  readonly toothPx: number;
  readonly plateTop: number;
  readonly plateBottom: number;
  readonly axisY: number;
  readonly lanesTop: number;
  readonly laneHeight: number;
  readonly height: number;
}

/** px from a height in mm. Teeth are always drawn the same height, whatever the zoom. */
export const yPx = (layout: Layout, drawing: SawDrawing, yMm: number): number =>
  layout.tipY - ((yMm - drawing.levelMm) * layout.toothPx) / drawing.toothHeightMm;

/** Left gutter for the lanes' names and the handle; right one for the depth handle. */
export const GUTTER = { left: 118, right: 58 } as const;

/** A backed plate is drawn so much deeper, px. */
export const BACKED_PX = 10;
/** A blade in a frame takes so much of the depth, and leaves the rest to the frame. */
const FRAMED_SHARE = 0.4;

/** Depth that a plate is drawn with where it is deepest, its back with it, px. */
export const plateDeepPx = ({ plateTop, plateBottom }: Layout, { held }: SawDrawing): number =>
  (plateBottom - plateTop) * (held === 'framed' ? FRAMED_SHARE : 1);

const PLATE_SCALE = 0.2;
/** Room over the tips for the place in hand, and over that for a line of words. */
const OVER_TIPS_PX = 44;
const TOOTH_PX = 38;
const LEAST_TOOTH_PX = 14;
/** Room over the ends of the line for a breast, px. */
const MOST_CROWN_PX = 64;

export function layoutFor(drawing: SawDrawing, width: number, laneHeight: number): Layout {
  const crownTeeth = drawing.crownMm / drawing.toothHeightMm;
  // A high breast is drawn whole with lower teeth rather than cut off.
  const toothPx = Math.max(LEAST_TOOTH_PX, Math.min(TOOTH_PX, MOST_CROWN_PX / Math.max(1e-9, crownTeeth)));
  const tipY = OVER_TIPS_PX + Math.round(crownTeeth * toothPx);
  const plateTop = tipY + toothPx;
  // The plate's depth to its length, at a fifth of the drawing's own scale: whole, it would fill the page.
  const own =
    (Math.max(drawing.plateDepthHeelMm, drawing.plateDepthToeMm) / drawing.lengthMm) *
    (width - GUTTER.left - GUTTER.right) *
    PLATE_SCALE;
  const plateBottom = plateTop + Math.round(Math.min(62, Math.max(26, own))) + (drawing.backed ? BACKED_PX : 0);
  const axisY = plateBottom + 6;
  const lanesTop = axisY + 18;
  return {
    width,
    left: GUTTER.left,
    right: width - GUTTER.right,
    tipY,
    toothPx,
    plateTop,
    plateBottom,
    axisY,
    lanesTop,
    laneHeight,
    height: lanesTop + drawing.lanes.length * laneHeight + 4,
  };
}
