import type { Lane, SawDrawing } from '../drawing';
import type { Sheet } from './sheet';

/** The lanes under the saw, each scaled to its own largest value. */
export function drawLanes(sheet: Sheet, drawing: SawDrawing): void {
  drawing.lanes.forEach((lane, k) => drawLane(sheet, drawing, lane, k));
}

/** Below this a lane is empty but for rounding: a nanometre, or a thousandth of a stroke. */
const NOTHING = 1e-6;

interface Frame {
  readonly zero: number;
  readonly pxPerUnit: number;
}

function drawLane(sheet: Sheet, drawing: SawDrawing, lane: Lane, k: number): void {
  const { context: c, palette, layout } = sheet;
  const top = layout.lanesTop + k * layout.laneHeight;
  const found = greatest(lane);
  const most = found < NOTHING ? 0 : found;
  const half = (layout.laneHeight - 12) / 2;
  const frame: Frame = { zero: top + layout.laneHeight / 2, pxPerUnit: most > 0 ? half / most : 0 };
  c.strokeStyle = palette.rule;
  c.lineWidth = 1;
  c.strokeRect(layout.left - 0.5, Math.round(top) + 2.5, layout.right - layout.left + 1, layout.laneHeight - 6);
  c.beginPath();
  c.moveTo(layout.left, Math.round(frame.zero) + 0.5);
  c.lineTo(layout.right, Math.round(frame.zero) + 0.5);
  c.stroke();
  laneWords(sheet, lane, frame, top, most);
  if (most === 0) return;
  c.save();
  c.beginPath();
  c.rect(layout.left, top, layout.right - layout.left, layout.laneHeight);
  c.clip();
  if (lane.before) drawBars(sheet, drawing, lane, lane.before, frame, true);
  drawBars(sheet, drawing, lane, lane.values, frame, false);
  c.restore();
}

function laneWords({ context: c, palette, layout }: Sheet, lane: Lane, frame: Frame, top: number, most: number): void {
  c.textAlign = 'left';
  c.textBaseline = 'middle';
  c.fillStyle = palette.text;
  c.font = '600 12px "IBM Plex Sans", sans-serif';
  c.fillText(lane.name, 12, frame.zero - 8);
  c.fillStyle = palette.quiet;
  c.font = '400 11px "IBM Plex Sans", sans-serif';
  c.fillText(most > 0 ? `to ${lane.say(most)}` : 'nothing yet', 12, frame.zero + 8);
  if (lane.kind !== 'sides') return;
  c.textAlign = 'right';
  c.fillText('left', layout.left - 6, top + 11);
  c.fillText('right', layout.left - 6, top + layout.laneHeight - 11);
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
  lane: Lane,
  values: Float64Array,
  frame: Frame,
  behind: boolean,
): void {
  const { context: c, palette, x, first, last, pxPerTooth } = sheet;
  const width = Math.max(1, Math.min(7, pxPerTooth * 0.45)) * (behind ? 1.8 : 1);
  let column = NaN;
  let [low, high] = [0, 0];
  const flush = (): void => {
    if (Number.isNaN(column)) return;
    const out = Math.max(Math.abs(low), Math.abs(high)) > lane.limit;
    c.fillStyle = behind ? palette.plate : out ? palette.lead : palette.ink;
    c.fillRect(
      column - width / 2,
      frame.zero - high * frame.pxPerUnit,
      width,
      Math.max(1, (high - low) * frame.pxPerUnit),
    );
  };
  for (let i = first; i <= last; i++) {
    const raw = values[i];
    if (raw === undefined || Number.isNaN(raw)) continue;
    const value = lane.kind === 'sides' && drawing.leans[i] === 'right' ? -raw : raw;
    const place = x(drawing.xMm[i] as number);
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
