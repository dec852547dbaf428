import type { SawDrawing } from '../drawing';
import { drawAxis } from './draw-axis';
import { drawSaw } from './draw-saw';
import type { Sheet } from './sheet';

/**
 * The saw and its tooth numbers, kept as a picture.
 * Hundreds of teeth are hundreds of paths; while only the joint line moves they are laid down as one.
 */
export class SawLayer {
  private readonly canvas = document.createElement('canvas');
  private drawn: readonly unknown[] = [];

  /** Lays the saw on the sheet, drawing it anew when anything it is drawn from has changed. `ratio`: device px a px. */
  lay(sheet: Sheet, drawing: SawDrawing, ratio: number): void {
    const { layout } = sheet;
    const [w, h] = [Math.round(layout.width * ratio), Math.round(layout.lanesTop * ratio)];
    const from = madeFrom(sheet, drawing, ratio);
    if (from.length !== this.drawn.length || from.some((part, i) => part !== this.drawn[i])) {
      const context = this.canvas.getContext('2d');
      if (!context) return;
      this.canvas.width = w;
      this.canvas.height = h;
      context.setTransform(ratio, 0, 0, ratio, 0, 0);
      const own: Sheet = { ...sheet, context };
      drawSaw(own, drawing);
      drawAxis(own, drawing);
      this.drawn = from;
    }
    sheet.context.drawImage(this.canvas, 0, 0, w, h, 0, 0, w / ratio, h / ratio);
  }
}

/** Everything the layer's picture depends on; arrays by identity, as drawings are never changed in place. */
function madeFrom(sheet: Sheet, drawing: SawDrawing, ratio: number): readonly unknown[] {
  const { layout, palette, x } = sheet;
  const { work } = drawing;
  return [
    ...[drawing.teeth, drawing.xMm, drawing.yMm, drawing.leans, drawing.broken, work?.done, work?.todo],
    ...[drawing.lengthMm, drawing.pitchMm, drawing.toothHeightMm, drawing.tanFace, drawing.tanBack, drawing.backed],
    ...[drawing.plateDepthHeelMm, drawing.plateDepthToeMm],
    ...[layout.width, layout.plateTop, layout.plateBottom, layout.lanesTop, layout.tipY, layout.toothPx],
    ...[palette, x(0), x(drawing.lengthMm), ratio],
  ];
}
