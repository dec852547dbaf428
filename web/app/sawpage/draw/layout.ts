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
  layout.tipY - (yMm * layout.toothPx) / drawing.toothHeightMm;

/** Left gutter for the lanes' names and the handle; right one for the depth handle. */
export const GUTTER = { left: 118, right: 58 } as const;

const PLATE_SCALE = 0.2;

export function layoutFor(drawing: SawDrawing, width: number, laneHeight: number): Layout {
  const toothPx = 38;
  const tipY = 30;
  const plateTop = tipY + toothPx;
  // The plate's depth to its length, at a fifth of the drawing's own scale: whole, it would fill the page.
  const own = (drawing.plateDepthHeelMm / drawing.lengthMm) * (width - GUTTER.left - GUTTER.right) * PLATE_SCALE;
  const plateBottom = plateTop + Math.round(Math.min(62, Math.max(26, own))) + (drawing.backed ? 10 : 0);
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
