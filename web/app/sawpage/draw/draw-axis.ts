import type { SawDrawing } from '../drawing';
import type { Sheet } from './sheet';

/** Heel, toe and tooth numbers along the axis. */
export function drawAxis(sheet: Sheet, drawing: SawDrawing): void {
  const { context: c, palette, layout, x, first, last, pxPerTooth } = sheet;
  c.fillStyle = palette.quiet;
  c.font = '400 11px "IBM Plex Sans", sans-serif';
  c.textBaseline = 'top';
  c.textAlign = 'center';
  const every = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000].find((n) => n * pxPerTooth >= 42) ?? 2000;
  for (let i = first; i <= last; i++) {
    const tooth = drawing.teeth[i] as number;
    const place = x(drawing.xMm[i] as number);
    if (place < layout.left || place > layout.right) continue;
    if (tooth % every === 0 || tooth === 1) c.fillText(String(tooth), place, layout.axisY);
  }
  c.textAlign = 'right';
  c.fillText(drawing.ends.heel, layout.left - 6, layout.axisY);
  c.textAlign = 'left';
  c.fillText(drawing.ends.toe, layout.right + 8, layout.axisY);
}
