/** A part of a dado set: an outer scoring blade, an inside chipper, or a shim. */
export interface DadoPart {
  readonly id: string;
  readonly kind: 'outer' | 'chipper' | 'shim';
  /** Plate thickness at the arbor, mm. */
  readonly plateMm: number;
  /** Width its teeth cut, mm; a shim cuts none. */
  readonly cutMm: number;
}

export interface DadoStack {
  readonly parts: readonly string[];
  /** Width of groove it cuts, mm. */
  readonly widthMm: number;
  /** Strips of the floor no chipper reaches, mm wide in all; 0 when the cuts overlap. */
  readonly uncutMm: number;
}

/**
 * Width of a stack in the order given: plates lie face on face at the arbor, and
 * every part's teeth stand out evenly beyond its plate, so a part at arbor
 * position a cuts from a - (cut - plate) / 2. The groove runs from the first cut
 * to the last; gaps between cuts are left standing. mm. O(n log n).
 * Throws RangeError unless an outer blade stands at both ends.
 */
export function stackWidth(parts: readonly DadoPart[]): DadoStack {
  const [first, last] = [parts[0], parts[parts.length - 1]];
  if (parts.length < 2 || first?.kind !== 'outer' || last?.kind !== 'outer')
    throw new RangeError('A dado set has an outer blade at both ends.');
  let at = 0;
  const cuts: [number, number][] = [];
  for (const part of parts) {
    if (!(part.plateMm > 0)) throw new RangeError(`${part.id} needs a thickness.`);
    if (part.kind !== 'shim') {
      const out = (part.cutMm - part.plateMm) / 2;
      cuts.push([at - out, at + part.plateMm + out]);
    }
    at += part.plateMm;
  }
  cuts.sort((p, q) => p[0] - q[0]);
  let uncutMm = 0;
  let reach = (cuts[0] as [number, number])[1];
  for (const [from, to] of cuts) {
    uncutMm += Math.max(0, from - reach);
    reach = Math.max(reach, to);
  }
  return { parts: parts.map((p) => p.id), widthMm: reach - (cuts[0] as [number, number])[0], uncutMm };
}

/** More parts between the outer blades than this are not searched: 2^12 stacks. */
const MOST_INNER = 12;

/**
 * The stack of a set that comes nearest a wanted groove without leaving strips
 * of the floor uncut; fewest parts among equals. Null when none does. mm.
 */
export function stackFor(parts: readonly DadoPart[], wantedMm: number): DadoStack | null {
  const outer = parts.filter((p) => p.kind === 'outer');
  const inner = [...parts.filter((p) => p.kind === 'chipper'), ...parts.filter((p) => p.kind === 'shim')];
  if (outer.length !== 2) throw new RangeError('A dado set has two outer blades.');
  if (inner.length > MOST_INNER) throw new RangeError(`At most ${MOST_INNER} chippers and shims can be tried.`);
  let best: DadoStack | null = null;
  for (let mask = 0; mask < 1 << inner.length; mask++) {
    const chosen = inner.filter((_, i) => mask & (1 << i));
    const stack = stackWidth([outer[0] as DadoPart, ...chosen, outer[1] as DadoPart]);
    if (stack.uncutMm > 1e-9) continue;
    const off = Math.abs(stack.widthMm - wantedMm);
    const bestOff = best ? Math.abs(best.widthMm - wantedMm) : Infinity;
    if (off < bestOff - 1e-9 || (off < bestOff + 1e-9 && stack.parts.length < (best?.parts.length ?? Infinity)))
      best = stack;
  }
  return best;
}
