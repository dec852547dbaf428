/** A made lens over a made bench, ray by ray: shares nothing with the product's own camera. For tests, the bench and the demo. */
import type { GreyPicture } from '../trace/grey-picture';
import { normal } from './made-line';
import { blur } from './made-scan';

/** A telephone over a bench. */
export interface LensScene {
  readonly widthPx: number;
  readonly heightPx: number;
  /** The lens: focal length px, bends, and how the camera stands off straight down, degrees. */
  readonly focalPx: number;
  readonly k1?: number;
  readonly k2?: number;
  readonly tiltXDeg?: number;
  readonly tiltYDeg?: number;
  readonly rollDeg?: number;
  /** How far the lens is over the bench, mm. */
  readonly heightMm: number;
  readonly blurPx?: number;
  readonly noise?: number;
  readonly unevenLight?: number;
}

/** Rays that stand apart so many pixels, and rays to a side of a pixel. */
const LATTICE_PX = 4;
const RAYS = 2;

/**
 * What a lens that looks at a place of the bench sees. `shade` gives the grey that a ray meets: it starts at the
 * lens, mm, and goes `across` and `down` so far for every mm towards the bench.
 */
export function exposed(
  scene: LensScene,
  [lookX, lookY]: readonly [number, number],
  random: () => number,
  shade: (lens: readonly [number, number], across: number, down: number) => number,
): GreyPicture {
  const { widthPx, heightPx, focalPx, heightMm } = scene;
  const { k1 = 0, k2 = 0, tiltXDeg = 0, tiltYDeg = 0, rollDeg = 0, noise = 2, blurPx = 0.7, unevenLight = 0 } = scene;
  const rad = Math.PI / 180;
  const [ca, sa] = [Math.cos(tiltXDeg * rad), Math.sin(tiltXDeg * rad)];
  const [cb, sb] = [Math.cos(tiltYDeg * rad), Math.sin(tiltYDeg * rad)];
  const [cc, sc] = [Math.cos(rollDeg * rad), Math.sin(rollDeg * rad)];
  /** A ray of the lens in the bench's own directions: x along, y down, z into the bench. */
  const turned = (x: number, y: number, z: number): readonly [number, number, number] => {
    const [x1, y1] = [cc * x - sc * y, sc * x + cc * y];
    const [y2, z2] = [ca * y1 - sa * z, sa * y1 + ca * z];
    return [cb * x1 + sb * z2, y2, -sb * x1 + cb * z2];
  };
  // The lens stands back along its own axis from where it looks, so high that its upright is heightMm.
  const axis = turned(0, 0, 1);
  const back = heightMm / axis[2];
  const lens = [lookX - axis[0] * back, lookY - axis[1] * back] as const;
  const slopesAt = (px: number, py: number): readonly [number, number] => {
    const [du, dv] = [(px - widthPx / 2) / focalPx, (py - heightPx / 2) / focalPx];
    // The bend undone, round by round.
    let [u, v] = [du, dv];
    if (k1 !== 0 || k2 !== 0)
      for (let round = 0; round < 12; round++) {
        const r2 = u * u + v * v;
        const bend = 1 + r2 * (k1 + r2 * k2);
        [u, v] = [du / bend, dv / bend];
      }
    const [x, y, z] = turned(u, v, 1);
    return [x / z, y / z];
  };
  // A lens bends little over a few pixels: rays stand so far apart, and those between them straight between.
  const [columns, rows] = [Math.ceil(widthPx / LATTICE_PX) + 1, Math.ceil(heightPx / LATTICE_PX) + 1];
  const [xs, ys] = [new Float64Array(columns * rows), new Float64Array(columns * rows)];
  for (let j = 0; j < rows; j++)
    for (let i = 0; i < columns; i++)
      [xs[j * columns + i], ys[j * columns + i]] = slopesAt(i * LATTICE_PX, j * LATTICE_PX);
  /** Between four rays of the lattice that begin at one place of it. */
  const between = (of: Float64Array, at: number, fx: number, fy: number): number =>
    (1 - fy) * ((1 - fx) * (of[at] as number) + fx * (of[at + 1] as number)) +
    fy * ((1 - fx) * (of[at + columns] as number) + fx * (of[at + columns + 1] as number));
  const values = new Float32Array(widthPx * heightPx);
  for (let j = 0; j < heightPx; j++)
    for (let i = 0; i < widthPx; i++) {
      let sum = 0;
      for (let n = 0; n < RAYS * RAYS; n++) {
        const px = (i + ((n % RAYS) + 0.5) / RAYS) / LATTICE_PX;
        const py = (j + (Math.floor(n / RAYS) + 0.5) / RAYS) / LATTICE_PX;
        const a = Math.floor(px);
        const b = Math.floor(py);
        const at = b * columns + a;
        sum += shade(lens, between(xs, at, px - a, py - b), between(ys, at, px - a, py - b));
      }
      const du = (i - widthPx / 2) / focalPx;
      const dv = (j - heightPx / 2) / focalPx;
      const light = 1 + unevenLight * ((i / widthPx - 0.5) * 1.1 - (du * du + dv * dv) * 0.6);
      values[j * widthPx + i] = (sum / (RAYS * RAYS)) * light;
    }
  blur(values, widthPx, heightPx, blurPx);
  const grey = new Uint8Array(values.length);
  for (let k = 0; k < values.length; k++)
    grey[k] = Math.max(0, Math.min(255, Math.round((values[k] as number) + noise * normal(random))));
  return { widthPx, heightPx, grey };
}
