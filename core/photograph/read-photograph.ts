import { linearRegression } from 'simple-statistics';
import type { GreyPicture } from '../trace/grey-picture';
import type { SeenCode } from './find-strips';
import { keyOf } from './find-strips';
import type { StripLie } from './fit-camera';
import { laidOut, takenUp } from './fit-camera';
import type { Place } from './homography';
import type { Strip } from './measuring-strip';
import { marginLight } from './margin-light';
import { MARKS_END_MM } from './measuring-strip';
import type { PhotographFacts, PhotographRefused, PhotographWish } from './see-marks';
import { placeErrorOf, scaleErrorOf, seeMarks, USUAL_PLATE_MM } from './see-marks';
import { drawGrid, mmPerPixel, stepsAlong } from './true-grid';

/** Where the strips and the grid lie on a photograph's own bench: what two photographs are joined by. */
export interface BenchLie {
  readonly strips: readonly { readonly key: string; readonly lie: StripLie }[];
  readonly grid: StripLie;
}

/** A picture laid on a true grid. */
export interface LaidGrid {
  readonly picture: GreyPicture;
  readonly mmPerPx: number;
  /** Standard error of the scale as a share, and of a place over the whole line, mm. */
  readonly scaleError: number;
  readonly placeErrorMm: number;
  readonly facts: PhotographFacts;
}

export type ReadPhotograph = ({ readonly ok: true; readonly bench: BenchLie } & LaidGrid) | PhotographRefused;

/** The grid reaches so far beyond the strips' ends and under their marks, mm. */
const BEYOND_MM = 6;
const UNDER_MM = 60;
const ABOVE_PLATE_MM = 45;

/**
 * A photograph of a saw on its measuring strips, laid flat: the camera's tilt and its lens taken out, and the tooth
 * line's part of the picture put on a true grid. What the picture cannot give is said before any number.
 */
export function readPhotograph(
  picture: GreyPicture,
  codes: readonly SeenCode[],
  wish: PhotographWish = {},
  report: (share: number) => void = () => undefined,
): ReadPhotograph {
  const seen = seeMarks(picture, codes, wish, report);
  if (!seen.ok) return seen;
  const { camera, strips, lies, facts } = seen;
  const region = regionOf(
    strips.map((one) => one.strip),
    lies,
    wish.printed ?? { along: 1, across: 1 },
  );
  if (!region) return { ok: false, code: 'no-strip-at-teeth', facts };
  const mmPerPx = mmPerPixel(
    camera,
    stepsAlong((mm) => laidOut(region.lie, [mm, region.heightMm / 3]), region.lengthMm),
    0,
  );
  const size = {
    widthPx: Math.round(region.lengthMm / mmPerPx),
    heightPx: Math.round(region.heightMm / mmPerPx),
  };
  const benchAt = (i: number, j: number): Place => laidOut(region.lie, [i * mmPerPx, j * mmPerPx]);
  const laid = drawGrid(picture, camera, size, benchAt, -(wish.plateMm ?? USUAL_PLATE_MM) / 2);
  report(1);
  return {
    ok: true,
    picture: laid,
    mmPerPx,
    scaleError: scaleErrorOf(seen, region.lengthMm, mmPerPx),
    placeErrorMm: placeErrorOf(seen, mmPerPx),
    facts: { ...facts, light: Math.min(facts.light, marginLight(laid, mmPerPx)) },
    bench: {
      strips: strips.map(({ strip }, s) => ({ key: keyOf(strip), lie: lies[s] as StripLie })),
      grid: region.lie,
    },
  };
}

/** The part of the bench that holds the tooth line: along the strips, from their marks to the plate's own or far under them. */
interface Region {
  readonly lie: StripLie;
  readonly lengthMm: number;
  readonly heightMm: number;
}

function regionOf(
  strips: readonly Strip[],
  lies: readonly StripLie[],
  printed: { readonly along: number; readonly across: number },
): Region | null {
  const corners = (s: number, y: number): [Place, Place] => {
    const [strip, lie] = [strips[s] as Strip, lies[s] as StripLie];
    return [laidOut(lie, [0, y * printed.across]), laidOut(lie, [strip.lengthMm * printed.along, y * printed.across])];
  };
  const at = (place: 'bench' | 'plate'): number[] =>
    strips.flatMap((strip, s) => (strip.name.place === place ? [s] : []));
  const own = at('bench').length > 0 ? at('bench') : at('plate');
  if (own.length === 0) return null;
  const ends = own.flatMap((s) => corners(s, 0));
  const along = { x: 0, y: 0, turn: Math.atan(linearRegression(ends.map(([x, y]) => [x, y])).m) };
  const onward = (place: Place): number => takenUp(along, place)[0];
  const down = (place: Place): number => takenUp(along, place)[1];
  const left = Math.min(...ends.map(onward)) - BEYOND_MM;
  const right = Math.max(...ends.map(onward)) + BEYOND_MM;
  const plateTop = Math.min(...at('plate').flatMap((s) => corners(s, 0).map(down)), Infinity);
  const benchEnd = Math.max(...at('bench').flatMap((s) => corners(s, MARKS_END_MM).map(down)), -Infinity);
  const top = benchEnd > -Infinity ? benchEnd : plateTop - ABOVE_PLATE_MM;
  const bottom = Math.min(top + UNDER_MM, plateTop - 1);
  if (!(bottom - top > 8)) return null;
  const [x, y] = laidOut(along, [left, top]);
  return {
    lie: { x, y, turn: along.turn },
    lengthMm: right - left,
    heightMm: bottom - top,
  };
}
