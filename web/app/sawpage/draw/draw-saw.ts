import type { SawDrawing } from '../drawing';
import { drawJoint } from './draw-joint';
import { handlesOf } from './handles';
import { plateDeepPx, yPx } from './layout';
import { FINEST_PX } from './sheet';
import type { Sheet } from './sheet';

/** Plate, back and handle, then the teeth: what stays while a hand pulls at the joint line. */
export function drawSaw(sheet: Sheet, drawing: SawDrawing): void {
  drawPlate(sheet, drawing);
  if (drawing.teeth.length === 0) return;
  overTheLine(sheet, () => {
    if (sheet.pxPerTooth < FINEST_PX) drawOutline(sheet, drawing);
    else drawTeeth(sheet, drawing);
  });
}

/** Joint line, flats and the place being worked on, over the saw already drawn. */
export function drawWork(sheet: Sheet, drawing: SawDrawing): void {
  if (drawing.teeth.length === 0) return;
  overTheLine(sheet, () => {
    drawJoint(sheet, drawing);
    drawCurrent(sheet, drawing);
  });
}

/** Draws nothing beside the tooth line's own width, whatever the zoom. */
function overTheLine({ context, layout }: Sheet, draw: () => void): void {
  context.save();
  context.beginPath();
  context.rect(layout.left - 6, 0, layout.right - layout.left + 12, layout.axisY);
  context.clip();
  draw();
  context.restore();
}

/** Depth of the stiffening back on the sheet, px. */
const BACK_PX = 12;
function drawPlate({ context: c, palette, layout, x }: Sheet, drawing: SawDrawing): void {
  const [from, to] = [x(-drawing.pitchMm), x(drawing.lengthMm + drawing.pitchMm)];
  const left = Math.max(layout.left - 4, from);
  const right = Math.min(layout.right + 4, to);
  const fill = (path: string, colour: string): void => {
    c.fillStyle = colour;
    c.fill(new Path2D(path), 'evenodd');
  };
  const wood = handlesOf(drawing, layout, { from, to }).filter(
    ({ end }) => end > layout.left - 40 && end < layout.right + 8,
  );
  for (const { path } of wood.filter(({ over }) => !over)) fill(path, palette.handle);
  if (right <= left) return;
  // Straight from the heel's depth to the toe's, which on a hand saw is less.
  const deep = plateDeepPx(layout, drawing);
  const deepest = Math.max(drawing.plateDepthHeelMm, drawing.plateDepthToeMm);
  const share = (px: number): number => Math.min(1, Math.max(0, (px - from) / Math.max(1, to - from)));
  const bottom = (px: number): number =>
    layout.plateTop +
    (deep * (drawing.plateDepthHeelMm + (drawing.plateDepthToeMm - drawing.plateDepthHeelMm) * share(px))) / deepest;
  const band = (top: (px: number) => number, colour: string): void => {
    c.fillStyle = colour;
    c.beginPath();
    c.moveTo(left, top(left));
    c.lineTo(right, top(right));
    c.lineTo(right, bottom(right));
    c.lineTo(left, bottom(left));
    c.closePath();
    c.fill();
  };
  band(() => layout.plateTop, palette.plate);
  if (drawing.held === 'loop') drawWeld(c, palette, layout, [x(0), x(drawing.lengthMm)]);
  if (drawing.backed) band((px) => bottom(px) - BACK_PX, palette.brass);
  for (const { path } of wood.filter(({ over }) => over)) fill(path, palette.handle);
}

/** The weld of an endless band, at both ends of the sheet: it is one place. */
function drawWeld(
  c: Sheet['context'],
  palette: Sheet['palette'],
  layout: Sheet['layout'],
  places: readonly number[],
): void {
  c.strokeStyle = palette.text;
  c.lineWidth = 2;
  for (const place of places) {
    if (place < layout.left - 4 || place > layout.right + 4) continue;
    c.beginPath();
    for (let y = layout.plateTop; y < layout.plateBottom; y += 6) {
      c.moveTo(place - 3, y);
      c.lineTo(place + 3, y + 4);
    }
    c.stroke();
  }
}

/** Bottom of the V between tooth i and the next. */
function gulletAfter(drawing: SawDrawing, i: number): { xMm: number; yMm: number } {
  const x0 = drawing.xMm[i] as number;
  const y0 = drawing.yMm[i] as number;
  const nominal = { xMm: x0 + drawing.toothHeightMm * drawing.tanFace, yMm: y0 - drawing.toothHeightMm };
  const lonely = i + 1 >= drawing.teeth.length || (drawing.teeth[i + 1] as number) - (drawing.teeth[i] as number) > 1;
  if (lonely) return nominal;
  const u = x0 + y0 * drawing.tanFace;
  const v = (drawing.xMm[i + 1] as number) - (drawing.yMm[i + 1] as number) * drawing.tanBack;
  const yMm = (u - v) / (drawing.tanFace + drawing.tanBack);
  return { xMm: u - yMm * drawing.tanFace, yMm };
}

