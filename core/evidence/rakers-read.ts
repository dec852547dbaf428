import type { ToothRole } from '../saw/tooth-pattern';
import { meanOf, standing } from './estimates';
import type { LengthReading } from './reading';
import type { Evidence, SessionKind } from './session';

/** A raker's depth under its cutters as it was read last. mm. */
export interface RakerRead {
  readonly depthMm: number;
  readonly errorMm: number;
  readonly simulated: boolean;
  readonly keys: readonly string[];
}

/** Depth of every raker as last measured before or after the work: a later session's reading stands in for an earlier one of the same raker. O(n). */
export function rakersRead(evidence: Evidence, kind: SessionKind): Map<number, RakerRead> {
  const found = new Map<number, RakerRead>();
  for (const session of evidence) {
    if (session.kind !== kind) continue;
    const here = new Map<number, LengthReading[]>();
    for (const r of standing(session.readings)) {
      if (r.quantity !== 'raker-depth') continue;
      const all = here.get(r.place);
      if (all) all.push(r);
      else here.set(r.place, [r]);
    }
    for (const [tooth, all] of here) {
      const mean = meanOf(all);
      if (!mean) continue;
      const simulated = all.some((r) => r.simulated);
      found.set(tooth, { depthMm: mean.value, errorMm: mean.error, simulated, keys: all.map((r) => r.key) });
    }
  }
  return found;
}

/**
 * Puts every raker's tip under the straight line through the two cutters beside it by its depth,
 * as a straight edge or a gauge riding those cutters reads it; at an end through the two cutters
 * nearest. A raker nobody read is taken to be as deep as the mean of those read, or level with its
 * cutters where none was. Changes `yMm`. mm. O(n).
 */
export function underCutters(
  { xMm, yMm }: { readonly xMm: Float64Array; readonly yMm: Float64Array },
  roles: readonly ToothRole[],
  read: ReadonlyMap<number, Pick<RakerRead, 'depthMm'>>,
): void {
  const cutters = [...xMm.keys()].filter((i) => roles[i] === 'cutter');
  if (cutters.length < 2) return;
  const depths = [...read.values()].map((r) => r.depthMm);
  const usual = depths.reduce((s, d) => s + d, 0) / Math.max(1, depths.length);
  let after = 0;
  for (let i = 0; i < xMm.length; i++) {
    while (after < cutters.length && (cutters[after] as number) < i) after++;
    if (roles[i] !== 'raker') continue;
    const to = Math.min(cutters.length - 1, Math.max(1, after));
    const [p, q] = [cutters[to - 1] as number, cutters[to] as number];
    const slope = ((yMm[q] as number) - (yMm[p] as number)) / ((xMm[q] as number) - (xMm[p] as number));
    const chordMm = (yMm[p] as number) + slope * ((xMm[i] as number) - (xMm[p] as number));
    yMm[i] = chordMm - (read.get(i + 1)?.depthMm ?? usual);
  }
}
