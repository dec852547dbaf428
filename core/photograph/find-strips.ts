import type { GreyPicture } from '../trace/grey-picture';
import type { SeenDot } from './find-dot';
import { findDot } from './find-dot';
import type { Homography, Place } from './homography';
import { homography } from './homography';
import type { Strip } from './measuring-strip';
import { codeOf } from './measuring-strip';

/** A code as a reader finds it: its text and its corners from the upper left one, clockwise as printed, px. */
export interface SeenCode {
  readonly text: string;
  readonly corners: readonly Place[];
}

/** A strip with what was found of it: its map from printed mm to px, its dots and where those are printed. */
export interface FoundStrip {
  readonly strip: Strip;
  readonly map: Homography;
  readonly dots: readonly SeenDot[];
  readonly printed: readonly Place[];
}

/** The strips that the codes name, with their dots; `scaled` is where the printer put a place of the drawing, mm. */
export const findStrips = (
  picture: GreyPicture,
  codes: readonly SeenCode[],
  scaled: (place: Place) => Place,
): FoundStrip[] => stripsOf(codes).map(({ strip, ...own }) => ({ strip, ...dotsOf(picture, strip, own, scaled) }));

/** A strip's own name among all. */
export const keyOf = ({ name, paper }: Strip): string => `${paper} ${name.place} ${name.number}`;

interface SeenStrip {
  readonly strip: Strip;
  readonly printed: readonly Place[];
  readonly seen: readonly Place[];
}

/** The codes' own corners, strip by strip, the one at the teeth with the most of them first. */
function stripsOf(codes: readonly SeenCode[]): SeenStrip[] {
  const strips = new Map<string, { strip: Strip; printed: Place[]; seen: Place[] }>();
  for (const { text, corners } of codes) {
    const named = codeOf(text);
    if (!named || corners.length !== 4) continue;
    const key = keyOf(named.strip);
    const own = strips.get(key) ?? { strip: named.strip, printed: [], seen: [] };
    strips.set(key, own);
    own.printed.push(...named.code.corners);
    own.seen.push(...corners);
  }
  const rank = (one: SeenStrip): number => (one.strip.name.place === 'plate' ? 0 : 100) + one.seen.length;
  return [...strips.values()].sort((a, b) => rank(b) - rank(a) || a.strip.name.number - b.strip.name.number);
}

/** Dots are looked for within so many mm of what is known already, further in each round. */
const DOT_REACH_MM = [40, 90, 400] as const;
const FEWEST_FOR_MAP = 8;

/** A strip's dots, out from its codes, its map drawn finer by those found. */
function dotsOf(
  picture: GreyPicture,
  strip: Strip,
  codes: Pick<SeenStrip, 'printed' | 'seen'>,
  scaled: (place: Place) => Place,
): { readonly map: Homography; readonly dots: SeenDot[]; readonly printed: Place[] } {
  let known = { printed: codes.printed.map(scaled), seen: [...codes.seen] };
  let map = homography(known.printed, known.seen);
  let [dots, printed]: [SeenDot[], Place[]] = [[], []];
  for (const reach of DOT_REACH_MM) {
    if (!map) break;
    const own: Homography = map;
    [dots, printed] = [[], []];
    for (const middle of strip.dots) {
      const at = scaled(middle);
      if (!known.printed.some(([x, y]) => Math.hypot(x - at[0], y - at[1]) < reach)) continue;
      const dot = findDot(picture, own, at);
      if (!dot) continue;
      dots.push(dot);
      printed.push(at);
    }
    if (dots.length < FEWEST_FOR_MAP) break;
    known = { printed, seen: dots.map((dot) => dot.at) };
    map = homography(known.printed, known.seen) ?? map;
  }
  return { map: map ?? [1, 0, 0, 0, 1, 0, 0, 0, 1], dots, printed };
}
