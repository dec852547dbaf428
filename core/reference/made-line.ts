/** Made-up tooth lines with exact truth, drawn as polygons in mm from their tips and angles; for tests, the bench and the demo. */

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
  /** The last teeth stand this much nearer than the rest. */
  readonly toe?: { readonly teeth: number; readonly pitchMm: number };
  readonly seed?: number;
}

/** Park and Miller's minimal generator (Comm. ACM 31, 1988, from memory): the same picture every time. */
export function randomFrom(seed: number): () => number {
  let state = (seed % 2147483647) + 1;
  return () => (state = (state * 16807) % 2147483647) / 2147483647;
}

/** Two uniform numbers into a normal one (Box and Muller). */
export const normal = (random: () => number): number =>
  Math.sqrt(-2 * Math.log(random() + 1e-12)) * Math.cos(2 * Math.PI * random());

export function madeLine(wish: LineWish): TrueTooth[] {
  const random = randomFrom(wish.seed ?? 7);
  const { teeth, pitchMm, rakeDeg = 0, fileDeg = 60, breastMm = 0 } = wish;
  const toeFrom = teeth - (wish.toe?.teeth ?? 0);
  // From the last tooth before the toe to its first the coarser spacing stands.
  const placeMm = (i: number): number =>
    i <= toeFrom ? i * pitchMm : toeFrom * pitchMm + (i - toeFrom) * (wish.toe?.pitchMm ?? 0);
  const length = placeMm(teeth - 1);
  const spread = (range = 0): number => range * (2 * random() - 1);
  return Array.from({ length: teeth }, (_, i) => {
    const xMm = placeMm(i) + (i === 0 || i === teeth - 1 ? 0 : spread(wish.unevenMm));
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

export type Point = readonly [number, number];
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
export const faceCorner = (t: TrueTooth): Point => [t.xMm + t.flatMm / 2, t.yMm + risen(t)];
export const backCorner = (t: TrueTooth): Point => [t.xMm - t.flatMm / 2, t.yMm + risen(t)];

/** How far the flanks' meeting point stands over a round tip: r (1 / sin half - 1) along the bisector, made upright. */
function risen(t: TrueTooth): number {
  if (t.roundMm === 0) return 0;
  const half = ((t.backDeg - t.rakeDeg) * Math.PI) / 360;
  const lean = ((t.backDeg + t.rakeDeg) * Math.PI) / 360;
  // The centre lies r / sin(half) down the bisector; the top of the circle is r over it.
  return (t.roundMm / Math.sin(half)) * Math.cos(lean) - t.roundMm;
}

/** The silhouette from the heel's end of the line to the toe's, mm. */
export function outline(line: readonly TrueTooth[], gulletRadiusMm: number, pitchMm: number): Point[] {
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
