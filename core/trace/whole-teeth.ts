import { median } from '../units/median';
import type { Corner } from './corner';
import type { LineCorners } from './line-corners';
import { centresOf } from './raker-pairs';
import { FEWEST_TEETH } from './tip-line';

/** Teeth are evenly spaced and equally deep, but for so many of them: what is not is no saw. */
const REGULAR_SHARE = 0.6;
const REGULAR_OFF = 0.3;
/** Round rakers the spacing is another, and a notch is shallower than a gullet. */
const RAKERS_OFF = 0.5;

/** The teeth that are whole in the picture, and whether the line runs on beyond it. */
export interface WholeTeeth {
  readonly corners: LineCorners;
  readonly runsOutLeft: boolean;
  readonly runsOutRight: boolean;
}

/** Teeth that the picture's edge cuts through are left out, and that is said. */
export function wholeTeeth(profile: Float32Array, corners: LineCorners): WholeTeeth {
  const { pitchPx, depthPx } = corners;
  const reaches = (x: number): boolean => !Number.isNaN(profile[x]);
  const last = profile.length - 1;
  const [left, right] = [reaches(1), reaches(last - 1)];
  const inside = (x: number): boolean => (!left || x > 0.3 * pitchPx) && (!right || x < last - 0.3 * pitchPx);
  const keep = corners.tips.map((tip) => inside(tip.x));
  const from = Math.max(0, keep.indexOf(true));
  const to = keep.lastIndexOf(true) + 1;
  const tips = corners.tips.slice(from, to);
  const gullets = corners.gullets.slice(from, to + 1);
  // Level plate before the picture's edge, longer than any gullet's bottom, is the line's end.
  const low = (gullet: Corner | undefined, x: number): boolean =>
    gullet !== undefined && (profile[x] as number) < gullet.rise + LOW_DEPTH * depthPx;
  const bottom = median(gullets.slice(1, -1).map((gullet) => bottomWidth(profile, gullet, LOW_DEPTH * depthPx)));
  const clear = (edge: number, way: 1 | -1, gullet: Corner | undefined): boolean => {
    let stretch = 0;
    while (stretch <= last && low(gullet, edge + way * stretch)) stretch++;
    return stretch > LONGER * bottom + LONGER_PITCHES * pitchPx;
  };
  const pairs = corners.pairs.slice(from, Math.max(from, to - 1));
  return {
    corners: { ...corners, tips, gullets, pairs },
    runsOutLeft: left && !clear(1, 1, gullets[0]),
    runsOutRight: right && !clear(last - 1, -1, gullets[gullets.length - 1]),
  };
}

/** What is lower than this share of a tooth's depth over the gullet's bottom is its bottom; a line's end is so much longer. No source. */
const LOW_DEPTH = 0.25;
const LONGER = 1.2;
const LONGER_PITCHES = 0.05;

function bottomWidth(profile: Float32Array, { x: at, rise }: Corner, over: number): number {
  let wide = 1;
  const from = Math.round(at);
  for (const step of [-1, 1]) for (let x = from + step; (profile[x] ?? NaN) < rise + over; x += step) wide++;
  return wide;
}

/** Most steps are near one pitch, or two or three where teeth are lost, and most teeth are about as deep. */
export function isRegular({ tips, gullets, pairs, pitchPx, depthPx }: LineCorners, rakers: boolean): boolean {
  if (tips.length < FEWEST_TEETH) return false;
  const limit = rakers ? RAKERS_OFF : REGULAR_OFF;
  const near = (value: number, usual: number): boolean => Math.abs(value / usual - 1) < limit;
  const centres = centresOf(tips, pairs);
  const steps = centres.slice(1).map((x, i) => x - (centres[i] as number));
  const even = steps.filter((step) => near(step, pitchPx)).length;
  const deep = tips.filter((tip, i) =>
    near(tip.rise - ((gullets[i]?.rise ?? 0) + (gullets[i + 1]?.rise ?? 0)) / 2, depthPx),
  ).length;
  return even >= REGULAR_SHARE * steps.length && deep >= REGULAR_SHARE * tips.length && depthPx > 0.12 * pitchPx;
}