function drawTeeth(sheet: Sheet, drawing: SawDrawing): void {
  const { context: c, palette, layout, x } = sheet;
  const base = (yMm: number): number => Math.min(layout.plateTop, yPx(layout, drawing, yMm));
  if (drawing.roles) drawCrown(sheet, drawing, base);
  for (let i = sheet.first; i <= sheet.last; i++) {
    const tooth = drawing.teeth[i] as number;
    const tip = { x: x(drawing.xMm[i] as number), y: yPx(layout, drawing, drawing.yMm[i] as number) };
    const after = gulletAfter(drawing, i);
    const lonely = i === 0 || tooth - (drawing.teeth[i - 1] as number) > 1;
    const before = lonely
      ? {
          xMm: (drawing.xMm[i] as number) - drawing.toothHeightMm * drawing.tanBack,
          yMm: (drawing.yMm[i] as number) - drawing.toothHeightMm,
        }
      : gulletAfter(drawing, i - 1);
    c.fillStyle = toothColour(palette, drawing, tooth);
    if (drawing.broken.has(tooth)) c.fillStyle = palette.lead;
    c.beginPath();
    if (drawing.roles) shapeOf(sheet, drawing, i, base);
    else {
      c.moveTo(x(before.xMm), layout.plateTop);
      c.lineTo(x(before.xMm), base(before.yMm));
      c.lineTo(tip.x, tip.y);
      c.lineTo(x(after.xMm), base(after.yMm));
      c.lineTo(x(after.xMm), layout.plateTop);
    }
    c.closePath();
    c.fill();
    if (sheet.pxPerTooth > 7) {
      c.strokeStyle = palette.text;
      c.lineWidth = 0.6;
      c.stroke();
    }
    if (sheet.pxPerTooth > 9 && drawing.roles?.[i] !== 'raker' && drawing.leans[i] !== null)
      drawLean(sheet, drawing, i, tip);
  }
}

/** The plate under a breasted line's teeth, as far as it stands over the plate's straight part. */
function drawCrown(
  { context: c, palette, layout, x, first, last }: Sheet,
  drawing: SawDrawing,
  base: (yMm: number) => number,
): void {
  c.fillStyle = palette.plate;
  c.beginPath();
  // A little into the plate, so that no seam is seen.
  const foot = layout.plateTop + 1;
  c.moveTo(x((drawing.xMm[first] as number) - drawing.pitchMm), foot);
  for (let i = first; i <= last; i++) {
    if (drawing.roles?.[i] === 'raker') continue;
    c.lineTo(x(drawing.xMm[i] as number), base((drawing.yMm[i] as number) - drawing.toothHeightMm));
  }
  c.lineTo(x((drawing.xMm[last] as number) + drawing.pitchMm), foot);
  c.closePath();
  c.fill();
}

/** A cutter's point, or a raker's two tips with its gullet between, on the plate's edge under it. */
function shapeOf(
  { context: c, layout, x }: Sheet,
  drawing: SawDrawing,
  i: number,
  base: (yMm: number) => number,
): void {
  const [xMm, yMm] = [drawing.xMm[i] as number, drawing.yMm[i] as number];
  const foot = base(yMm - drawing.toothHeightMm);
  const tip = yPx(layout, drawing, yMm);
  if (drawing.roles?.[i] === 'raker') {
    const half = drawing.rakerWidthMm / 2;
    const gullet = base(yMm - 0.7 * drawing.toothHeightMm);
    c.moveTo(x(xMm - half), foot);
    c.lineTo(x(xMm - half), tip);
    c.lineTo(x(xMm), gullet);
    c.lineTo(x(xMm + half), tip);
    c.lineTo(x(xMm + half), foot);
    return;
  }
  // Between a cutter's foot and the next stands an open gullet.
  const spread = Math.min(drawing.toothHeightMm * drawing.tanFace, 0.34 * drawing.pitchMm);
  c.moveTo(x(xMm - spread), foot);
  c.lineTo(x(xMm), tip);
  c.lineTo(x(xMm + spread), foot);
}

/** Lean by shape and place first: a stroke to the left over the tip, or a ring to its right. */
function drawLean({ context: c, palette }: Sheet, drawing: SawDrawing, i: number, tip: { x: number; y: number }): void {
  c.strokeStyle = palette.quiet;
  c.lineWidth = 1.2;
  c.beginPath();
  if (drawing.leans[i] === 'left') {
    c.moveTo(tip.x - 5, tip.y - 8);
    c.lineTo(tip.x, tip.y - 3);
  } else c.arc(tip.x + 2.5, tip.y - 6, 2, 0, 2 * Math.PI);
  c.stroke();
}

/** Still to do in this step, done, or none of it. */
const toothColour = (palette: Sheet['palette'], { work }: SawDrawing, tooth: number): string =>
  work?.todo.has(tooth) ? palette.ink : work?.done.has(tooth) ? palette.steelBright : palette.steel;

/** One column of px at a time: the tallest tip in it. */
function drawOutline({ context: c, palette, layout, x, first, last }: Sheet, drawing: SawDrawing): void {
  let column = NaN;
  let top = Infinity;
  const flush = (): void => {
    if (!Number.isNaN(column)) c.fillRect(column, top, 1, layout.plateTop - top);
  };
  for (let i = first; i <= last; i++) {
    const px = Math.floor(x(drawing.xMm[i] as number));
    if (px !== column) {
      flush();
      column = px;
      top = Infinity;
    }
    c.fillStyle = toothColour(palette, drawing, drawing.teeth[i] as number);
    top = Math.min(top, yPx(layout, drawing, drawing.yMm[i] as number));
  }
  flush();
}

/** A brass wedge over the gullet or tooth in hand. */
function drawCurrent({ context: c, palette, layout, x }: Sheet, drawing: SawDrawing): void {
  if (!drawing.current) return;
  const { at, unit } = drawing.current;
  const i = drawing.teeth.indexOf(at);
  const tip = i >= 0 ? (drawing.xMm[i] as number) : (drawing.xMm[0] as number) - drawing.pitchMm;
  const place = x(unit === 'gullet' ? tip + drawing.toothHeightMm * drawing.tanFace + drawing.pitchMm * 0.1 : tip);
  c.fillStyle = palette.brass;
  c.beginPath();
  c.moveTo(place, layout.tipY - 2);
  c.lineTo(place - 9, layout.tipY - 22);
  c.lineTo(place + 9, layout.tipY - 22);
  c.closePath();
  c.fill();
}
