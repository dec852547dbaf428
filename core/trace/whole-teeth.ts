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
  // The line goes on beyond the edge where there is no low, level plate before it.
  const low = (x: number): boolean => {
    const first = tips[0];
    return first !== undefined && first.rise - (profile[x] as number) > 0.5 * depthPx;
  };
  const clear = (tip: { x: number } | undefined, edge: number): boolean =>
    tip !== undefined && Math.abs(edge - tip.x) > 1.3 * pitchPx && low(edge === 0 ? 1 : last - 1);
  const pairs = corners.pairs.slice(from, Math.max(from, to - 1));
  return {
    corners: { ...corners, tips, gullets, pairs },
    runsOutLeft: left && !clear(tips[0], 0),
    runsOutRight: right && !clear(tips[tips.length - 1], last),
  };
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
