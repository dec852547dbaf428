import { linearRegression } from 'simple-statistics';
import { median } from '../units/median';
import type { FittedBump } from './edge-bump';
import { bumpShape, fitBump } from './edge-bump';

/** Wall beside a tooth that its own bump is fitted with, in pitches. */
const WINDOW = 0.75;
/** What stands out by more of the usual set than this is no tooth: a strip's end, a burr, a clamp. */
const MOST_OF_USUAL = 2.5;
/** Teeth of less than this of the usual set are found by their spacing alone. */
const FAINT = 0.35;

/** One side of the plate: its wall, and what stands out of it. mm. */
export interface Side {
  readonly wallAt: (x: number) => number;
  readonly bumps: readonly FittedBump[];
  readonly fitAt: (x: number) => FittedBump;
}

/** Where the plate's edge is seen, mm; y is out of the plate. */
interface Column {
  readonly x: number;
  readonly y: number;
}

/** One side of the plate by its columns from left to right: the wall between the teeth, and the teeth that stand out of it. */
export function sideOf(columns: readonly Column[], pitchMm: number, blurMm: number): Side {
  // The wall is what lies low: the lower half of what is seen over some pitches, straight between.
  const step = 2 * pitchMm;
  const knots: { x: number; y: number }[] = [];
  const end = (columns[columns.length - 1] as Column).x;
  for (let x = step / 2; x < end; x += step) {
    const near = columns.filter((c) => Math.abs(c.x - x) < 2 * step);
    if (near.length < 8) continue;
    knots.push({ x, y: wallLevel(near, x) });
  }
  const wallAt = (x: number): number => {
    const onward = knots.findIndex((knot) => knot.x > x);
    const k = Math.max(0, Math.min(knots.length - 2, (onward < 0 ? knots.length : onward) - 1));
    const [a, b] = [knots[k] ?? { x: 0, y: 0 }, knots[k + 1] ?? knots[k] ?? { x: 1, y: 0 }];
    // Before the first and beyond the last of them as straight on as between the two nearest.
    return b.x === a.x ? a.y : a.y + ((x - a.x) / (b.x - a.x)) * (b.y - a.y);
  };
  const offs = columns.map(({ x, y }) => ({ x, off: y - wallAt(x) }));
  const window = (x: number): { xs: number[]; offs: number[]; x: number } => {
    const near = offs.filter((c) => Math.abs(c.x - x) < WINDOW * pitchMm);
    return { xs: near.map((c) => c.x), offs: near.map((c) => c.off), x };
  };
  const all = peaksOf(offs, pitchMm);
  // Beside the ends of what is seen a tooth is not whole.
  const [start, stop] = [(columns[0] as Column).x, end];
  const peaks = all.filter((p) => p.x - start > 0.5 * pitchMm && stop - p.x > 0.5 * pitchMm);
  const usual = median(peaks.map((p) => p.off));
  const clear = peaks.filter((p) => p.off > 0.5 * usual && p.off < MOST_OF_USUAL * usual);
  // Laid on each other by their highest columns first, then by their fitted places.
  let places = clear.map((p) => p.x);
  let shape = bumpShape(places.map(window), pitchMm, blurMm);
  places = places.map((x) => fitBump(window(x), shape, blurMm).x);
  shape = bumpShape(places.map(window), pitchMm, blurMm);
  const fitAt = (x: number): FittedBump => fitBump(window(x), shape, blurMm);
  return { wallAt, bumps: clear.map((p) => fitAt(p.x)), fitAt };
}

/** The level of a wall near a place: the middle of the lowest part of what stands there, a straight line taken out. */
function wallLevel(near: readonly Column[], x: number): number {
  let kept = [...near];
  let line = { m: 0, b: 0 };
  for (let round = 0; round < 4; round++) {
    line = linearRegression(kept.map((c) => [c.x - x, c.y]));
    const offs = near.map((c) => c.y - line.m * (c.x - x) - line.b);
    const middle = median(offs);
    const low = median(offs.filter((o) => o <= middle));
    const scatter = 1.4826 * median(offs.filter((o) => o < low + 0.02).map((o) => Math.abs(o - low))) + 0.004;
    kept = near.filter((_, i) => Math.abs((offs[i] as number) - low) < 2.5 * scatter);
    if (kept.length < 6) break;
  }
  return kept.length < 6 ? line.b : linearRegression(kept.map((c) => [c.x - x, c.y])).b;
}

/** Places that stand out furthest within most of a pitch to either side. */
function peaksOf(offs: readonly { x: number; off: number }[], pitchMm: number): { x: number; off: number }[] {
  const sorted = [...offs].sort((a, b) => b.off - a.off);
  const level = (sorted[Math.floor(0.05 * sorted.length)]?.off ?? 0) * FAINT;
  const taken: { x: number; off: number }[] = [];
  for (const one of sorted) {
    if (one.off < level) break;
    if (taken.every((t) => Math.abs(t.x - one.x) > 0.7 * pitchMm)) taken.push(one);
  }
  return taken;
}

/** A tooth of either side; `faint` where only the spacing says that one stands there. */
export interface SidedBump {
  readonly x: number;
  readonly side: 'up' | 'down';
  readonly bump: FittedBump;
  readonly faint: boolean;
}

/** Teeth of both sides from the left; where one is missing between two by their spacing, it is looked for there on both sides. */
export function inOrder(upper: Side, lower: Side, pitchMm: number): SidedBump[] {
  const all = [
    ...upper.bumps.map((bump) => ({ x: bump.x, side: 'up' as const, bump, faint: false })),
    ...lower.bumps.map((bump) => ({ x: bump.x, side: 'down' as const, bump, faint: false })),
  ].sort((a, b) => a.x - b.x);
  // Of two that stand at one place the greater is the tooth.
  const clear = all.filter((one) =>
    all.every((o) => o === one || Math.abs(o.x - one.x) > 0.45 * pitchMm || o.bump.heightMm < one.bump.heightMm),
  );
  const out: SidedBump[] = [];
  for (const one of clear) {
    const before = out[out.length - 1];
    const lost = before ? Math.round((one.x - before.x) / pitchMm) - 1 : 0;
    if (before)
      for (let k = 1; k <= lost; k++) {
        const x = before.x + (k * (one.x - before.x)) / (lost + 1);
        const [up, low] = [upper.fitAt(x), lower.fitAt(x)];
        const bump = up.heightMm >= low.heightMm ? up : low;
        out.push({ x, side: bump === up ? 'up' : 'down', bump, faint: true });
      }
    out.push(one);
  }
  return out;
}
