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
    const half = tooth.flatMm / 2;
    if (half > 0.001) points.push([tooth.xMm - half, tooth.yMm]);
    points.push([tooth.xMm + half, tooth.yMm]);
    const next = standing[i + 1];
    if (next) points.push(...gulletOutline(tooth, next));
  });
  return points;
}

/** The bottom as the two flanks' meeting, cut off at the measured depth where the bottom is wider than a point. */
export function gulletOutline(tooth: TracedTooth, next: TracedTooth): OutlinePoint[] {
  const chord = (tooth.yMm + next.yMm) / 2;
  const bottom = chord - (tooth.gulletMm ?? 0);
  if (tooth.gulletMm === null || tooth.rakeDeg === null || next.backDeg === null)
    return tooth.gulletMm === null ? [] : [[(tooth.xMm + next.xMm) / 2, bottom]];
  const face = tooth.xMm + tooth.flatMm / 2 + tan(-tooth.rakeDeg) * (tooth.yMm - bottom);
  const back = next.xMm - next.flatMm / 2 - tan(next.backDeg) * (next.yMm - bottom);
  return back - face > 0.01
    ? [
        [face, bottom],
        [back, bottom],
      ]
    : [[(face + back) / 2, bottom]];
}
