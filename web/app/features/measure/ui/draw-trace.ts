import type { Palette } from '../../../sawpage/draw/palette';
import { gulletOutline, topOutline } from '@odontis/core/trace/trace-outline';
import type { PicturePlace, ScanFrame, TracedLine, TracedTooth } from '@odontis/core/trace/traced-line';

export interface TraceView {
  readonly context: CanvasRenderingContext2D;
  readonly palette: Palette;
  readonly width: number;
  readonly height: number;
  /** Picture to screen: screen = k picture + x, y. */
  readonly k: number;
  readonly x: number;
  readonly y: number;
}

/** Below this many screen pixels a tooth, only what wants a look is marked. */
const MARKED_FROM_PX = 9;
const NUMBERED_FROM_PX = 34;

/**
 * The trace over its picture: the outline from tip to gullet, a dot at each tip,
 * doubtful teeth marked by shape over the line (triangle: look; cross: broken; ring:
 * missing), the chosen one ringed. Only what is in sight is drawn.
 */
export function drawTrace(view: TraceView, line: TracedLine, scan: number, selected: number | null): void {
  const { context: c, palette } = view;
  const teeth = line.teeth.filter((t) => t.scan === scan);
  const at = (p: PicturePlace): [number, number] => [view.k * p.x + view.x, view.k * p.y + view.y];
  const inSight = (t: TracedTooth): boolean => {
    const [x, y] = at(t.tipPx);
    return x > -60 && x < view.width + 60 && y > -200 && y < view.height + 200;
  };
  const seen = teeth.filter(inSight);
  const perTooth = teeth.length > 1 ? stepPx(teeth) * view.k : 0;
  const frame = line.frames[scan];
  c.lineJoin = 'round';
  // Of a rim only the points are drawn: each tooth's picture lies on a grid of its own.
  for (const [width, colour] of line.rim
    ? []
    : ([
        [4, palette.paper],
        [1.6, palette.ink],
      ] as const)) {
    c.beginPath();
    let open = false;
    seen.forEach((t, i) => {
      // Beside a lost tooth there is no gullet to be drawn: the outline breaks off.
      if (t.kind === 'missing') {
        open = false;
        return;
      }
      const fine = frame && perTooth > MARKED_FROM_PX;
      const top = fine ? topOutline(t).map(([xMm, yMm]) => at(inPicture(frame, xMm, yMm))) : [at(t.tipPx)];
      top.forEach(([x, y], k) => (open || k > 0 ? c.lineTo(x, y) : c.moveTo(x, y)));
      open = true;
      const next = seen[i + 1];
      if (frame && next && next.kind !== 'missing' && perTooth > 3)
        for (const [xMm, yMm] of gulletOutline(t, next)) c.lineTo(...at(inPicture(frame, xMm, yMm)));
    });
    c.lineWidth = width;
    c.strokeStyle = colour;
    c.stroke();
  }
  for (const t of seen) {
    const [x, y] = at(t.tipPx);
    if (perTooth >= MARKED_FROM_PX && t.kind === 'tooth') dot(c, x, y, 2.6, palette.ink, palette.paper);
    if (t.doubts.length > 0) doubtMark(view, t, x, y);
    if (t.tooth === selected) ring(c, x, y, palette.brass);
    if (perTooth >= NUMBERED_FROM_PX || t.tooth === selected) number(view, t, x, y);
  }
}

/** Places marked one by one, with what stands beside them where there is room. */
export function drawPoints(view: TraceView, points: readonly (PicturePlace & { readonly says: string })[]): void {
  const { context: c, palette } = view;
  const [first, last] = [points[0], points[points.length - 1]];
  if (!first || !last) return;
  const step = (Math.abs(last.x - first.x) / Math.max(1, points.length - 1)) * view.k;
  points.forEach(({ x, y, says }) => {
    const [px, py] = [view.k * x + view.x, view.k * y + view.y];
    if (px < -60 || px > view.width + 60) return;
    dot(c, px, py, 3, palette.ink, palette.paper);
    if (step >= NUMBERED_FROM_PX) label(c, says, px, py);
  });
}

/** A place of the line, mm, on its scan: the scan's own turn and scale undone. */
function inPicture({ x, y }: ScanFrame, xMm: number, yMm: number): PicturePlace {
  const size = x[0] * y[1] - x[1] * y[0];
  const [dx, dy] = [xMm - x[2], yMm - y[2]];
  return { x: (y[1] * dx - x[1] * dy) / size, y: (x[0] * dy - y[0] * dx) / size };
}

/** Distance between neighbouring tips of the picture. */
function stepPx(teeth: readonly TracedTooth[]): number {
  const [a, b] = [teeth[0] as TracedTooth, teeth[teeth.length - 1] as TracedTooth];
  return Math.hypot(b.tipPx.x - a.tipPx.x, b.tipPx.y - a.tipPx.y) / (teeth.length - 1);
}

function dot(c: CanvasRenderingContext2D, x: number, y: number, r: number, fill: string, edge: string): void {
  c.beginPath();
  c.arc(x, y, r, 0, 2 * Math.PI);
  c.fillStyle = fill;
  c.fill();
  c.lineWidth = 1;
  c.strokeStyle = edge;
  c.stroke();
}

function ring(c: CanvasRenderingContext2D, x: number, y: number, colour: string): void {
  c.beginPath();
  c.arc(x, y, 9, 0, 2 * Math.PI);
  c.lineWidth = 3;
  c.strokeStyle = colour;
  c.stroke();
}

function doubtMark({ context: c, palette }: TraceView, t: TracedTooth, x: number, y: number): void {
  const top = y - 18;
  c.beginPath();
  if (t.kind === 'broken') {
    c.moveTo(x - 5, top - 5);
    c.lineTo(x + 5, top + 5);
    c.moveTo(x + 5, top - 5);
    c.lineTo(x - 5, top + 5);
  } else if (t.kind === 'missing') c.arc(x, top, 5, 0, 2 * Math.PI);
  else {
    c.moveTo(x - 5, top - 5);
    c.lineTo(x + 5, top - 5);
    c.lineTo(x, top + 5);
    c.closePath();
  }
  c.lineWidth = 5;
  c.strokeStyle = palette.paper;
  c.stroke();
  c.lineWidth = 2.5;
  c.strokeStyle = t.kind === 'tooth' ? palette.brass : palette.lead;
  c.stroke();
}

/** A scan is as bright by night as by day: figures on it keep their own colours on either sheet. */
const [FIGURE, HALO] = ['#1c1c22', '#ffffff'];

const number = ({ context }: TraceView, t: TracedTooth, x: number, y: number): void =>
  label(context, String(t.tooth), x, y);

function label(c: CanvasRenderingContext2D, says: string, x: number, y: number): void {
  c.font = "600 12px 'IBM Plex Sans'";
  c.textAlign = 'center';
  c.lineWidth = 4;
  c.strokeStyle = HALO;
  c.strokeText(says, x, y - 28);
  c.fillStyle = FIGURE;
  c.fillText(says, x, y - 28);
}
