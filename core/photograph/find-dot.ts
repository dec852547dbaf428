import type { GreyPicture } from '../trace/grey-picture';
import type { Homography, Place } from './homography';
import { mapped } from './homography';
import { DOT_DIAMETER_MM } from './measuring-strip';

/** A printed dot as it lies in a picture, px. */
export interface SeenDot {
  readonly at: Place;
  /** Grey of the paper about it and of its own ink. */
  readonly paper: number;
  readonly ink: number;
  /** Blur of its rim, as the deviation of a normal curve, px. */
  readonly blurPx: number;
}

/** Paper is looked at between these distances from a dot's middle, in its radii; ink within that one. */
const PAPER_FROM = 1.45;
const PAPER_TO = 1.9;
const INK_TO = 0.45;
const LEAST_CONTRAST = 30;
const LEAST_RADIUS_PX = 2.2;
/** Its ink covers what it should to this share; its middle lies no further from where it was looked for, in radii. */
const AREA_OFF = 0.3;
const MOST_OFF = 0.9;
/** Paper about a dot scatters by no more than this share of its contrast: else something lies over it. */
const MOST_SCATTER = 0.25;

/**
 * A dot's middle as the centre of its ink's grey, near where a map of its strip expects it (mm to px); null where
 * what is there is no whole dot. Rounds about the middle found, since the window must lie evenly about it.
 */
export function findDot(picture: GreyPicture, strip: Homography, middle: Place): SeenDot | null {
  const [x0, y0] = mapped(strip, middle);
  const radius = DOT_DIAMETER_MM / 2;
  const [ex, ey] = mapped(strip, [middle[0] + radius, middle[1]]);
  const [fx, fy] = mapped(strip, [middle[0], middle[1] + radius]);
  const [ax, ay, bx, by] = [ex - x0, ey - y0, fx - x0, fy - y0];
  const size = ax * by - ay * bx;
  const radiusPx = Math.sqrt(Math.abs(size));
  if (!(radiusPx >= LEAST_RADIUS_PX)) return null;
  let [x, y] = [x0, y0];
  let seen: SeenDot | null = null;
  for (let round = 0; round < 3; round++) {
    const window = lookAt(picture, { x, y, ax, ay, bx, by, size });
    if (!window) return null;
    seen = window;
    [x, y] = window.at;
    if (Math.hypot(x - x0, y - y0) > MOST_OFF * radiusPx) return null;
  }
  return seen;
}

interface Window {
  readonly x: number;
  readonly y: number;
  readonly ax: number;
  readonly ay: number;
  readonly bx: number;
  readonly by: number;
  readonly size: number;
}

function lookAt({ widthPx, heightPx, grey }: GreyPicture, w: Window): SeenDot | null {
  const reachX = Math.ceil(PAPER_TO * Math.hypot(w.ax, w.bx));
  const reachY = Math.ceil(PAPER_TO * Math.hypot(w.ay, w.by));
  const [left, top] = [Math.floor(w.x - reachX), Math.floor(w.y - reachY)];
  const [right, bottom] = [Math.ceil(w.x + reachX), Math.ceil(w.y + reachY)];
  if (left < 1 || top < 1 || right >= widthPx - 1 || bottom >= heightPx - 1) return null;
  const paper: number[] = [];
  const ink: number[] = [];
  /** Distance from the middle in the dot's own radii. */
  const awayAt = (i: number, j: number): number => {
    const [dx, dy] = [i + 0.5 - w.x, j + 0.5 - w.y];
    const [u, v] = [(dx * w.by - dy * w.bx) / w.size, (dy * w.ax - dx * w.ay) / w.size];
    // The careful hypot is ten times as slow, and this is asked ten million times.
    return Math.sqrt(u * u + v * v);
  };
  for (let j = top; j <= bottom; j++)
    for (let i = left; i <= right; i++) {
      const away = awayAt(i, j);
      const value = grey[j * widthPx + i] as number;
      if (away >= PAPER_FROM && away <= PAPER_TO) paper.push(value);
      else if (away <= INK_TO) ink.push(value);
    }
  if (paper.length < 12 || ink.length < 2) return null;
  paper.sort((a, b) => a - b);
  ink.sort((a, b) => a - b);
  const [white, black] = [paper[paper.length >> 1] as number, ink[ink.length >> 1] as number];
  const contrast = white - black;
  const scatter = (paper[Math.floor(0.9 * paper.length)] as number) - (paper[Math.floor(0.1 * paper.length)] as number);
  if (contrast < LEAST_CONTRAST || scatter > MOST_SCATTER * contrast * 2) return null;
  let [sum, sx, sy] = [0, 0, 0];
  // A rim lies every way: what was shaken along one is blurred there alone.
  let [steepX, steepY] = [0, 0];
  for (let j = top; j <= bottom; j++)
    for (let i = left; i <= right; i++) {
      const away = awayAt(i, j);
      if (away > PAPER_FROM) continue;
      const at = j * widthPx + i;
      const share = Math.max(0, Math.min(1.15, (white - (grey[at] as number)) / contrast));
      sum += share;
      sx += share * (i + 0.5);
      sy += share * (j + 0.5);
      if (away > 0.6 && away < 1.4) {
        const gx = ((grey[at + 1] as number) - (grey[at - 1] as number)) / 2;
        const gy = ((grey[at + widthPx] as number) - (grey[at - widthPx] as number)) / 2;
        [steepX, steepY] = [Math.max(steepX, Math.abs(gx)), Math.max(steepY, Math.abs(gy))];
      }
    }
  if (Math.abs(sum / (Math.PI * Math.abs(w.size)) - 1) > AREA_OFF) return null;
  // A step blurred by a normal curve of deviation s is steepest by contrast / (s sqrt(2 pi)); the middle difference blurs by a third of a pixel's square.
  const steepest = Math.min(steepX, steepY);
  const whole = steepest > 0 ? contrast / (steepest * Math.sqrt(2 * Math.PI)) : Infinity;
  return {
    at: [sx / sum, sy / sum],
    paper: white,
    ink: black,
    blurPx: Math.sqrt(Math.max(0, whole * whole - 1 / 3)),
  };
}
