import type { PreparedLine } from './flats';

/** What is filed at one place: in a gullet the face before it and the back behind it, or both sides of one cutter. */
export interface FlankFiling {
  /** The gullet, named by the tooth on its heel side; or the cutter. */
  readonly at: number;
  /** The tooth on a gullet's toe side; 0 beyond the last tooth, and at a cutter. */
  readonly nextTooth: number;
  /** How far the face of the heel-side tooth goes back, mm along the line. */
  readonly faceMm: number;
  /** How far the back of the toe-side tooth, or of the cutter itself, goes, mm along the line. */
  readonly backMm: number;
  /** Drop of the gullet's bottom, or of the cutter's point under where its sides met: (face + back) / T, mm. */
  readonly dropMm: number;
}

/**
 * What each gullet must give so that every tooth on the line comes to its
 * point at (x_i, L_i): u falls by the face's travel, v rises by the back's, and
 * the V's bottom y = (u - v)/T drops by their sum over T (geometry section 4).
 * Gullet 0, before the first tooth, is given its back alone. Short teeth are
 * left as they are. Never negative: filing only takes metal away. O(n).
 */
export function gulletFilings(
  prepared: PreparedLine,
  targetXMm: Float64Array,
  on: Uint8Array,
  lineYMm: Float64Array,
): FlankFiling[] {
  const n = prepared.xMm.length;
  const { face, back } = travels(prepared, targetXMm, on, lineYMm);
  const filings: FlankFiling[] = [];
  for (let i = -1; i < n; i++) {
    const faceMm = i >= 0 ? (face[i] as number) : 0;
    const backMm = i + 1 < n ? (back[i + 1] as number) : 0;
    filings.push({
      at: i >= 0 ? (prepared.teeth[i] as number) : (prepared.teeth[0] as number) - 1,
      nextTooth: i + 1 < n ? (prepared.teeth[i + 1] as number) : 0,
      faceMm,
      backMm,
      dropMm: (faceMm + backMm) / spreadAt(prepared, i),
    });
  }
  return filings;
}

/** How far each tooth's face and back go to meet at its point, mm along the line; 0 of one that stays as it is. */
function travels(prepared: PreparedLine, targetXMm: Float64Array, on: Uint8Array, lineYMm: Float64Array) {
  const n = prepared.xMm.length;
  const face = new Float64Array(n);
  const back = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    if (!on[i]) continue;
    const x = targetXMm[i] as number;
    const y = lineYMm[i] as number;
    face[i] = Math.max(0, (prepared.faceMm[i] as number) - (x + y * (prepared.tanFace[i] as number)));
    back[i] = Math.max(0, x - y * (prepared.tanBack[i] as number) - (prepared.backMm[i] as number));
  }
  return { face, back };
}

/**
 * What each cutter must give on its two sides to come to its point at (x_i, L_i), where cutters are
 * pointed one by one: its flat, half from each side where the point stays in its middle. Rakers and
 * short cutters are none of them. O(n).
 */
export function pointFilings(
  prepared: PreparedLine,
  targetXMm: Float64Array,
  on: Uint8Array,
  lineYMm: Float64Array,
): FlankFiling[] {
  const { face, back } = travels(prepared, targetXMm, on, lineYMm);
  return Array.from(prepared.teeth, (tooth, i) => ({ tooth, i }))
    .filter(({ i }) => prepared.roles?.[i] !== 'raker')
    .map(({ tooth, i }) => {
      const [faceMm, backMm] = [face[i] as number, back[i] as number];
      const spread = (prepared.tanFace[i] as number) + (prepared.tanBack[i] as number);
      return { at: tooth, nextTooth: 0, faceMm, backMm, dropMm: (faceMm + backMm) / spread };
    });
}

/** Teeth brought down to the line from the top alone, where nothing is shaped: every tooth, those under the line by nothing. O(n). */
export const levelFilings = (
  { teeth, yMm }: PreparedLine,
  _xMm: Float64Array,
  _on: Uint8Array,
  lineYMm: Float64Array,
): FlankFiling[] =>
  Array.from(teeth, (at, i) => {
    const dropMm = Math.max(0, (yMm[i] as number) - (lineYMm[i] as number));
    return { at, nextTooth: 0, faceMm: 0, backMm: 0, dropMm };
  });

/** T of the gullet after standing tooth i, -1 the one before the first: its two flanks together. */
function spreadAt({ tanFace, tanBack }: PreparedLine, i: number): number {
  const n = tanFace.length;
  return (tanFace[Math.max(0, i)] as number) + (tanBack[Math.min(n - 1, i + 1)] as number);
}

/**
 * Metal taken off per mm of plate thickness, mm^2. Over each tooth the
 * triangle jointed away, over^2 T / 2. In each gullet the void under the line
 * grows from h^2 T / 2 to (h + d)^2 T / 2, h its depth before and d its drop:
 * h d T + d^2 T / 2, with d T = face + back travel, each flank over the height
 * of its own tooth. Over a missing tooth and at the ends h is the nominal height.
 */
export function metalAreaMm2(
  prepared: PreparedLine,
  filings: readonly FlankFiling[],
  on: Uint8Array,
  lineYMm: Float64Array,
  toothHeightMm: number,
): number {
  let area = 0;
  for (let i = 0; i < prepared.xMm.length; i++) {
    if (!on[i]) continue;
    const over = Math.max(0, (prepared.yMm[i] as number) - (lineYMm[i] as number));
    area += (over * over * ((prepared.tanFace[i] as number) + (prepared.tanBack[i] as number))) / 2;
  }
  filings.forEach((filing, index) => {
    const spread = spreadAt(prepared, index - 1);
    if (filing.nextTooth !== filing.at + 1 || index === 0) {
      area += (filing.faceMm + filing.backMm) * toothHeightMm + (filing.dropMm * filing.dropMm * spread) / 2;
      return;
    }
    const bottom = ((prepared.faceMm[index - 1] as number) - (prepared.backMm[index] as number)) / spread;
    const below = (i: number): number => Math.max(0, (lineYMm[i] as number) - bottom);
    area += filing.faceMm * below(index - 1) + filing.backMm * below(index);
    area += (filing.dropMm * filing.dropMm * spread) / 2;
  });
  return area;
}
