/** A trace held against the truth of the scan it was made from; test and bench only. */
import type { TracedLine, TracedTooth } from '../trace/traced-line';
import type { MadeScan, TrueTooth } from './made-scan';

export interface TraceAgainstTruth {
  readonly missed: number;
  readonly invented: number;
  /** Teeth called something else than they are. */
  readonly miscalled: number;
  /** Root mean squares over standing teeth: tips in the plane mm, rake and back degrees, gullet mm. */
  readonly tipMm: number;
  readonly rakeDeg: number;
  readonly backDeg: number;
  readonly flatMm: number;
  readonly gulletMm: number;
  /** Error over standard error, root mean square, of tips and rakes: 1 where the errors are honest. */
  readonly tipErrors: number;
  readonly rakeErrors: number;
  /** Share that the pitch is off. */
  readonly pitchShare: number;
}

const tan = (deg: number): number => Math.tan((deg * Math.PI) / 180);
const deg = (tangent: number): number => (Math.atan(tangent) * 180) / Math.PI;

/** The middle between a true tooth's flanks at its top: where a trace puts its tip. */
function tipOf(t: TrueTooth): { x: number; y: number } {
  const half = ((t.backDeg - t.rakeDeg) * Math.PI) / 360;
  const lean = ((t.backDeg + t.rakeDeg) * Math.PI) / 360;
  const risen = t.roundMm === 0 ? 0 : (t.roundMm / Math.sin(half)) * Math.cos(lean) - t.roundMm;
  return { x: t.xMm + (risen * (tan(-t.rakeDeg) - tan(t.backDeg))) / 2, y: t.yMm };
}

/** `slopeAt` is the true line's own slope, which a rake stands off. `radiusMm` rounds every gullet. */
export function againstTruth(
  line: readonly TrueTooth[],
  scan: MadeScan,
  trace: TracedLine,
  slopeAt: (xMm: number) => number = () => 0,
  radiusMm = 0.05,
): TraceAgainstTruth {
  const used = new Set<TracedTooth>();
  let [missed, miscalled, n, rakes, gullets] = [0, 0, 0, 0, 0];
  const sum = { tip: 0, rake: 0, back: 0, flat: 0, gullet: 0, tipErrors: 0, rakeErrors: 0 };
  const pitch = trace.summary.pitchMm.value;
  const standing = line.filter((t) => t.kind !== 'missing');
  standing.forEach((t, i) => {
    const tip = tipOf(t);
    const at = scan.place(tip.x, tip.y);
    const off = (q: TracedTooth): number => Math.hypot(q.tipPx.x - at.x, q.tipPx.y - at.y) * scan.mmPerPx;
    const found = trace.teeth.filter((q) => q.kind !== 'missing').reduce((a, b) => (off(b) < off(a) ? b : a));
    if (off(found) > 0.3 * pitch) {
      missed++;
      return;
    }
    used.add(found);
    if (found.kind !== t.kind) miscalled++;
    if (t.kind !== 'tooth' || found.kind !== 'tooth') return;
    n++;
    sum.tip += off(found) ** 2;
    sum.tipErrors += off(found) ** 2 / (found.errors.xMm ** 2 + found.errors.yMm ** 2);
    sum.flat += (found.flatMm - t.flatMm) ** 2;
    if (found.rakeDeg !== null && found.backDeg !== null && found.errors.rakeDeg !== null) {
      rakes++;
      // Uphill to the toe, a face leans the more into the cut against its own line.
      const turn = deg(slopeAt(t.xMm));
      const rake = found.rakeDeg - (t.rakeDeg + turn);
      sum.rake += rake ** 2;
      sum.rakeErrors += (rake / found.errors.rakeDeg) ** 2;
      sum.back += (found.backDeg - (t.backDeg + turn)) ** 2;
    }
    const next = standing[i + 1];
    if (found.gulletMm !== null && next?.kind === 'tooth' && next.xMm - t.xMm < 1.5 * pitch) {
      gullets++;
      sum.gullet += (found.gulletMm - trueGullet(t, next, radiusMm)) ** 2;
    }
  });
  const root = (squares: number, count: number): number => Math.sqrt(squares / Math.max(1, count));
  return {
    missed,
    miscalled,
    invented: trace.teeth.filter((q) => q.kind !== 'missing' && !used.has(q)).length,
    tipMm: root(sum.tip, n),
    rakeDeg: root(sum.rake, rakes),
    backDeg: root(sum.back, rakes),
    flatMm: root(sum.flat, n),
    gulletMm: root(sum.gullet, gullets),
    tipErrors: root(sum.tipErrors, 2 * n),
    rakeErrors: root(sum.rakeErrors, rakes),
    pitchShare: Math.abs(pitch / truePitch(line) - 1),
  };
}

