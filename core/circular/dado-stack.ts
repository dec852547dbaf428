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

/** Every stack of a set that leaves no strip of the floor uncut, fewest parts among equal widths. RangeError without two outer blades, or with too many parts between them. */
function stacksOf(parts: readonly DadoPart[]): DadoStack[] {
  const outer = parts.filter((p) => p.kind === 'outer');
  const inner = [...parts.filter((p) => p.kind === 'chipper'), ...parts.filter((p) => p.kind === 'shim')];
  const [left, right] = outer;
  if (!left || !right || outer.length !== 2) throw new RangeError('A dado set has two outer blades.');
  if (inner.length > MOST_INNER) throw new RangeError(`At most ${MOST_INNER} chippers and shims can be tried.`);
  return Array.from({ length: 1 << inner.length }, (_, mask) =>
    stackWidth([left, ...inner.filter((_, i) => mask & (1 << i)), right]),
  ).filter((stack) => stack.uncutMm <= UNCUT_MM);
}
/** A strip this narrow is rounding. mm. */
const UNCUT_MM = 1e-9;
/** Widths nearer to each other than this are one. mm. */
const SAME_WIDTH_MM = 1e-6;

/**
 * The widths a set can cut nearest to a wanted one, the nearest first, each by its fewest parts; the
 * first is the stack to put on. mm. O(2^n) in the chippers and shims. RangeError without two outer blades.
 */
export function stacksNear(parts: readonly DadoPart[], wantedMm: number, count: number): DadoStack[] {
  const off = (stack: DadoStack): number => Math.abs(stack.widthMm - wantedMm);
  const sorted = stacksOf(parts).sort((a, b) =>
    Math.abs(off(a) - off(b)) > SAME_WIDTH_MM ? off(a) - off(b) : a.parts.length - b.parts.length,
  );
  const near: DadoStack[] = [];
  for (const stack of sorted)
    if (!near.some((one) => Math.abs(one.widthMm - stack.widthMm) < SAME_WIDTH_MM)) near.push(stack);
  return near.slice(0, count);
}

/**
 * How far each chipper is turned on the arbor from the first outer blade's tooth 1, degrees: their tips spread
 * evenly round, so that they meet the wood one after the other, each tip in a gullet of the outer blade
 * nearest there, half a pitch beside a tooth. Common practice, no source.
 */
export function spreadRound(chippers: readonly { readonly teeth: number }[], outerTeeth: number): number[] {
  const pitchDeg = 360 / Math.max(1, outerTeeth);
  return chippers.map(({ teeth }, i) => {
    const even = ((360 / Math.max(1, teeth)) * i) / chippers.length;
    return (Math.round(even / pitchDeg - 0.5) + 0.5) * pitchDeg;
  });
}
