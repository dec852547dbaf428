import { Matrix, solve } from 'ml-matrix';
import type { GreyPicture } from '../trace/grey-picture';
import { greyAt, turnedView } from '../trace/grey-picture';
import { median } from '../units/median';
import type { Camera } from './camera';
import { lensAt, projector } from './camera';
import type { Place } from './homography';

/** A blade as it is told, and as it lies before the camera. mm. */
export interface BladeLie {
  readonly diameterMm: number;
  readonly boreMm: number;
  readonly plateMm: number;
  /** Where the round strips say its middle is, to some mm. */
  readonly about: Place;
  readonly paperGrey: number;
}

/** Where a blade's middle is, by its bore or, where that is not to be seen, by its rim. mm of the bench. */
export interface BladeCentre {
  readonly by: 'bore' | 'rim';
  readonly at: Place;
  readonly errorMm: number;
}

const RAYS = 720;
const STEP_MM = 0.15;
/** Plate and what lies beside it differ by this much, grey levels. */
const LEAST_CONTRAST = 25;
/** A bore is as large as it was told to this share, its edge round to so many mm, on this share of the rays. */
const BORE_OFF = 0.15;
const BORE_ROUND_MM = 0.35;
const BORE_SEEN = 0.6;
/** No bore's middle is known better, mm. */
const BORE_KNOWN_MM = 0.005;
/** Tips lie on their circle to this. */
const RIM_ROUND_MM = 0.02;

/** The middle of a blade among its round strips; null where no rim is seen. */
export function bladeCentre(picture: GreyPicture, camera: Camera, blade: BladeLie): BladeCentre | null {
  const view = turnedView(picture, 0);
  const project = projector(camera);
  const greyOn = (x: number, y: number, z: number): number => greyAt(view, ...project(x, y, z));
  const radius = blade.diameterMm / 2;
  const round = ([cx, cy]: Place, r: number, z: number): number[] =>
    Array.from({ length: 48 }, (_, k) => {
      const turn = (k * Math.PI) / 24;
      return greyOn(cx + r * Math.cos(turn), cy + r * Math.sin(turn), z);
    });
  const plate = median([0.55, 0.65, 0.75].flatMap((share) => round(blade.about, share * radius, -blade.plateMm)));
  if (Math.abs(plate - blade.paperGrey) < LEAST_CONTRAST) return null;
  /** Along a ray from `from` to `to` mm of its radius: where it first passes into the plate and stays there. */
  const metAt = ([cx, cy]: Place, turn: number, from: number, to: number, z: number, beside: number): number | null => {
    const step = from < to ? STEP_MM : -STEP_MM;
    const half = (plate + beside) / 2;
    const inPlate = (g: number): boolean => (plate > beside ? g > half : g < half);
    const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
    let before = greyOn(cx + from * cos, cy + from * sin, z);
    for (let r = from + step; step > 0 ? r < to : r > to; r += step) {
      const here = greyOn(cx + r * cos, cy + r * sin, z);
      const further = greyOn(cx + (r + 2 * step) * cos, cy + (r + 2 * step) * sin, z);
      if (inPlate(here) && inPlate(further)) {
        const share = here === before ? 0 : Math.min(1, Math.max(0, (half - before) / (here - before)));
        return r - step + share * step;
      }
      before = here;
    }
    return null;
  };
  const turns = Array.from({ length: RAYS }, (_, k) => (2 * Math.PI * k) / RAYS);
  const placesBy = (centre: Place, from: number, to: number, z: number, beside: number): (Place | null)[] =>
    turns.map((turn) => {
      const r = metAt(centre, turn, from, to, z, beside);
      return r === null ? null : [centre[0] + r * Math.cos(turn), centre[1] + r * Math.sin(turn)];
    });

  // The rim: of every twelfth of the round the place furthest out, a tip.
  const off = (place: Place, centre: Place): number => Math.hypot(place[0] - centre[0], place[1] - centre[1]);
  const outline = placesBy(blade.about, radius + 8, 0.8 * radius, -blade.plateMm, blade.paperGrey);
  const tips = Array.from({ length: 12 }, (_, part) =>
    outline
      .slice((part * RAYS) / 12, ((part + 1) * RAYS) / 12)
      .reduce<Place | null>((a, b) => (b && (!a || off(b, blade.about) > off(a, blade.about)) ? b : a), null),
  ).flatMap((place) => (place ? [place] : []));
  const rim = circleThrough(tips, RIM_ROUND_MM);
  if (!rim || Math.abs(rim.radiusMm / radius - 1) > 0.06) return null;

  const bore = boreOf(rim.at);
  return bore ?? { by: 'rim', at: rim.at, errorMm: rim.scatterMm / Math.sqrt(tips.length) };

  /**
   * A bore is seen through its upper edge and its lower one at once. In the plane half way between them the one lies
   * off by as much outwards from the place under the lens as the other inwards, and whichever lies nearer to the middle
   * is seen: the bore itself is as much further out.
   */
  function outOfSight([x, y]: Place, [cx, cy]: Place): Place {
    const [lensX, lensY, lensZ] = lensAt(camera);
    const r = Math.hypot(x - cx, y - cy);
    const [ux, uy] = [(x - cx) / r, (y - cy) / r];
    const off = (blade.plateMm / 2 / Math.abs(lensZ)) * Math.abs((x - lensX) * ux + (y - lensY) * uy);
    return [x + off * ux, y + off * uy];
  }

  function boreOf(start: Place): BladeCentre | null {
    const told = blade.boreMm / 2;
    let centre = start;
    for (let turn = 0; turn < 3; turn++) {
      const hole = median(round(centre, 0.4 * told, -blade.plateMm / 2));
      if (Math.abs(hole - plate) < LEAST_CONTRAST) return null;
      const edge = placesBy(centre, 0.45 * told, 1.6 * told, -blade.plateMm / 2, hole).flatMap((p) =>
        p ? [outOfSight(p, centre)] : [],
      );
      const fit = circleThrough(edge, BORE_ROUND_MM);
      if (!fit || Math.abs(fit.radiusMm / told - 1) > BORE_OFF) return null;
      if (fit.scatterMm > BORE_ROUND_MM || fit.used < BORE_SEEN * RAYS) return null;
      centre = fit.at;
      // Neighbouring rays see the same pixels: so many stand for one.
      if (turn === 2)
        return {
          by: 'bore',
          at: centre,
          errorMm: Math.hypot(BORE_KNOWN_MM, fit.scatterMm * Math.sqrt((2 * 12) / fit.used)),
        };
    }
    return null;
  }
}

