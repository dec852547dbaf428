/**
 * The taut string with free ends through a row of gates: the z_i in
 * [low_i, high_i] with the least sum of (z_(i+1) - z_i)^2. Exact and linear: the
 * funnel of a shortest path through vertical gates (after Lee and Preparata
 * 1984), with the first and last piece level where the gates allow.
 *
 *      high   -------.            .-----
 *                     \__________/          <- the string
 *      low    ____                ______
 *                 `--------------'
 *
 * The same string has the least greatest |z_(i+1) - z_i| (geometry section 4).
 * Shapes: two arrays of n, mm -> array of n, mm. Throws RangeError on a gate
 * whose low is above its high. Example: gates [0,0],[1,2],[0,0] -> 0, 1, 0.
 */
export const tautString = (low: Float64Array, high: Float64Array): Float64Array =>
  low.length === 0 && high.length === 0 ? new Float64Array(0) : stringThrough(low, high).fill();

/** Greatest |z_(i+1) - z_i| of that string, without working out its heights. mm. O(n). */
export const steepestStep = (low: Float64Array, high: Float64Array): number =>
  low.length === 0 && high.length === 0 ? 0 : stringThrough(low, high).steepest();

/** Where the string bends. */
function stringThrough(low: Float64Array, high: Float64Array): StringPath {
  const n = low.length;
  if (high.length !== n) throw new RangeError('Each gate needs a low and a high.');
  for (let i = 0; i < n; i++) {
    if (!((low[i] as number) <= (high[i] as number))) throw new RangeError(`Gate ${i} has its low above its high.`);
  }
  const path = new StringPath(n);
  const start = levelStart(low, high);
  if (start === null) {
    path.add(0, levelThrough(low, high));
    return path;
  }
  path.add(start.index, start.z);
  const funnel = new Funnel(path, n, start.index, start.z);
  for (let i = start.index + 1; i < n; i++) {
    funnel.pull(i, low[i] as number, -1);
    funnel.pull(i, high[i] as number, 1);
  }
  funnel.finish(n - 1);
  return path;
}

/** The height in the middle of what all gates share. */
function levelThrough(low: Float64Array, high: Float64Array): number {
  const floor = low.reduce((m, v) => Math.max(m, v), -Infinity);
  const ceiling = high.reduce((m, v) => Math.min(m, v), Infinity);
  return (floor + ceiling) / 2;
}

/** Where a level start must first turn, and at which height; null when one level goes all the way. */
function levelStart(low: Float64Array, high: Float64Array): { index: number; z: number } | null {
  let floor = -Infinity;
  let floorAt = 0;
  let ceiling = Infinity;
  let ceilingAt = 0;
  for (let i = 0; i < low.length; i++) {
    const l = low[i] as number;
    const h = high[i] as number;
    if (l > ceiling) return { index: ceilingAt, z: ceiling };
    if (h < floor) return { index: floorAt, z: floor };
    if (l >= floor) {
      floor = l;
      floorAt = i;
    }
    if (h <= ceiling) {
      ceiling = h;
      ceilingAt = i;
    }
  }
  return null;
}

/** Where the string bends, in order: at a gate of no width it can bend at both its posts. */
class StringPath {
  private readonly at: Int32Array;
  private readonly height: Float64Array;
  private count = 0;

  constructor(private readonly n: number) {
    this.at = new Int32Array(2 * n + 1);
    this.height = new Float64Array(2 * n + 1);
  }

  add(index: number, z: number): void {
    this.at[this.count] = index;
    this.height[this.count++] = z;
  }

  steepest(): number {
    let most = 0;
    for (let k = 1; k < this.count; k++) {
      const rise = Math.abs((this.height[k] as number) - (this.height[k - 1] as number));
      if (rise > 0) most = Math.max(most, rise / ((this.at[k] as number) - (this.at[k - 1] as number)));
    }
    return most;
  }

  fill(): Float64Array {
    const z = new Float64Array(this.n);
    z.fill(this.height[0] as number, 0, (this.at[0] as number) + 1);
    for (let k = 1; k < this.count; k++) {
      const i0 = this.at[k - 1] as number;
      const i1 = this.at[k] as number;
      const z0 = this.height[k - 1] as number;
      const z1 = this.height[k] as number;
      for (let i = i0 + 1; i <= i1; i++) z[i] = i === i1 ? z1 : z0 + ((z1 - z0) * (i - i0)) / (i1 - i0);
    }
    const last = this.count - 1;
    z.fill(this.height[last] as number, this.at[last]);
    return z;
  }
}

/** One side of the funnel: gate posts from the apex, `from`, to before `to`. */
class Chain {
  readonly at: Int32Array;
  readonly z: Float64Array;
  from = 0;
  to = 0;

  constructor(n: number, index: number, z: number) {
    this.at = new Int32Array(n + 1);
    this.z = new Float64Array(n + 1);
    this.push(index, z);
  }

  push(index: number, z: number): void {
    this.at[this.to] = index;
    this.z[this.to++] = z;
  }

  startAt(index: number, z: number): void {
    this.from = this.to = 0;
    this.push(index, z);
  }

  /** Slope from its post k to a point after it. */
  slopeTo(k: number, index: number, z: number): number {
    return (z - (this.z[k] as number)) / (index - (this.at[k] as number));
  }

  /** Slope from its post k to the next. */
  slopeAfter(k: number): number {
    return this.slopeTo(k, this.at[k + 1] as number, this.z[k + 1] as number);
  }
}

/** Two chains from one apex: `side` -1 bends over the lows, +1 under the highs. */
class Funnel {
  private readonly low: Chain;
  private readonly high: Chain;

  constructor(
    private readonly path: StringPath,
    n: number,
    index: number,
    z: number,
  ) {
    this.low = new Chain(n, index, z);
    this.high = new Chain(n, index, z);
  }

  pull(index: number, z: number, side: -1 | 1): void {
    const own = side < 0 ? this.low : this.high;
    // Keep slopes rising on the high chain, falling on the low one.
    while (own.to - own.from >= 2) {
      const k = own.to - 1;
      if (side * (own.slopeTo(k, index, z) - own.slopeAfter(k - 1)) > 0) break;
      own.to--;
    }
    if (own.to - own.from === 1) {
      const other = side < 0 ? this.high : this.low;
      // The new gate post may lie beyond the other chain: the string bends there.
      while (other.to - other.from >= 2) {
        if (side * (other.slopeTo(other.from, index, z) - other.slopeAfter(other.from)) > 0) break;
        other.from++;
        this.path.add(other.at[other.from] as number, other.z[other.from] as number);
      }
      own.startAt(other.at[other.from] as number, other.z[other.from] as number);
    }
    own.push(index, z);
  }

  /** The last gate is free: follow whichever chain forbids going level, then go level. */
  finish(last: number): void {
    for (const side of [-1, 1] as const) {
      const chain = side < 0 ? this.low : this.high;
      for (let k = chain.from + 1; k < chain.to; k++) {
        if (side * chain.slopeAfter(k - 1) >= 0) break;
        this.path.add(chain.at[k] as number, chain.z[k] as number);
        if (chain.at[k] === last) return;
      }
    }
  }
}
