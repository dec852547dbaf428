/**
 * Made-up scans with exact truth, for tests, the bench and the demo: never part of
 * the app. A saw is built as a polygon in mm from its tips and angles, laid on the
 * picture by exact area coverage, blurred, lit unevenly, dusted and made noisy.
 */
import type { GreyPicture } from '../trace/grey-picture';

/** One tooth as it truly is: mm and degrees, heel at x = 0, y up from the plate. */
export interface TrueTooth {
  readonly xMm: number;
  /** Height of what is left of the tip. */
  readonly yMm: number;
  readonly rakeDeg: number;
  /** Lean of the back off vertical. */
  readonly backDeg: number;
  /** Width of a jointing flat at `yMm`. */
  readonly flatMm: number;
  /** Radius of a tip rounded by work. */
  readonly roundMm: number;
  readonly kind: 'tooth' | 'broken' | 'missing';
  /** A raker with two tips, `xMm` their middle: width between them, lean of its inner and outer faces. */
  readonly raker?: { readonly widthMm: number; readonly innerDeg: number; readonly outerDeg: number };
}

/** A two-tipped raker as the two teeth its outline has; any other tooth as itself. */
function tipsOf(tooth: TrueTooth): TrueTooth[] {
  if (!tooth.raker) return [tooth];
  const { widthMm, innerDeg, outerDeg } = tooth.raker;
  return [
    { ...tooth, xMm: tooth.xMm - widthMm / 2, backDeg: outerDeg, rakeDeg: -innerDeg },
    { ...tooth, xMm: tooth.xMm + widthMm / 2, backDeg: innerDeg, rakeDeg: -outerDeg },
  ];
}

/** What is asked of a made line. */
export interface LineWish {
  readonly teeth: number;
  readonly pitchMm: number;
  readonly rakeDeg?: number;
  /** Included angle of the file. */
  readonly fileDeg?: number;
  readonly unevenMm?: number;
  readonly unequalMm?: number;
  readonly unlikeDeg?: number;
  readonly flatMm?: number;
  readonly roundMm?: number;
  readonly breastMm?: number;
  readonly broken?: readonly number[];
  readonly missing?: readonly number[];
  readonly seed?: number;
}

/** Park and Miller's minimal generator (Comm. ACM 31, 1988, from memory): the same picture every time. */
export function randomFrom(seed: number): () => number {
  let state = (seed % 2147483647) + 1;
  return () => (state = (state * 16807) % 2147483647) / 2147483647;
}

/** Two uniform numbers into a normal one (Box and Muller). */
const normal = (random: () => number): number =>
  Math.sqrt(-2 * Math.log(random() + 1e-12)) * Math.cos(2 * Math.PI * random());

export function madeLine(wish: LineWish): TrueTooth[] {
  const random = randomFrom(wish.seed ?? 7);
  const { teeth, pitchMm, rakeDeg = 0, fileDeg = 60, breastMm = 0 } = wish;
  const length = (teeth - 1) * pitchMm;
  const spread = (range = 0): number => range * (2 * random() - 1);
  return Array.from({ length: teeth }, (_, i) => {
    const xMm = i * pitchMm + (i === 0 || i === teeth - 1 ? 0 : spread(wish.unevenMm));
    const rake = rakeDeg + spread(wish.unlikeDeg);
    const unequal = spread(wish.unequalMm);
    const number = i + 1;
    const kind = wish.missing?.includes(number) ? 'missing' : wish.broken?.includes(number) ? 'broken' : 'tooth';
    const tooth = {
      xMm,
      yMm: breastMm * (1 - ((2 * xMm) / length - 1) ** 2) + unequal,
      rakeDeg: rake,
      backDeg: fileDeg + rake,
      flatMm: wish.flatMm ?? 0,
      roundMm: wish.roundMm ?? 0,
      kind,
    } as const;
    return kind === 'broken' ? { ...tooth, yMm: tooth.yMm - 0.3 * pitchMm, flatMm: 0.28 * pitchMm, roundMm: 0 } : tooth;
  });
}