/** Depth of the rounded bottom under the chord of the two tips. */
function trueGullet(t: TrueTooth, next: TrueTooth, radiusMm: number): number {
  const [A, B] = [tan(-t.rakeDeg), tan(next.backDeg)];
  const risen = (tooth: TrueTooth): number => {
    if (tooth.roundMm === 0) return 0;
    const half = ((tooth.backDeg - tooth.rakeDeg) * Math.PI) / 360;
    return (
      (tooth.roundMm / Math.sin(half)) * Math.cos(((tooth.backDeg + tooth.rakeDeg) * Math.PI) / 360) - tooth.roundMm
    );
  };
  const [y1, y2] = [t.yMm + risen(t), next.yMm + risen(next)];
  const face = t.xMm + t.flatMm / 2;
  const back = next.xMm - next.flatMm / 2;
  const corner = (face + A * y1 - back + B * y2) / (A + B);
  const half = (Math.atan(A) + Math.atan(B)) / 2;
  const lean = (Math.atan(A) - Math.atan(B)) / 2;
  const filled = (radiusMm / Math.sin(half)) * Math.cos(lean) - radiusMm;
  return (t.yMm + next.yMm) / 2 - corner - filled;
}

/** Least squares of the true places on the tooth numbers, as the trace takes its own. */
function truePitch(line: readonly TrueTooth[]): number {
  const pairs = line.flatMap((t, i) => (t.kind === 'tooth' ? [[i, tipOf(t).x] as const] : []));
  const mi = pairs.reduce((s, p) => s + p[0], 0) / pairs.length;
  const mx = pairs.reduce((s, p) => s + p[1], 0) / pairs.length;
  return pairs.reduce((s, p) => s + (p[0] - mi) * (p[1] - mx), 0) / pairs.reduce((s, p) => s + (p[0] - mi) ** 2, 0);
}

/** What a dirty scan's trace says against what is true. */
export interface DirtyFindings {
  readonly flanks: number;
  /** Rakes, backs and tips off by more than so many of their own stated errors at a tooth of which no doubt is told. */
  readonly flanksOver: number;
  readonly tipsOver: number;
  readonly teeth: number;
  readonly doubted: number;
  readonly missed: number;
  readonly invented: number;
}

/** Every tooth's angles, over the line through the true tips, and its tip against what the trace states. */
export function dirtyFindings(
  line: readonly TrueTooth[],
  scan: MadeScan,
  trace: TracedLine,
  statedErrors: number,
): DirtyFindings {
  const turnAt = slopeOfTips(line);
  const used = new Set<TracedTooth>();
  const found = { flanks: 0, flanksOver: 0, tipsOver: 0, teeth: 0, doubted: 0, missed: 0 };
  for (const t of line) {
    const tip = tipOf(t);
    const at = scan.place(tip.x, tip.y);
    const off = (q: TracedTooth): number => Math.hypot(q.tipPx.x - at.x, q.tipPx.y - at.y) * scan.mmPerPx;
    const q = trace.teeth.filter((one) => one.kind !== 'missing').reduce((a, b) => (off(b) < off(a) ? b : a));
    if (off(q) > 0.3 * trace.summary.pitchMm.value) {
      found.missed++;
      continue;
    }
    used.add(q);
    found.teeth++;
    const quiet = q.doubts.length === 0;
    if (!quiet) found.doubted++;
    if (quiet && off(q) > statedErrors * Math.hypot(q.errors.xMm, q.errors.yMm)) found.tipsOver++;
    for (const [value, error, truth] of [
      [q.rakeDeg, q.errors.rakeDeg, t.rakeDeg],
      [q.backDeg, q.errors.backDeg, t.backDeg],
    ] as const) {
      if (value === null || error === null) continue;
      found.flanks++;
      if (quiet && Math.abs(value - truth - turnAt(t.xMm)) > statedErrors * error) found.flanksOver++;
    }
  }
  return { ...found, invented: trace.teeth.filter((q) => q.kind !== 'missing' && !used.has(q)).length };
}

/** Degrees that the parabola through the true tips rises at a place: uphill to the toe a face leans the more. */
function slopeOfTips(line: readonly TrueTooth[]): (xMm: number) => number {
  const n = line.length;
  const middle = line.reduce((s, t) => s + t.xMm, 0) / n;
  const sum = (of: (u: number, y: number) => number): number => line.reduce((s, t) => s + of(t.xMm - middle, t.yMm), 0);
  const [s2, s3, s4] = [sum((u) => u * u), sum((u) => u ** 3), sum((u) => u ** 4)];
  const [sy, suy, suuy] = [sum((_, y) => y), sum((u, y) => u * y), sum((u, y) => u * u * y)];
  // Normal equations of y = a + p u + q u^2 with the sum of u zero, by elimination.
  const q = (suuy - (s2 / n) * sy - (s3 / s2) * suy) / (s4 - (s2 * s2) / n - (s3 * s3) / s2);
  const p = (suy - q * s3) / s2;
  return (xMm) => deg(p + 2 * q * (xMm - middle));
}
