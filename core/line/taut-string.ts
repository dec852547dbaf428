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
  const funnel = new Funnel(path, start.index, start.z);
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

class StringPath {
  private readonly at: number[] = [];
  private readonly height: number[] = [];
  constructor(private readonly n: number) {}

  add(index: number, z: number): void {
    this.at.push(index);
    this.height.push(z);
  }

  steepest(): number {
    let most = 0;
    for (let k = 1; k < this.at.length; k++) {
      const rise = Math.abs((this.height[k] as number) - (this.height[k - 1] as number));
      if (rise > 0) most = Math.max(most, rise / ((this.at[k] as number) - (this.at[k - 1] as number)));
    }
    return most;
  }

  fill(): Float64Array {
    const z = new Float64Array(this.n);
    z.fill(this.height[0] as number, 0, (this.at[0] as number) + 1);
    for (let k = 1; k < this.at.length; k++) {
      const i0 = this.at[k - 1] as number;
      const i1 = this.at[k] as number;
      const z0 = this.height[k - 1] as number;
      const z1 = this.height[k] as number;
      for (let i = i0 + 1; i <= i1; i++) z[i] = i === i1 ? z1 : z0 + ((z1 - z0) * (i - i0)) / (i1 - i0);
    }
    const last = this.at.length - 1;
    z.fill(this.height[last] as number, this.at[last]);
    return z;
  }
}

/** Two chains from one apex: `side` -1 bends over the lows, +1 under the highs. */
class Funnel {
  private readonly chains: Record<-1 | 1, { at: number[]; z: number[]; from: number }>;

  constructor(
    private readonly path: StringPath,
    index: number,
    z: number,
  ) {
    this.chains = { [-1]: { at: [index], z: [z], from: 0 }, 1: { at: [index], z: [z], from: 0 } };
  }

  pull(index: number, z: number, side: -1 | 1): void {
    const own = this.chains[side];
    // Keep slopes rising on the high chain, falling on the low one.
    while (own.at.length - own.from >= 2) {
      const k = own.at.length - 1;
      if (side * (slope(own, k, index, z) - slope(own, k - 1, own.at[k] as number, own.z[k] as number)) > 0) break;
      own.at.pop();
      own.z.pop();
    }
    const other = this.chains[-side as -1 | 1];
    if (own.at.length - own.from === 1) {
      // The new gate post may lie beyond the other chain: the string bends there.
      while (other.at.length - other.from >= 2) {
        const k = other.from + 1;
        const bend = slope(other, other.from, other.at[k] as number, other.z[k] as number);
        if (side * (slope(other, other.from, index, z) - bend) > 0) break;
        other.from = k;
        this.path.add(other.at[k] as number, other.z[k] as number);
      }
      own.at.length = 0;
      own.z.length = 0;
      own.from = 0;
      own.at.push(other.at[other.from] as number);
      own.z.push(other.z[other.from] as number);
    }
    own.at.push(index);
    own.z.push(z);
  }

  /** The last gate is free: follow whichever chain forbids going level, then go level. */
  finish(last: number): void {
    for (const side of [-1, 1] as const) {
      const chain = this.chains[side];
      for (let k = chain.from + 1; k < chain.at.length; k++) {
        const s = slope(chain, k - 1, chain.at[k] as number, chain.z[k] as number);
        if (side * s >= 0) break;
        this.path.add(chain.at[k] as number, chain.z[k] as number);
        if (chain.at[k] === last) return;
      }
    }
  }
}

function slope(chain: { at: number[]; z: number[] }, k: number, index: number, z: number): number {
  return (z - (chain.z[k] as number)) / (index - (chain.at[k] as number));
}