type Point = readonly [number, number];
const tan = (deg: number): number => Math.tan((deg * Math.PI) / 180);

/** Where a line leaving (x, y) downwards at `lean` to the toe side meets one leaving (x2, y2) at `lean2` to the heel side. */
const meet = ([x, y]: Point, lean: number, [x2, y2]: Point, lean2: number): Point => {
  // x + lean (y - t) = x2 - lean2 (y2 - t)
  const t = (x + lean * y - x2 + lean2 * y2) / (lean + lean2);
  return [x + lean * (y - t), t];
};

/** A corner with its point rounded off by radius r, as short chords between the two tangent points. */
function rounded(before: Point, corner: Point, after: Point, r: number): Point[] {
  if (r <= 0) return [corner];
  const unit = (to: Point): Point => {
    const size = Math.hypot(to[0] - corner[0], to[1] - corner[1]);
    return [(to[0] - corner[0]) / size, (to[1] - corner[1]) / size];
  };
  const [a, b] = [unit(before), unit(after)];
  const half = Math.acos(Math.max(-1, Math.min(1, a[0] * b[0] + a[1] * b[1]))) / 2;
  const along = r / Math.tan(half);
  const bisector = [a[0] + b[0], a[1] + b[1]] as const;
  const size = Math.hypot(...bisector) || 1;
  const centre: Point = [
    corner[0] + (bisector[0] / size) * (r / Math.sin(half)),
    corner[1] + (bisector[1] / size) * (r / Math.sin(half)),
  ];
  const from = Math.atan2(corner[1] + a[1] * along - centre[1], corner[0] + a[0] * along - centre[0]);
  let turn = Math.atan2(corner[1] + b[1] * along - centre[1], corner[0] + b[0] * along - centre[0]) - from;
  if (turn > Math.PI) turn -= 2 * Math.PI;
  if (turn < -Math.PI) turn += 2 * Math.PI;
  return Array.from({ length: 13 }, (_, k): Point => {
    const angle = from + (turn * k) / 12;
    return [centre[0] + r * Math.cos(angle), centre[1] + r * Math.sin(angle)];
  });
}

/** Deepest point of the gullet on the toe side of each tooth, mm, before its corner is rounded. */
export function trueGullets(line: readonly TrueTooth[]): Point[] {
  const standing = line.filter((t) => t.kind !== 'missing').flatMap(tipsOf);
  return standing.slice(1).map((after, i) => {
    const tooth = standing[i] as TrueTooth;
    return meet(faceCorner(tooth), tan(-tooth.rakeDeg), backCorner(after), tan(after.backDeg));
  });
}

/** The ends of the flat: (place, height) where the face and the back begin. A rounded tip's lines meet above it. */
const faceCorner = (t: TrueTooth): Point => [t.xMm + t.flatMm / 2, t.yMm + risen(t)];
const backCorner = (t: TrueTooth): Point => [t.xMm - t.flatMm / 2, t.yMm + risen(t)];

/** How far the flanks' meeting point stands over a round tip: r (1 / sin half - 1) along the bisector, made upright. */
function risen(t: TrueTooth): number {
  if (t.roundMm === 0) return 0;
  const half = ((t.backDeg - t.rakeDeg) * Math.PI) / 360;
  const lean = ((t.backDeg + t.rakeDeg) * Math.PI) / 360;
  // The centre lies r / sin(half) down the bisector; the top of the circle is r over it.
  return (t.roundMm / Math.sin(half)) * Math.cos(lean) - t.roundMm;
}

