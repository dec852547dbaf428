import type { GreyPicture } from '../trace/grey-picture';
import { median } from '../units/median';
import type { Camera } from './camera';
import { projector } from './camera';
import type { Place } from './homography';

/** Places are projected this many pixels apart and drawn straight between: a lens bends far less over so little. */
const LATTICE_PX = 8;

/**
 * What the camera saw, drawn anew on a grid whose pixel (i, j) lies at `benchAt(i, j)` of the bench, mm, `z` mm from
 * it (negative over it). `benchAt` is smooth.
 */
export function drawGrid(
  picture: GreyPicture,
  camera: Camera,
  size: { readonly widthPx: number; readonly heightPx: number },
  benchAt: (i: number, j: number) => Place,
  z: number,
): GreyPicture {
  const { widthPx, heightPx } = size;
  const project = projector(camera);
  const columns = Math.ceil(widthPx / LATTICE_PX) + 1;
  const rows = Math.ceil(heightPx / LATTICE_PX) + 1;
  const [us, vs] = [new Float64Array(columns * rows), new Float64Array(columns * rows)];
  for (let j = 0; j < rows; j++)
    for (let i = 0; i < columns; i++) {
      const [x, y] = benchAt(i * LATTICE_PX, j * LATTICE_PX);
      const [u, v] = project(x, y, z);
      us[j * columns + i] = u;
      vs[j * columns + i] = v;
    }
  const out = new Uint8Array(widthPx * heightPx);
  for (let j = 0; j < heightPx; j++) {
    const row = Math.floor((j + 0.5) / LATTICE_PX);
    const fy = (j + 0.5) / LATTICE_PX - row;
    for (let i = 0; i < widthPx; i++) {
      const column = Math.floor((i + 0.5) / LATTICE_PX);
      const fx = (i + 0.5) / LATTICE_PX - column;
      const at = row * columns + column;
      const u = between(us, at, columns, fx, fy);
      out[j * widthPx + i] = cubicAt(picture, u, between(vs, at, columns, fx, fy));
    }
  }
  return { widthPx, heightPx, grey: out };
}

/** A value of the lattice between four of its places. */
const between = (values: Float64Array, at: number, columns: number, fx: number, fy: number): number =>
  (1 - fy) * ((1 - fx) * (values[at] as number) + fx * (values[at + 1] as number)) +
  fy * ((1 - fx) * (values[at + columns] as number) + fx * (values[at + columns + 1] as number));

/**
 * Grey at a place between pixels by cubic convolution (Keys, IEEE Trans. ASSP 29, 1981, a = -1/2; from memory): unlike
 * straight lines between pixels it hardly blurs more half way between them than on one. At the picture's edge its last
 * pixels go on.
 */
function cubicAt({ widthPx, heightPx, grey }: GreyPicture, x: number, y: number): number {
  const [u, v] = [x - 0.5, y - 0.5];
  const [i, j] = [Math.floor(u), Math.floor(v)];
  weigh(ACROSS, u - i);
  weigh(DOWN, v - j);
  const inside = i >= 1 && j >= 1 && i + 2 < widthPx && j + 2 < heightPx;
  let sum = 0;
  for (let b = 0; b < 4; b++) {
    const row = (inside ? j - 1 + b : Math.min(heightPx - 1, Math.max(0, j - 1 + b))) * widthPx;
    let across = 0;
    for (let a = 0; a < 4; a++) {
      const column = inside ? i - 1 + a : Math.min(widthPx - 1, Math.max(0, i - 1 + a));
      across += (ACROSS[a] as number) * (grey[row + column] as number);
    }
    sum += (DOWN[b] as number) * across;
  }
  return Math.max(0, Math.min(255, Math.round(sum)));
}

const ACROSS = new Float64Array(4);
const DOWN = new Float64Array(4);
function weigh(weights: Float64Array, f: number): void {
  weights[0] = ((-f / 2 + 1) * f - 0.5) * f;
  weights[1] = (1.5 * f - 2.5) * f * f + 1;
  weights[2] = ((-1.5 * f + 2) * f + 0.5) * f;
  weights[3] = (f / 2 - 0.5) * f * f;
}

/**
 * Millimetres of the bench that a picture's own pixel shows, where steps of a millimetre lie `z` mm from it: their
 * median. A grid so fine draws nothing finer than it was seen.
 */
export function mmPerPixel(camera: Camera, steps: readonly (readonly [Place, Place])[], z: number): number {
  const project = projector(camera);
  return (
    1 /
    median(
      steps.map(([from, to]) => {
        const [a, b] = [project(...from, z), project(...to, z)];
        return Math.hypot(b[0] - a[0], b[1] - a[1]);
      }),
    )
  );
}

/** Steps of a millimetre along a line at some shares of its length. */
export const stepsAlong = (at: (mm: number) => Place, lengthMm: number): (readonly [Place, Place])[] =>
  [0.1, 0.3, 0.5, 0.7, 0.9].map((share) => [at(share * lengthMm), at(share * lengthMm + 1)] as const);
