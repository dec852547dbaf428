/** A straight piece of a profile: from (z0, y0) to (z1, y1), z0 <= z1. mm. */
export interface Piece {
  readonly z0: number;
  readonly y0: number;
  readonly z1: number;
  readonly y1: number;
}

/** Narrower pieces than this are rounding. mm. */
const NARROWEST_MM = 1e-12;

/**
 * The upper envelope of straight pieces: at every z the greatest y of any, by
 * halving and merging (the usual divide and conquer for envelopes of segments;
 * Hershberger 1989 for its size, from memory). Pieces out come in order of z
 * and do not overlap; where none reaches there is a gap. O(n log n) as long as
 * envelopes stay short, which those of a saw's teeth do.
 */
export function upperEnvelope(pieces: readonly Piece[]): Piece[] {
  if (pieces.length <= 1) return pieces.filter((p) => p.z1 - p.z0 > NARROWEST_MM);
  const middle = pieces.length >> 1;
  return merge(upperEnvelope(pieces.slice(0, middle)), upperEnvelope(pieces.slice(middle)));
}

/** So many of the highest are held against the rest. */
const HIGHEST = 8;

/**
 * The pieces without those that lie under a single other one from end to end: the envelope is the same, and of a
 * saw's teeth few are left. The highest pieces are tried alone, so that this stays O(n).
 */
export function withoutCovered(pieces: readonly Piece[]): Piece[] {
  const top = (p: Piece): number => Math.max(p.y0, p.y1);
  const highest: Piece[] = [];
  for (const piece of pieces) {
    let i = highest.length;
    while (i > 0 && top(highest[i - 1] as Piece) < top(piece)) i--;
    if (i < HIGHEST) highest.splice(i, 0, piece);
    if (highest.length > HIGHEST) highest.pop();
  }
  return pieces.filter((p) => highest.includes(p) || !highest.some((q) => covers(q, p)));
}

const covers = (q: Piece, p: Piece): boolean =>
  q.z0 <= p.z0 && q.z1 >= p.z1 && at(q, p.z0) >= p.y0 && at(q, p.z1) >= p.y1;

const at = (p: Piece, z: number): number =>
  p.z1 === p.z0 ? Math.max(p.y0, p.y1) : p.y0 + ((p.y1 - p.y0) * (z - p.z0)) / (p.z1 - p.z0);

/** Where pieces of either begin and end. */
function edgesOf(a: readonly Piece[], b: readonly Piece[]): Float64Array {
  const out = new Float64Array(2 * (a.length + b.length));
  let n = 0;
  for (const pieces of [a, b]) {
    for (const { z0, z1 } of pieces) {
      out[n++] = z0;
      out[n++] = z1;
    }
  }
  return out;
}

function merge(a: readonly Piece[], b: readonly Piece[]): Piece[] {
  const places = edgesOf(a, b).sort();
  const out: Piece[] = [];
  let [i, j] = [0, 0];
  for (let k = 1; k < places.length; k++) {
    const [from, to] = [places[k - 1] as number, places[k] as number];
    if (to - from <= NARROWEST_MM) continue;
    while (i < a.length && (a[i] as Piece).z1 <= from + NARROWEST_MM) i++;
    while (j < b.length && (b[j] as Piece).z1 <= from + NARROWEST_MM) j++;
    const p = covering(a[i], from);
    const q = covering(b[j], from);
    if (!p && !q) continue;
    if (!p || !q) {
      append(out, cut((p ?? q) as Piece, from, to));
      continue;
    }
    const [left, right] = [at(p, from) - at(q, from), at(p, to) - at(q, to)];
    if (left >= 0 && right >= 0) append(out, cut(p, from, to));
    else if (left <= 0 && right <= 0) append(out, cut(q, from, to));
    else {
      const cross = from + ((to - from) * left) / (left - right);
      append(out, cut(left > 0 ? p : q, from, cross));
      append(out, cut(left > 0 ? q : p, cross, to));
    }
  }
  return out;
}

const covering = (p: Piece | undefined, from: number): Piece | null => (p && p.z0 <= from + NARROWEST_MM ? p : null);
const cut = (p: Piece, from: number, to: number): Piece => ({ z0: from, y0: at(p, from), z1: to, y1: at(p, to) });

/** Adds a piece, drawing it together with the one before where they are one line. */
function append(out: Piece[], next: Piece): void {
  if (next.z1 - next.z0 <= NARROWEST_MM) return;
  const last = out[out.length - 1];
  if (last && next.z0 - last.z1 <= NARROWEST_MM && Math.abs(next.y0 - last.y1) <= 1e-12) {
    // Spelled out: a spread here was a quarter of what a move of the plan's handle takes.
    const drawn = { z0: last.z0, y0: last.y0, z1: next.z1, y1: next.y1 };
    if (Math.abs(at(drawn, last.z1) - last.y1) <= 1e-12) {
      out[out.length - 1] = drawn;
      return;
    }
  }
  out.push(next);
}

/** Height of an envelope at z; -Infinity in a gap. */
export function envelopeAt(pieces: readonly Piece[], z: number): number {
  let top = -Infinity;
  for (const p of pieces) if (z >= p.z0 - NARROWEST_MM && z <= p.z1 + NARROWEST_MM) top = Math.max(top, at(p, z));
  return top;
}
