import { heightOn } from '@odontis/core/line/joint-line';
import type { SawDrawing } from '../drawing';
import { FINEST_PX } from './sheet';
import type { Sheet } from './sheet';
import { yPx } from './layout';

/** An arc is drawn in so many straight pieces. */
const ARC_PIECES = 48;

/** The joint line in brass, the bright flats it leaves, and where each point is to end. */
export function drawJoint(sheet: Sheet, drawing: SawDrawing): void {
  const { context: c, palette, layout, x } = sheet;
  if (!drawing.joint) return;
  const { joint } = drawing;
  const at = (mm: number): number => yPx(layout, drawing, heightOn(joint, mm));
  c.strokeStyle = palette.brass;
  c.lineWidth = 1.5;
  c.beginPath();
  c.moveTo(x(-drawing.pitchMm), at(-drawing.pitchMm));
  const pieces = joint.breast ? ARC_PIECES : 1;
  for (let k = 1; k <= pieces; k++) {
    const mm = -drawing.pitchMm + ((drawing.lengthMm + 2 * drawing.pitchMm) * k) / pieces;
    c.lineTo(x(mm), at(mm));
  }
  c.stroke();
  if (!drawing.flats || sheet.pxPerTooth < FINEST_PX) return;
  const { fromMm, toMm, on } = drawing.flats;
  // Upright rectangles: on a sloping line a flat's two ends differ by a small part of a px, and a path costs more.
  c.fillStyle = palette.paper;
  for (let i = sheet.first; i <= sheet.last; i++) {
    if (!on[i]) continue;
    const [from, to] = [fromMm[i] as number, toMm[i] as number];
    c.fillRect(x(from), at((from + to) / 2) - 2, x(to) - x(from), 4);
  }
  if (!drawing.targetXMm || sheet.pxPerTooth <= 5) return;
  c.fillStyle = palette.ink;
  for (let i = sheet.first; i <= sheet.last; i++) {
    const target = drawing.targetXMm[i] as number;
    if (on[i]) c.fillRect(x(target) - 1, at(target) - 4, 2, 9);
  }
}
