import type { TestCut } from './test-cut';

/** Room a kerf's picture is drawn in, px of 96 to the inch. */
export const KERF_PICTURE = { wide: 230, tall: 190 } as const;
const PX_PER_MM = 96 / 25.4;
/** Drawn so many times as large as it is at the most, so that it takes this share of its room. */
const MOST_TIMES = 40;
const SHARE = 0.62;
/** The plate ends so far over what stands in the floor: its teeth are the kerf. Under the floor is as much wood. */
const CLEAR_PX = 26;
const UNDER_PX = 40;
const MOST_SCRATCHES = 8;

/** A kerf as paths of a picture: the room cut out, the plate standing in it, ticks where single teeth scratch a wall. */
export interface KerfOutline {
  readonly kerf: string;
  readonly plate: { readonly x: number; readonly wide: number; readonly tall: number };
  readonly scratches: readonly { readonly tooth: number; readonly path: string }[];
}

/** A cut's kerf, so many times as large as it is, at true proportion; null where its walls are not known. */
export function kerfOutline({ section, marks }: TestCut, plateMm: number, times: number): KerfOutline | null {
  if (!section) return null;
  const px = times * PX_PER_MM;
  const { wide, tall } = KERF_PICTURE;
  const floorPx = tall - UNDER_PX;
  // The deepest place of the floor stands on one row in every picture.
  const heights = section.floor.flatMap(({ y0, y1 }) => [y0, y1]);
  const [ridge, deepest] = [Math.min(...heights), Math.max(...heights)];
  const at = ([z, y]: readonly [number, number]): string =>
    `${(wide / 2 + z * px).toFixed(2)} ${Math.max(-2, floorPx + (y - deepest) * px).toFixed(2)}`;
  // Both walls go on out of the picture.
  const overTheTop = ([z]: readonly [number, number]): string => `${(wide / 2 + z * px).toFixed(2)} -2.00`;
  const halfPx = (plateMm / 2) * px;
  return {
    kerf: `M${section.polygon.map((p, i, all) => (i === 0 || i === all.length - 1 ? overTheTop(p) : at(p))).join('L')}Z`,
    plate: {
      x: wide / 2 - halfPx,
      wide: 2 * halfPx,
      tall: Math.max(0, floorPx + (ridge - deepest) * px - CLEAR_PX),
    },
    scratches: marks.slice(0, MOST_SCRATCHES).map(({ tooth, side }, i) => {
      const x = wide / 2 + (side === 'left' ? -section.leftMm : section.rightMm) * px;
      return { tooth, path: `M${(x - 4).toFixed(2)} ${14 + 14 * i}h8` };
    }),
  };
}

/** How many times as large kerfs that are held side by side are drawn: whole, and all alike. */
export function timesOf(cuts: readonly TestCut[]): number {
  const widest = Math.max(0.2, ...cuts.map(({ section }) => section?.widthMm ?? 0));
  return Math.max(1, Math.min(MOST_TIMES, Math.floor((SHARE * KERF_PICTURE.wide) / (widest * PX_PER_MM))));
}
