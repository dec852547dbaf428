import { median } from '../units/median';
import type { PictureView } from './grey-picture';
import type { ToothBand } from './tooth-band';
import { onCurve } from './tooth-band';

/**
 * Grey of the two sides of the tooth line along it, so that uneven light is
 * followed: linear between the middles of `sections`.
 */
export interface LineLevels {
  /** Mean grey over the line (y less) and under it, for each section. */
  readonly over: Float64Array;
  readonly under: Float64Array;
  /** Grey levels the two sides scatter by, as a normal deviation. */
  readonly overNoise: number;
  readonly underNoise: number;
}

/** Sections the line is cut into, and how far from the line its sides are looked at, in half-widths of the band. */
const SECTIONS = 24;
const NEAR = 1.5;
const FAR = 2.6;

export function lineLevels(view: PictureView, band: ToothBand): LineLevels | null {
  const over = new Float64Array(SECTIONS);
  const under = new Float64Array(SECTIONS);
  const scatter = { over: [] as number[], under: [] as number[] };
  for (let s = 0; s < SECTIONS; s++) {
    const from = (view.widthPx * s) / SECTIONS;
    const to = (view.widthPx * (s + 1)) / SECTIONS;
    const above = side(view, band, from, to, -1);
    const below = side(view, band, from, to, 1);
    over[s] = above?.median ?? NaN;
    under[s] = below?.median ?? NaN;
    if (above) scatter.over.push(above.deviation);
    if (below) scatter.under.push(below.deviation);
  }
  leaveOutEnds(over, under);
  if (!mendGaps(over) || !mendGaps(under)) return null;
  return { over, under, overNoise: median(scatter.over), underNoise: median(scatter.under) };
}

/** Median and normal deviation (1.4826 times the median deviation) of one side's grey in a section. */
function side(
  view: PictureView,
  band: ToothBand,
  from: number,
  to: number,
  sign: 1 | -1,
): { median: number; deviation: number } | null {
  const counts = new Uint32Array(256);
  let seen = 0;
  const stepX = Math.max(1, (to - from) / 60);
  const stepY = Math.max(1, ((FAR - NEAR) * band.halfPx) / 12);
  for (let x = from; x < to; x += stepX) {
    const line = onCurve(band, view.widthPx, x);
    for (let off = NEAR * band.halfPx; off < FAR * band.halfPx; off += stepY) {
      const i = Math.floor(x);
      const j = Math.floor(line + sign * off);
      if (j < 0 || j >= view.heightPx || i >= view.widthPx) continue;
      const level = view.grey[view.origin + i * view.acrossStep + j * view.downStep] as number;
      counts[level] = (counts[level] as number) + 1;
      seen++;
    }
  }
  if (seen < 20) return null;
  const median = middleLevel(counts, seen);
  return { median, deviation: 1.4826 * middleDistance(counts, seen, median) };
}

/** Median of counted grey levels, the mean of the two middle ones where their number is even. */
function middleLevel(counts: Uint32Array, seen: number): number {
  const at = (rank: number): number => {
    let level = 0;
    for (let sum = counts[0] as number; sum <= rank; sum += counts[level] as number) level++;
    return level;
  };
  return (at((seen - 1) >> 1) + at(seen >> 1)) / 2;
}

/** Median of the distances of counted levels from a place among them; from a whole or a half level they come in two steps. */
function middleDistance(counts: Uint32Array, seen: number, from: number): number {
  const at = (rank: number): number => {
    let off = from === Math.floor(from) ? 0 : 0.5;
    for (let sum = 0; ; off++) {
      sum += (counts[from - off] ?? 0) + (off > 0 ? (counts[from + off] ?? 0) : 0);
      if (sum > rank) return off;
    }
  };
  return (at((seen - 1) >> 1) + at(seen >> 1)) / 2;
}

/** Beyond heel and toe both sides are background: sections with less than this share of the usual contrast say nothing. */
const LEAST_CONTRAST_SHARE = 0.4;

function leaveOutEnds(over: Float64Array, under: Float64Array): void {
  const contrasts = [...over.keys()]
    .map((s) => (over[s] as number) - (under[s] as number))
    .filter((c) => !Number.isNaN(c));
  const sign = Math.sign(median(contrasts)) || 1;
  const usual = median(contrasts.map((c) => c * sign).filter((c) => c > 0));
  for (let s = 0; s < over.length; s++) {
    if (!(((over[s] as number) - (under[s] as number)) * sign > LEAST_CONTRAST_SHARE * usual)) {
      over[s] = NaN;
      under[s] = NaN;
    }
  }
}

/** Sections out of the picture take their neighbours' level. False where none was seen at all. */
function mendGaps(levels: Float64Array): boolean {
  const seen = [...levels.keys()].filter((s) => !Number.isNaN(levels[s]));
  if (seen.length === 0) return false;
  for (let s = 0; s < levels.length; s++) {
    if (!Number.isNaN(levels[s])) continue;
    const near = seen.reduce((a, b) => (Math.abs(b - s) < Math.abs(a - s) ? b : a));
    levels[s] = levels[near] as number;
  }
  return true;
}

/** Level of one side at a place along the line. */
export function levelAt(levels: Float64Array, widthPx: number, x: number): number {
  const at = (x / widthPx) * levels.length - 0.5;
  const i = Math.min(Math.max(Math.floor(at), 0), levels.length - 2);
  const share = Math.min(Math.max(at - i, 0), 1);
  return (levels[i] as number) * (1 - share) + (levels[i + 1] as number) * share;
}

/** Plate begins at this share of the way from space to plate: a bevel's strip shines, and is plate. */
const PLATE_SHARE = 0.35;

/** Grey that parts plate from space at a place along the line. */
export function plateThreshold({ over, under }: LineLevels, widthPx: number, x: number): number {
  const space = levelAt(over, widthPx, x);
  return space + PLATE_SHARE * (levelAt(under, widthPx, x) - space);
}
