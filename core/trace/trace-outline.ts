import type { TracedLine, TracedTooth } from './traced-line';

export type OutlinePoint = readonly [xMm: number, yMm: number];

const tan = (deg: number): number => Math.tan((deg * Math.PI) / 180);

/**
 * The traced line as one open outline in mm, heel first, y up: for every tooth the
 * ends of its flat, and between teeth the gullet's bottom on its own flanks. Where a
 * tooth is missing the outline runs straight past it.
 */
export function traceOutline(line: TracedLine): OutlinePoint[] {
  const points: OutlinePoint[] = [];
  const standing = line.teeth.filter((t) => t.kind !== 'missing');
  standing.forEach((tooth, i) => {
    points.push(...topOutline(tooth));
    const next = standing[i + 1];
    if (next) points.push(...gulletOutline(tooth, next));
  });
  return points;
}

/** The top of one tooth: its point, the ends of its flat, or a raker's two tips with its notch between. */
export function topOutline(tooth: TracedTooth): OutlinePoint[] {
  const half = tooth.flatMm / 2;
  const [first, second] = tooth.raker?.tipsMm ?? [];
  if (first && second) {
    const between = (first[1] + second[1]) / 2 - (tooth.raker?.notchMm ?? 0);
    return [first, [(first[0] + second[0]) / 2, between], second];
  }
  return half > 0.001
    ? [
        [tooth.xMm - half, tooth.yMm],
        [tooth.xMm + half, tooth.yMm],
      ]
    : [[tooth.xMm, tooth.yMm]];
}

/** The bottom as the two flanks' meeting, cut off at the measured depth where the bottom is wider than a point. */
export function gulletOutline(tooth: TracedTooth, next: TracedTooth): OutlinePoint[] {
  const from = topOutline(tooth).at(-1) as OutlinePoint;
  const to = topOutline(next)[0] as OutlinePoint;
  const bottom = (from[1] + to[1]) / 2 - (tooth.gulletMm ?? 0);
  if (tooth.gulletMm === null || tooth.rakeDeg === null || next.backDeg === null)
    return tooth.gulletMm === null ? [] : [[(from[0] + to[0]) / 2, bottom]];
  const face = from[0] + tan(-tooth.rakeDeg) * (from[1] - bottom);
  const back = to[0] - tan(next.backDeg) * (to[1] - bottom);
  return back - face > 0.01
    ? [
        [face, bottom],
        [back, bottom],
      ]
    : [[(face + back) / 2, bottom]];
}
