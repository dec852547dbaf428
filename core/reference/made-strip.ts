/** A measuring strip's ink, place by place, for made photographs. */
import type { Strip } from '../photograph/measuring-strip';
import { CODE_MM, DOT_DIAMETER_MM } from '../photograph/measuring-strip';

/** A code's modules, true for ink, row by row: a QR code's text drawn by any writer. */
export type CodeModules = (text: string) => readonly (readonly boolean[])[];

export const INK = 25;
export const PAPER = 225;

/** Whether a place of the strip is inked, mm. */
export function stripInk(strip: Strip, modules: CodeModules): (x: number, y: number) => boolean {
  const codes = strip.codes.map(({ text, corners }) => {
    const [from, right, , down] = corners as readonly (readonly [number, number])[];
    const [x0, y0] = from as readonly [number, number];
    const along = (to: readonly [number, number] | undefined): readonly [number, number] => [
      ((to?.[0] ?? 0) - x0) / CODE_MM,
      ((to?.[1] ?? 0) - y0) / CODE_MM,
    ];
    return { x0, y0, right: along(right), down: along(down), cells: modules(text) };
  });
  // Dots by the squares of 2 mm that they may touch, so that few are asked.
  const bucketOf = (x: number, y: number): number => Math.floor(x / 2) * 1000 + Math.floor(y / 2);
  const buckets = new Map<number, (readonly [number, number])[]>();
  for (const dot of strip.dots)
    for (let x = dot[0] - 2; x <= dot[0] + 2; x += 1)
      for (let y = dot[1] - 2; y <= dot[1] + 2; y += 1) {
        const key = bucketOf(x, y);
        const own = buckets.get(key) ?? [];
        if (!own.includes(dot)) own.push(dot);
        buckets.set(key, own);
      }
  return (x, y) => {
    for (const { x0, y0, right, down, cells } of codes) {
      const dx = x - x0;
      const dy = y - y0;
      const u = (dx * right[0] + dy * right[1]) / CODE_MM;
      const v = (dx * down[0] + dy * down[1]) / CODE_MM;
      if (u < 0 || u >= 1 || v < 0 || v >= 1) continue;
      const n = cells.length;
      return cells[Math.floor(v * n)]?.[Math.floor(u * n)] ?? false;
    }
    for (const dot of buckets.get(bucketOf(x, y)) ?? [])
      if (Math.hypot(x - dot[0], y - dot[1]) <= DOT_DIAMETER_MM / 2) return true;
    return false;
  };
}