/** The silhouette from the heel's end of the line to the toe's, mm. */
function outline(line: readonly TrueTooth[], gulletRadiusMm: number, pitchMm: number): Point[] {
  const standing = line.filter((t) => t.kind !== 'missing').flatMap(tipsOf);
  const gullets = trueGullets(line);
  const first = standing[0] as TrueTooth;
  const last = standing[standing.length - 1] as TrueTooth;
  const heel = meet([first.xMm - pitchMm, first.yMm], tan(0), backCorner(first), tan(first.backDeg));
  const toe = meet(faceCorner(last), tan(-last.rakeDeg), [last.xMm + pitchMm, last.yMm], tan(last.backDeg));
  const points: Point[] = [[heel[0], heel[1]]];
  standing.forEach((tooth, i) => {
    const before = i === 0 ? heel : (gullets[i - 1] as Point);
    const after = i === standing.length - 1 ? toe : (gullets[i] as Point);
    if (tooth.flatMm > 0) points.push(backCorner(tooth), faceCorner(tooth));
    else points.push(...rounded(before, faceCorner(tooth), after, tooth.roundMm));
    if (i < standing.length - 1) {
      points.push(...rounded(faceCorner(tooth), after, backCorner(standing[i + 1] as TrueTooth), gulletRadiusMm));
    }
  });
  points.push([toe[0], toe[1]]);
  return points;
}

export interface ScanWish {
  readonly dpi: number;
  /** Plate shown under the line and space shown over it, mm. */
  readonly plateMm?: number;
  readonly spaceMm?: number;
  /** Space shown beyond the heel and the toe; negative cuts into the line. */
  readonly endsMm?: number;
  /** Plate beyond the last teeth, mm: a saw's line ends before its plate does. */
  readonly beyondMm?: number;
  readonly gulletRadiusMm?: number;
  readonly skewDeg?: number;
  readonly plateGrey?: number;
  readonly spaceGrey?: number;
  /** Light falling off from left to right and to the corners, as a share. */
  readonly unevenLight?: number;
  readonly blurPx?: number;
  readonly noise?: number;
  readonly dust?: number;
  readonly rust?: number;
  /** A fleamed tooth's bevel, seen as a strip of another grey along every other face and back. */
  readonly strip?: { readonly widthMm: number; readonly grey: number };
  readonly quarterTurns?: 0 | 1 | 2 | 3;
  readonly mirrored?: boolean;
  readonly seed?: number;
}

/** A made scan, and where a true place in mm lies on it in pixels. */
export interface MadeScan {
  readonly picture: GreyPicture;
  readonly mmPerPx: number;
  readonly place: (xMm: number, yMm: number) => { readonly x: number; readonly y: number };
}

/** Rows a pixel is cut into; across it the coverage is exact. */
const SUB_ROWS = 8;

/** Adds to `cover` the share of every pixel that the closed polygon covers (even-odd by signed trapezia). */
function fill(cover: Float32Array, widthPx: number, heightPx: number, polygon: readonly Point[]): void {
  const rows: number[][] = Array.from({ length: heightPx * SUB_ROWS }, () => []);
  polygon.forEach((from, i) => {
    const to = polygon[(i + 1) % polygon.length] as Point;
    const [low, high] = from[1] < to[1] ? [from, to] : [to, from];
    const first = Math.max(0, Math.ceil(low[1] * SUB_ROWS - 0.5));
    const end = Math.min(heightPx * SUB_ROWS, Math.ceil(high[1] * SUB_ROWS - 0.5));
    for (let r = first; r < end; r++) {
      const y = (r + 0.5) / SUB_ROWS;
      (rows[r] as number[]).push(low[0] + ((high[0] - low[0]) * (y - low[1])) / (high[1] - low[1]));
    }
  });
  rows.forEach((crossings, r) => {
    crossings.sort((a, b) => a - b);
    const base = Math.floor(r / SUB_ROWS) * widthPx;
    for (let k = 0; k + 1 < crossings.length; k += 2) {
      const a = Math.max(0, crossings[k] as number);
      const b = Math.min(widthPx, crossings[k + 1] as number);
      if (b <= a) continue;
      const [i, j] = [Math.floor(a), Math.floor(b)];
      const add = (at: number, share: number): void => {
        if (at < widthPx) cover[base + at] = (cover[base + at] as number) + share / SUB_ROWS;
      };
      if (i === j) add(i, b - a);
      else {
        add(i, i + 1 - a);
        for (let x = i + 1; x < j; x++) cover[base + x] = (cover[base + x] as number) + 1 / SUB_ROWS;
        add(j, b - j);
      }
    }
  });
}

