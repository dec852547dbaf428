import type { Cut } from '@odontis/core/saw/families';
import type { ToothCorners, ToothSection, TopBevel } from '@odontis/core/file/tooth-row';
import { ridgeOf, toothRow } from '@odontis/core/file/tooth-row';
import type { GulletFlanks } from '@odontis/core/file/tooth-row';

/** What the three views are drawn from; mm and degrees. */
export interface DrawnTeeth {
  /** One gullet more than there are teeth, from the heel of a push saw. */
  readonly gullets: readonly GulletFlanks[];
  readonly pitchMm: number;
  readonly plateMm: number;
  /** Null where nobody measured it: the teeth are drawn unbent. */
  readonly setMm: number | null;
  readonly cuts: Cut;
  /** The bevel across every top; left out where there is none. */
  readonly top?: TopBevel;
  /** True where nobody read the back, and it is drawn as the file would leave it. */
  readonly backGuessed: boolean;
}

/** Paths of one view: far metal first, then near, then facets and edges. */
export interface PlacedTeeth {
  readonly side: { readonly far: string; readonly near: string };
  readonly top: { readonly backs: string; readonly bevels: string; readonly faces: string; readonly ridges: string };
  readonly end: { readonly far: string; readonly near: string };
  readonly point: 'left' | 'right' | null;
  readonly dropMm: number;
}

/** The room of one view, px. */
export const VIEW = { width: 104, height: 84 } as const;
/** Plate shown under the teeth, and air over them, px. */
const BASE = 14;
const AIR = 3;

type Px = readonly [number, number];
const shape = (corners: readonly Px[]): string =>
  `M${corners.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join(' L')} Z`;

/**
 * Teeth as solids, placed in three views: from the right side of the saw, from above with
 * the right side below, and along the saw from the handle. Teeth of a pull saw are
 * worked out as their mirror image and drawn looking to the handle. Null where
 * these angles leave no tooth.
 */
export function placeTeeth({ gullets, pitchMm, plateMm, setMm: set, cuts, top }: DrawnTeeth): PlacedTeeth | null {
  const setMm = set ?? 0;
  let teeth: ToothCorners[];
  try {
    teeth = toothRow(gullets, pitchMm, plateMm, top);
  } catch {
    return null;
  }
  const high = Math.max(...teeth.flatMap((t) => [t.left.tip[1], t.right.tip[1]]));
  const length = teeth.length * pitchMm;
  const scale = Math.min(VIEW.width / (length * 1.06), (VIEW.height - BASE - AIR) / high);
  const along = (x: number): number => {
    const from = (VIEW.width - length * scale) / 2;
    return from + (cuts === 'pull' ? length - x : x) * scale;
  };
  const sideOf = (which: 'left' | 'right'): string => {
    const tips = teeth.flatMap((t): Px[] =>
      outline(t[which]).map(([x, y]) => [along(x), VIEW.height - BASE - y * scale]),
    );
    const [first, last] = [tips[0] as Px, tips[tips.length - 1] as Px];
    return shape([[first[0], VIEW.height], ...tips, [last[0], VIEW.height]]);
  };
  // The plate's own thickness as wide as it will go: from above it would be a line.
  const across = 46 / plateMm;
  const above = ([x, , z]: readonly [number, number, number]): Px => [along(x), VIEW.height / 2 + z * across];
  const facets = (from: keyof ToothSection, to: keyof ToothSection): string =>
    teeth.map(({ left, right }) => shape([left[from], left[to], right[to], right[from]].map(above))).join(' ');
  const ridges = teeth
    .map(({ left, right }) => {
      const [a, b] = [above(left.tip), above(right.tip)];
      return `M${a.map((v) => v.toFixed(1)).join(' ')} L${b.map((v) => v.toFixed(1)).join(' ')}`;
    })
    .join(' ');
  const wide = Math.min((VIEW.height - BASE - AIR) / high, VIEW.width / (plateMm + 2 * setMm) / 1.3);
  const seen = teeth.slice(-2).map((tooth) => endOf(tooth, setMm, wide));
  const middle = ridgeOf(teeth[Math.floor((teeth.length - 1) / 2)] as ToothCorners);
  return {
    side: { far: sideOf('left'), near: sideOf('right') },
    top: {
      backs: facets('backFoot', 'bevelEnd'),
      bevels: top ? facets('bevelEnd', 'tip') : '',
      faces: facets('tip', 'faceFoot'),
      ridges,
    },
    end: { far: seen[1] ?? '', near: seen[0] ?? '' },
    ...middle,
  };
}

const outline = ({ backFoot, bevelEnd, tip, faceFoot }: ToothSection) => [backFoot, bevelEnd, tip, faceFoot];

/** Only the top third is bent, to the side the point is on; a chisel edge is drawn unbent. */
function endOf(tooth: ToothCorners, setMm: number, scale: number): string {
  const { left, right } = tooth;
  const { point } = ridgeOf(tooth);
  const high = Math.max(left.tip[1], right.tip[1]);
  const lean = point === 'left' ? -setMm : point === 'right' ? setMm : 0;
  const at = (z: number, y: number): Px => {
    const bent = Math.max(0, (y - (2 / 3) * high) / (high / 3));
    return [VIEW.width / 2 + (z + lean * bent) * scale, VIEW.height - BASE - y * scale];
  };
  const bend = (2 / 3) * high;
  const up = ([, y, z]: readonly [number, number, number]): Px[] => [at(z, Math.min(bend, y)), at(z, y)];
  const foot = (z: number): Px => [VIEW.width / 2 + z * scale, VIEW.height];
  return shape([foot(left.tip[2]), ...up(left.tip), ...up(right.tip).reverse(), foot(right.tip[2])]);
}
