import type { SawDrawing } from '../drawing';
import { FINEST_PX } from './sheet';
import type { Sheet } from './sheet';
import { yPx } from './layout';

/** The joint line in brass, the bright flats it leaves, and where each point is to end. */
export function drawJoint(sheet: Sheet, drawing: SawDrawing): void {
  const { context: c, palette, layout, x } = sheet;
  if (!drawing.joint) return;
  const { alphaMm, beta } = drawing.joint;
  const at = (mm: number): number => yPx(layout, drawing, alphaMm + beta * mm);
  c.strokeStyle = palette.brass;
  c.lineWidth = 1.5;
  c.beginPath();
  c.moveTo(x(-drawing.pitchMm), at(-drawing.pitchMm));
  c.lineTo(x(drawing.lengthMm + drawing.pitchMm), at(drawing.lengthMm));
  c.stroke();
  if (!drawing.flats || sheet.pxPerTooth < FINEST_PX) return;
  const { fromMm, toMm, on } = drawing.flats;
  c.strokeStyle = palette.paper;
  c.lineWidth = 4;
  c.beginPath();
  for (let i = sheet.first; i <= sheet.last; i++) {
    if (!on[i]) continue;
    c.moveTo(x(fromMm[i] as number), at(fromMm[i] as number));
    c.lineTo(x(toMm[i] as number), at(toMm[i] as number));
  }
  c.stroke();
  if (!drawing.targetXMm || sheet.pxPerTooth <= 5) return;
  c.strokeStyle = palette.ink;
  c.lineWidth = 2;
  c.beginPath();
  for (let i = sheet.first; i <= sheet.last; i++) {
    const target = drawing.targetXMm[i] as number;
    if (!on[i]) continue;
    c.moveTo(x(target), at(target) - 4);
    c.lineTo(x(target), at(target) + 5);
  }
  c.stroke();
}