/** Gaussian blur, separable, in place; sigma in pixels. */
function blur(values: Float32Array, widthPx: number, heightPx: number, sigma: number): void {
  if (sigma <= 0) return;
  const reach = Math.ceil(3 * sigma);
  const kernel = Array.from({ length: 2 * reach + 1 }, (_, k) => Math.exp(-((k - reach) ** 2) / (2 * sigma * sigma)));
  const total = kernel.reduce((s, k) => s + k, 0);
  const pass = (count: number, length: number, start: (n: number) => number, step: number): void => {
    const line = new Float32Array(length + 2 * reach);
    for (let n = 0; n < count; n++) {
      const from = start(n);
      for (let i = -reach; i < length + reach; i++)
        line[i + reach] = values[from + Math.min(Math.max(i, 0), length - 1) * step] as number;
      for (let i = 0; i < length; i++) {
        let sum = 0;
        for (let k = 0; k < kernel.length; k++) sum += (kernel[k] as number) * (line[i + k] as number);
        values[from + i * step] = sum / total;
      }
    }
  };
  pass(heightPx, widthPx, (n) => n * widthPx, 1);
  pass(widthPx, heightPx, (n) => n, widthPx);
}

/** Draws the line as a flatbed would see it. */
export function madeScan(line: readonly TrueTooth[], wish: ScanWish): MadeScan {
  const {
    dpi,
    plateMm = 6,
    spaceMm = 3,
    endsMm = 4,
    beyondMm = 2,
    skewDeg = 0,
    plateGrey = 60,
    spaceGrey = 215,
  } = wish;
  const { blurPx = 0.6, noise = 2, unevenLight = 0, dust = 0, rust = 0, strip } = wish;
  const random = randomFrom(wish.seed ?? 11);
  const mmPerPx = 25.4 / dpi;
  const lengthMm = (line[line.length - 1] as TrueTooth).xMm;
  const pitchMm = lengthMm / (line.length - 1);
  const [cos, sin] = [Math.cos((skewDeg * Math.PI) / 180), Math.sin((skewDeg * Math.PI) / 180)];
  const across = (beyondMm + endsMm + pitchMm) * 2 + lengthMm;
  const top = Math.max(...line.map((t) => t.yMm)) + spaceMm;
  const tilt = Math.abs(sin) * across;
  const upright = {
    widthPx: Math.round((across * cos) / mmPerPx),
    heightPx: Math.round((top + plateMm + tilt) / mmPerPx),
  };
  // Turned about the line's middle, which stands in the picture's.
  const inPx = (x: number, y: number): Point => {
    const dx = x - lengthMm / 2;
    return [upright.widthPx / 2 + (dx * cos - y * sin) / mmPerPx, (top + tilt / 2 - (dx * sin + y * cos)) / mmPerPx];
  };
  const silhouette = outline(line, wish.gulletRadiusMm ?? 0.05, pitchMm);
  const [heel, toe] = [silhouette[0] as Point, silhouette[silhouette.length - 1] as Point];
  const deep = -plateMm - tilt - 20;
  const body: Point[] = [
    ...silhouette,
    [toe[0] + beyondMm, toe[1]],
    [toe[0] + beyondMm, deep],
    [heel[0] - beyondMm, deep],
    [heel[0] - beyondMm, heel[1]],
  ];
  const cover = new Float32Array(upright.widthPx * upright.heightPx);
  fill(
    cover,
    upright.widthPx,
    upright.heightPx,
    body.map(([x, y]) => inPx(x, y)),
  );
  const bevel = strip && new Float32Array(cover.length);
  if (bevel) {
    const gullets = trueGullets(line);
    line.forEach((tooth, i) => {
      if (i % 2 === 0 || i === line.length - 1) return;
      const bottom = gullets[i] as Point;
      const corner = faceCorner(tooth);
      const strip4: Point[] = [
        corner,
        bottom,
        [bottom[0] - strip.widthMm, bottom[1]],
        [corner[0] - strip.widthMm, corner[1]],
      ];
      fill(
        bevel,
        upright.widthPx,
        upright.heightPx,
        strip4.map(([x, y]) => inPx(x, y)),
      );
    });
    blur(bevel, upright.widthPx, upright.heightPx, blurPx);
  }
  blur(cover, upright.widthPx, upright.heightPx, blurPx);
  const grey = new Uint8Array(cover.length);
  const { widthPx, heightPx } = upright;
  const spots = specks(random, dust, rust, widthPx, heightPx, cover);
  for (let j = 0; j < heightPx; j++) {
    const down = j / heightPx - 0.5;
    for (let i = 0; i < widthPx; i++) {
      const at = j * widthPx + i;
      const share = cover[at] as number;
      const inside =
        bevel && strip ? plateGrey + (strip.grey - plateGrey) * Math.min(bevel[at] as number, share) : plateGrey;
      const light = 1 + unevenLight * ((i / widthPx - 0.5) * 1.2 + down * 0.4);
      const value = (spaceGrey + (inside - spaceGrey) * share) * light + (spots?.[at] ?? 0);
      grey[at] = Math.max(0, Math.min(255, Math.round(noise > 0 ? value + noise * normal(random) : value)));
    }
  }
  return laid({ widthPx, heightPx, grey }, inPx, mmPerPx, wish);
}

