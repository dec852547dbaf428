import type { Corner } from './corner';

/** A raker's two tips have a notch between them this much shallower than a gullet, and stand nearer than two teeth do. */
const NOTCH_SHARE = 0.72;
const NEAR_SHARE = 0.92;

/**
 * Which neighbouring tips of an outline belong to one raker: `[i]` is whether tips i
 * and i + 1 do. The notch filed into a raker is shallower than the gullets beside it
 * (geometry section 7), and its tips stand closer. Only for saws that have rakers:
 * on any other a broken tooth looks so. O(pixels).
 */
export function pairsOf(profile: Float32Array, tips: readonly Corner[]): boolean[] {
  const gaps = tips.slice(1).map((tip, i) => {
    const before = tips[i] as Corner;
    let low = Infinity;
    for (let x = Math.ceil(before.x); x < tip.x; x++) if ((profile[x] as number) < low) low = profile[x] as number;
    return { step: tip.x - before.x, depth: (before.rise + tip.rise) / 2 - low };
  });
  const upper = (values: number[]): number => values.sort((a, b) => a - b)[Math.floor(0.8 * values.length)] ?? 0;
  const [deep, far] = [upper(gaps.map((g) => g.depth)), upper(gaps.map((g) => g.step))];
  const pairs = gaps.map((g) => g.depth < NOTCH_SHARE * deep && g.step < NEAR_SHARE * far);
  // A tip belongs to one raker at the most: the shallower notch is it.
  pairs.forEach((pair, i) => {
    if (!pair || !pairs[i + 1]) return;
    const [here, next] = [gaps[i], gaps[i + 1]];
    if (here && next) pairs[here.depth <= next.depth ? i + 1 : i] = false;
  });
  return pairs;
}

/** Places of the teeth, a raker's two tips as one in their middle. */
export function centresOf(tips: readonly Corner[], pairs: readonly boolean[]): number[] {
  return tips.flatMap((tip, i) => {
    if (pairs[i - 1]) return [];
    const other = pairs[i] ? tips[i + 1] : undefined;
    return [other ? (tip.x + other.x) / 2 : tip.x];
  });
}
