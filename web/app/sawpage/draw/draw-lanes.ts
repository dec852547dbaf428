import type { Lane, SawDrawing } from '../drawing';
import type { Sheet } from './sheet';

/** The lanes under the saw, each scaled to its own largest value. */
export function drawLanes(sheet: Sheet, drawing: SawDrawing): void {
  const frames = drawing.lanes.map((lane, k) => frameOf(sheet, lane, k));
  frames.forEach((frame) => drawFrame(sheet, frame));
  laneWords(sheet, frames);
  const places = placesOf(sheet, drawing);
  for (const frame of frames) if (frame.most > 0) drawValues(sheet, drawing, frame, places);
}

/** Where every tooth stands on the sheet, px: the same under every lane. */
function placesOf({ x, last }: Sheet, { xMm }: SawDrawing): Float64Array {
  const places = new Float64Array(Math.max(0, last + 1));
  for (let i = 0; i <= last; i++) places[i] = x(xMm[i] as number);
  return places;
}

/** Below this a lane is empty but for rounding: a nanometre, or a thousandth of a stroke. */
const NOTHING = 1e-6;

/** Where the words of the two sides stand from a lane's edges, and at the least from one another, px. */
const SIDE_INSET_PX = 11;
const SIDE_APART_PX = 14;

/** Where a lane lies on the sheet and how its values are scaled. px. */
interface Frame {
  readonly lane: Lane;
  readonly top: number;
  readonly zero: number;
  readonly most: number;
  readonly pxPerUnit: number;
}

function frameOf({ layout }: Sheet, lane: Lane, k: number): Frame {
  const top = layout.lanesTop + k * layout.laneHeight;
  const found = greatest(lane);
  const most = found < NOTHING ? 0 : found;
  const half = (layout.laneHeight - 12) / 2;
  return { lane, top, zero: top + layout.laneHeight / 2, most, pxPerUnit: most > 0 ? half / most : 0 };
}

function drawFrame({ context: c, palette, layout }: Sheet, { top, zero }: Frame): void {
  c.strokeStyle = palette.rule;
  c.lineWidth = 1;
  c.strokeRect(layout.left - 0.5, Math.round(top) + 2.5, layout.right - layout.left + 1, layout.laneHeight - 6);
  c.beginPath();
  c.moveTo(layout.left, Math.round(zero) + 0.5);
  c.lineTo(layout.right, Math.round(zero) + 0.5);
  c.stroke();
}

function drawValues(sheet: Sheet, drawing: SawDrawing, frame: Frame, places: Float64Array): void {
  const { context: c, layout } = sheet;
  const { lane, top } = frame;
  c.save();
  c.beginPath();
  c.rect(layout.left, top, layout.right - layout.left, layout.laneHeight);
  c.clip();
  if (lane.before) drawBars(sheet, drawing, lane.before, { ...frame, places, behind: true });
  drawBars(sheet, drawing, lane.values, { ...frame, places, behind: false });
  c.restore();
}

/** All words of a kind one after the other: a change of font is dear. */
function laneWords({ context: c, palette, layout }: Sheet, frames: readonly Frame[]): void {
  c.textAlign = 'left';
  c.textBaseline = 'middle';
  c.fillStyle = palette.text;
  c.font = '600 12px "IBM Plex Sans", sans-serif';
  for (const { lane, zero } of frames) c.fillText(lane.name, 12, zero - 8);
  c.fillStyle = palette.quiet;
  c.font = '400 11px "IBM Plex Sans", sans-serif';
  for (const { lane, zero, most } of frames)
    c.fillText(most > 0 ? `to ${lane.say(most)}` : 'nothing yet', 12, zero + 8);
  c.textAlign = 'right';
  // In a low lane they stand nearer to its edges, so that neither is written over the other.
  const inset = Math.min(SIDE_INSET_PX, (layout.laneHeight - SIDE_APART_PX) / 2);
  for (const { lane, top } of frames) {
    if (lane.kind !== 'sides') continue;
    c.fillText('left', layout.left - 6, top + inset);
    c.fillText('right', layout.left - 6, top + layout.laneHeight - inset);
  }
}

function greatest(lane: Lane): number {
  let most = 0;
  for (const values of [lane.values, lane.before]) {
    for (const value of values ?? []) if (Math.abs(value) > most) most = Math.abs(value);
  }
  return most;
}

/** One bar a tooth, or one span a px column where teeth are finer than that. */
function drawBars(
  sheet: Sheet,
  drawing: SawDrawing,
  values: Float64Array,
  { lane, zero, pxPerUnit, places, behind }: Frame & { readonly places: Float64Array; readonly behind: boolean },
): void {
  const { context: c, palette, first, last, pxPerTooth } = sheet;
  const width = Math.max(1, Math.min(7, pxPerTooth * 0.45)) * (behind ? 1.8 : 1);
  let column = NaN;
  let [low, high] = [0, 0];
  let filled = '';
  const flush = (): void => {
    if (Number.isNaN(column)) return;
    const out = Math.max(Math.abs(low), Math.abs(high)) > lane.limit;
    const fill = behind ? palette.plate : out ? palette.lead : palette.ink;
    // Said once for many bars: a colour is read anew each time it is set.
    if (fill !== filled) c.fillStyle = filled = fill;
    c.fillRect(column - width / 2, zero - high * pxPerUnit, width, Math.max(1, (high - low) * pxPerUnit));
  };
  for (let i = first; i <= last; i++) {
    const raw = values[i];
    if (raw === undefined || Number.isNaN(raw)) continue;
    const value = lane.kind === 'sides' && drawing.leans[i] === 'right' ? -raw : raw;
    const place = places[i] as number;
    const px = pxPerTooth < 2 ? Math.floor(place) : place;
    if (px !== column) {
      flush();
      column = px;
      [low, high] = [0, 0];
    }
    low = Math.min(low, value);
    high = Math.max(high, value);
  }
  flush();
}