/** Dust (round, dark or bright) anywhere and rust (blotches) on the plate alone, as a difference in grey. */
function specks(
  random: () => number,
  dust: number,
  rust: number,
  widthPx: number,
  heightPx: number,
  cover: Float32Array,
): Float32Array | null {
  if (dust + rust === 0) return null;
  const spots = new Float32Array(widthPx * heightPx);
  for (let k = 0; k < dust + rust; k++) {
    const isRust = k >= dust;
    const radius = isRust ? 4 + 14 * random() : 0.7 + 1.6 * random();
    const [x, y] = [random() * widthPx, random() * heightPx];
    const by = isRust ? 30 * (2 * random() - 1) : random() < 0.5 ? -90 : 90;
    for (let j = Math.max(0, Math.floor(y - radius)); j < Math.min(heightPx, y + radius); j++)
      for (let i = Math.max(0, Math.floor(x - radius)); i < Math.min(widthPx, x + radius); i++) {
        const at = j * widthPx + i;
        if (Math.hypot(i - x, j - y) < radius && (!isRust || (cover[at] as number) > 0.98)) spots[at] = by;
      }
  }
  return spots;
}

/** The upright picture laid on the glass the wished way round. */
function laid(picture: GreyPicture, inPx: (x: number, y: number) => Point, mmPerPx: number, wish: ScanWish): MadeScan {
  const { widthPx: w, heightPx: h, grey } = picture;
  const turns = wish.quarterTurns ?? 0;
  const mirrored = wish.mirrored ?? false;
  if (turns === 0 && !mirrored) return { picture, mmPerPx, place: (x, y) => ({ x: inPx(x, y)[0], y: inPx(x, y)[1] }) };
  const [width, height] = turns % 2 === 0 ? [w, h] : [h, w];
  const turned = new Uint8Array(grey.length);
  const move = (x: number, y: number): Point => {
    const at = mirrored ? w - x : x;
    return (
      [
        [at, y],
        [h - y, at],
        [w - at, h - y],
        [y, w - at],
      ] as const
    )[turns];
  };
  for (let j = 0; j < h; j++)
    for (let i = 0; i < w; i++) {
      const [x, y] = move(i + 0.5, j + 0.5);
      turned[Math.floor(y) * width + Math.floor(x)] = grey[j * w + i] as number;
    }
  return {
    picture: { widthPx: width, heightPx: height, grey: turned },
    mmPerPx,
    place: (x, y) => {
      const [px, py] = move(...inPx(x, y));
      return { x: px, y: py };
    },
  };
}
