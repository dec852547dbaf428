import { median } from '../units/median';

/** A part that is not of the others' set: all its teeth stand so far over (or, negative, under) theirs. mm. */
export interface Stranger {
  readonly part: string;
  readonly byMm: number;
}

/** Parts of one kind whose teeth stand further apart than this, all of them, were not made together. Estimate, no source. mm. */
export const OTHER_SET_MM = 0.8;

/**
 * Parts of one kind that do not belong to the others, by their heights on one dial: a set is ground together, so
 * the middle tooth of every part of a kind stands nearly at one height. Parts are put into groups with no gap
 * over {@link OTHER_SET_MM} between neighbours; the largest group is the set, what lies outside of it is named with
 * how far it stands off. With no largest group (two parts, apart) nobody can say which is the stranger: both are
 * named. Parts nobody read are passed over. mm. O(n log n).
 * Example: middles 0, -0.1 and -1.9 -> the third, by -1.85.
 */
export function strangersAmong(
  parts: readonly { readonly part: string; readonly heightsMm: readonly number[] }[],
): Stranger[] {
  const sorted = parts
    .flatMap(({ part, heightsMm }) => (heightsMm.length === 0 ? [] : [{ part, atMm: median(heightsMm) }]))
    .sort((a, b) => a.atMm - b.atMm);
  const groups: (typeof sorted)[] = [];
  for (const one of sorted) {
    const last = groups.at(-1)?.at(-1);
    if (last && one.atMm - last.atMm <= OTHER_SET_MM) groups.at(-1)?.push(one);
    else groups.push([one]);
  }
  if (groups.length < 2) return [];
  const most = Math.max(...groups.map((group) => group.length));
  const largest = groups.filter((group) => group.length === most);
  const own = largest.length === 1 ? largest[0] : undefined;
  return groups
    .filter((group) => group !== own)
    .flatMap((group) => {
      const others = own ?? groups.filter((other) => other !== group).flat();
      const theirs = median(others.map((o) => o.atMm));
      return group.map(({ part, atMm }) => ({ part, byMm: atMm - theirs }));
    });
}
