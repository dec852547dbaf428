/** A saw drawn through wood that is a row of columns, stroke after stroke: the slow way, written apart; test only. mm. */
import type { CutSaw } from '../testcut/test-cut';

/** Height of a tooth's cutting edge over a place across the saw; null where the tooth is not. */
function edgeOver(tooth: CutSaw['teeth'][number], z: number, plateMm: number, bentMm: number): number | null {
  if (tooth.lean === null) return Math.abs(z) <= plateMm / 2 ? tooth.heightMm : null;
  // Seen with its point to the right.
  const across = tooth.lean === 'right' ? z : -z;
  const point = plateMm / 2 + tooth.setMm;
  // Its low corner is bent out by what the set is at that height, as by a hinge.
  const heel = -plateMm / 2 + tooth.setMm * Math.max(0, 1 - tooth.dropMm / bentMm);
  if (across > point || across < heel) return null;
  return tooth.heightMm - (tooth.dropMm * (point - across)) / (point - heel);
}

/** The floor over one place across the saw, as deep as the deepest tooth reaches; null where none does. */
export const floorOver = ({ teeth, plateThicknessMm, bentMm }: CutSaw, z: number): number | null =>
  teeth.reduce<number | null>((deepest, tooth) => {
    const here = edgeOver(tooth, z, plateThicknessMm, bentMm);
    return here === null ? deepest : Math.max(deepest ?? -Infinity, here);
  }, null);

/**
 * What every tooth takes off the column under its own point, in the last of three strokes (or turns) that follow
 * one another while the saw sinks. Rakers are let through after rakers alone. O(n^2).
 */
export function takenByColumns(saw: CutSaw, sinkMm: number): number[] {
  const { line, teeth, plateThicknessMm, bentMm } = saw;
  if (!line) throw new Error('Heights are not known.');
  const n = teeth.length;
  const order = Array.from({ length: n }, (_, k) => (line.cut === 'push' ? n - 1 - k : k));
  const first = line.xMm[order[0] as number] as number;
  const strokeMm = Math.abs((line.xMm[n - 1] as number) - (line.xMm[0] as number)) + line.pitchMm;
  // Chisels all follow one another down the middle; points score each its own line.
  const inTheMiddle = teeth.every((t) => t.dropMm === 0 && t.lean !== null);
  const taken = teeth.map((own) => {
    const side = own.lean === 'left' ? -1 : 1;
    const z = inTheMiddle || own.lean === null ? 0 : side * (plateThicknessMm / 2 + own.setMm) * (1 - 1e-12);
    let floor = -Infinity;
    let last = 0;
    for (let stroke = 0; stroke < 3; stroke++)
      for (const i of order) {
        const tooth = teeth[i] as CutSaw['teeth'][number];
        if (own.lean === null && tooth.lean !== null) continue;
        const edge = edgeOver(tooth, z, plateThicknessMm, bentMm);
        if (edge === null) continue;
        const travel = stroke * strokeMm + Math.abs((line.xMm[i] as number) - first);
        const reach = edge + (sinkMm * travel) / line.pitchMm;
        if (tooth === own) last = Math.max(0, reach - floor);
        floor = Math.max(floor, reach);
      }
    return last;
  });
  return taken;
}
