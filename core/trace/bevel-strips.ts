import { median } from '../units/median';
import type { FlankLine } from './flank-line';
import { flankX } from './flank-line';
import type { PictureView } from './grey-picture';
import { greyAt } from './grey-picture';
import type { MeasuredCorner } from './measure-corners';

/** A bevel seen beside a flank as a strip of another grey, along the tooth line; px. `widthPx` 0 where the plate's own grey goes up to the edge. */
export interface BevelStrip {
  readonly widthPx: number;
  readonly errorPx: number;
  /** The strip's grey less the plate's. */
  readonly contrast: number;
}

/** Looks along a flank that one strip is drawn from, their depths between tip and gullet. */
const LOOKS = 20;
const FROM_DEPTH = 0.3;
const TO_DEPTH = 0.7;
const STEP_PX = 0.5;
/** Beside the edge so many blurs belong to it; a strip and the plate behind it are so many px wide at the least. */
const EDGE_BLURS = 2.2;
const LEAST_PX = 1.5;
/** A strip's grey differs from the plate's by this, and by so many of the noise's errors; and the step explains this share of what varies. */
const LEAST_CONTRAST = 6;
const CONTRAST_ERRORS = 6;
const EXPLAINS = 0.6;
/** Of a line whose light shows bevels, so many flanks show one. */
const FEWEST_SHARE = 0.2;

/**
 * Bevels along the flanks of a line, where the light shows them: the grey beside each flank, its looks laid on each
 * other along the flank (a bevel's inner edge runs along it), is one step from the strip's to the plate's. Null where
 * too little of the plate is seen beside the flank, or where hardly any flank of the line shows a strip.
 */
export function bevelStrips(
  view: PictureView,
  measured: readonly MeasuredCorner[],
  noise: number,
): readonly { readonly left: BevelStrip | null; readonly right: BevelStrip | null }[] {
  const strips = measured.map((corner) => ({
    left: corner.left && stripBeside(view, corner, corner.left, corner.right, 1, noise),
    right: corner.right && stripBeside(view, corner, corner.right, corner.left, -1, noise),
  }));
  const all = strips.flatMap(({ left, right }) => [left, right].flatMap((s) => (s ? [s] : [])));
  const shown = all.filter((s) => s.widthPx > 0);
  if (shown.length < FEWEST_SHARE * all.length || shown.length < 4)
    return strips.map(() => ({ left: null, right: null }));
  // Rust and dust make steps of any grey: a bevel has the others' on its side.
  const usual = median(shown.map((s) => Math.abs(s.contrast)));
  const like = (s: BevelStrip | null): BevelStrip | null =>
    s && s.widthPx > 0 && Math.abs(s.contrast) < 0.4 * usual ? null : s;
  return strips.map(({ left, right }) => ({ left: like(left), right: like(right) }));
}

/** `into`: the way from the flank into the tooth along the line. */
function stripBeside(
  view: PictureView,
  corner: MeasuredCorner,
  flank: FlankLine,
  other: FlankLine | null,
  into: 1 | -1,
  noise: number,
): BevelStrip | null {
  const depth = corner.roughDepthPx;
  const from = corner.tip.y + FROM_DEPTH * depth;
  const to = corner.tip.y + TO_DEPTH * depth;
  // To the tooth's middle at its narrowest look.
  const room = other ? Math.abs(flankX(other, from) - flankX(flank, from)) * 0.62 : 0.3 * depth;
  const size = Math.hypot(1, flank.lean);
  const edge = Math.max(2, EDGE_BLURS * flank.blurPx) * size;
  const steps = Math.floor((room - edge) / STEP_PX);
  if (steps * STEP_PX < 2 * LEAST_PX) return null;
  const looks = Math.max(4, Math.min(LOOKS, Math.floor(to - from)));
  const mean = new Float64Array(steps);
  for (let n = 0; n < looks; n++) {
    const y = from + ((n + 0.5) / looks) * (to - from);
    const x = flankX(flank, y) + into * edge;
    for (let k = 0; k < steps; k++) mean[k] = (mean[k] as number) + greyAt(view, x + into * k * STEP_PX, y) / looks;
  }
  const whole = mean.reduce((s, g) => s + g, 0) / steps;
  const spread = mean.reduce((s, g) => s + (g - whole) ** 2, 0);
  let best = { k: 0, rest: Infinity, strip: 0, plate: 0 };
  const least = Math.ceil(LEAST_PX / STEP_PX);
  let sum = 0;
  let squares = 0;
  const [total, totalSquares] = [whole * steps, mean.reduce((s, g) => s + g * g, 0)];
  for (let k = 0; k < steps; k++) {
    const left = k;
    if (left >= least && steps - left >= least) {
      const [strip, plate] = [sum / left, (total - sum) / (steps - left)];
      const rest = squares - left * strip ** 2 + (totalSquares - squares) - (steps - left) * plate ** 2;
      if (rest < best.rest) best = { k, rest, strip, plate };
    }
    sum += mean[k] as number;
    squares += (mean[k] as number) ** 2;
  }
  const contrast = best.strip - best.plate;
  const meanNoise = noise / Math.sqrt(looks / 2);
  const shows =
    Math.abs(contrast) > Math.max(LEAST_CONTRAST, CONTRAST_ERRORS * meanNoise) && best.rest < (1 - EXPLAINS) * spread;
  if (!shows) return { widthPx: 0, errorPx: 0, contrast: 0 };
  // The step's place by the area under it.
  const reach = Math.ceil((2.5 * flank.blurPx * size) / STEP_PX);
  const [a, b] = [Math.max(0, best.k - reach), Math.min(steps - 1, best.k + reach)];
  const level = (from: number, to: number): number => {
    let grey = 0;
    for (let k = from; k < to; k++) grey += (mean[k] as number) / (to - from);
    return grey;
  };
  // Clear of the step's own blur, where there is room.
  const [strip, plate] = [level(0, Math.max(1, a)), level(Math.min(b, steps - 2), steps)];
  let area = 0;
  for (let k = a; k <= b; k++)
    area += (((mean[k] as number) - plate) / (strip - plate)) * (k === a || k === b ? 0.5 : 1) * STEP_PX;
  return {
    widthPx: edge + a * STEP_PX + area,
    errorPx: Math.hypot((meanNoise / Math.abs(contrast)) * Math.sqrt((b - a) * STEP_PX * 2), 0.15),
    contrast,
  };
}