/**
 * The circle through places by linear least squares, x^2 + y^2 = 2 a x + 2 b y + c (Kasa, IEEE Trans. Instrum. Meas.
 * 25, 1976, from memory), those further off it than `keepMm` and three scatters left out; three rounds. Null where they lie on none.
 */
function circleThrough(
  places: readonly Place[],
  keepMm: number,
): { readonly at: Place; readonly radiusMm: number; readonly scatterMm: number; readonly used: number } | null {
  let used = [...places];
  let found: { at: Place; radiusMm: number; scatterMm: number; used: number } | null = null;
  for (let turn = 0; turn < 3; turn++) {
    if (used.length < 5) return found;
    const [mx, my] = [0, 1].map((k) => used.reduce((s, p) => s + (p[k] as number), 0) / used.length) as [
      number,
      number,
    ];
    const rows = used.map(([x, y]) => [2 * (x - mx), 2 * (y - my), 1]);
    const right = used.map(([x, y]) => [(x - mx) ** 2 + (y - my) ** 2]);
    const [a, b, c] = solve(new Matrix(rows), new Matrix(right), true).to1DArray() as [number, number, number];
    const radiusMm = Math.sqrt(c + a * a + b * b);
    if (!Number.isFinite(radiusMm)) return null;
    const at: Place = [mx + a, my + b];
    const offs = (of: readonly Place[]): number[] =>
      of.map(([x, y]) => Math.abs(Math.hypot(x - at[0], y - at[1]) - radiusMm));
    const scatterMm = 1.4826 * median(offs(used));
    found = { at, radiusMm, scatterMm, used: used.length };
    const limit = Math.max(3 * scatterMm, keepMm);
    const all = offs(places);
    used = places.filter((_, i) => (all[i] as number) <= limit);
  }
  return found;
}
