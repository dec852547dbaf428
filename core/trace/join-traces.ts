import { renumbered, shiftedTips } from './edit-trace';
import type { ScanFrame, TracedLine, TracedTooth, TraceNote } from './traced-line';

export type JoinRefusal = 'scans-apart' | 'overlap-unclear' | 'scales-differ';
export type JoinResult =
  | { readonly ok: true; readonly line: TracedLine; readonly overlap: number; readonly offMm: number }
  | { readonly ok: false; readonly code: JoinRefusal };

export const JOIN_WORDS: Readonly<Record<JoinRefusal, string>> = {
  'scans-apart': 'These two scans have no teeth in common. Scan again so that ten teeth or more are on both.',
  'overlap-unclear':
    'The teeth on both scans are too alike to tell where one scan goes on from the other. Say how many teeth they share.',
  'scales-differ': 'The two scans were made at different resolutions that do not agree. Scan both the same way.',
};

/** Fewest teeth that both scans must show, and how well they must agree, mm. */
export const LEAST_OVERLAP = 4;
const MOST_OFF_MM = 0.03;
/** The best overlap must agree so many times better than the next best. */
const CLEARLY = 1.6;

/**
 * Two overlapping scans of one line, the first nearer the heel, into one. For
 * every number of shared teeth the second is laid on the first by the best turn and
 * shift (least squares in the plane; Arun, Huang and Blostein 1987, from memory);
 * uneven spacing and heights say which number is right. Shared teeth are averaged.
 * `told` is the number somebody counted. mm. O(n^2).
 */
export function joinTraces(first: TracedLine, second: TracedLine, told?: number): JoinResult {
  if (Math.abs(first.summary.pitchMm.value / second.summary.pitchMm.value - 1) > 0.03)
    return { ok: false, code: 'scales-differ' };
  const most = Math.min(first.teeth.length, second.teeth.length);
  const fits = (told ? [told] : range(LEAST_OVERLAP, most)).flatMap((overlap) => {
    const fit = overlap <= most ? laidOn(first.teeth.slice(-overlap), second.teeth.slice(0, overlap)) : null;
    return fit ? [{ ...fit, overlap }] : [];
  });
  // A longer overlap that agrees as well says more.
  fits.sort((a, b) => scoreOf(a) - scoreOf(b));
  const best = fits[0];
  if (!best || best.offMm > MOST_OFF_MM) return { ok: false, code: 'scans-apart' };
  const next = fits[1];
  if (!told && next && scoreOf(next) < CLEARLY * scoreOf(best)) return { ok: false, code: 'overlap-unclear' };
  return { ok: true, line: joined(first, second, best.overlap, best.turn), overlap: best.overlap, offMm: best.offMm };
}

const range = (from: number, to: number): number[] =>
  Array.from({ length: Math.max(0, to - from + 1) }, (_, i) => from + i);
/** Deviation allowed for the two degrees that the fit uses up. */
const scoreOf = ({ offMm, overlap }: { offMm: number; overlap: number }): number =>
  (offMm + FLOOR_MM) * Math.sqrt(overlap / Math.max(1, overlap - 2));
/** No two scans agree better than this, mm: below it differences say nothing. */
const FLOOR_MM = 0.004;

interface Turn {
  readonly cos: number;
  readonly sin: number;
  readonly x: number;
  readonly y: number;
}

/** Best turn and shift of `b` on `a`, and what is left: root mean square, mm. Null where kinds disagree. */
function laidOn(a: readonly TracedTooth[], b: readonly TracedTooth[]): { turn: Turn; offMm: number } | null {
  const pairs = a.flatMap((t, i) => {
    const other = b[i] as TracedTooth;
    return t.kind === 'tooth' && other.kind === 'tooth' ? [[t, other] as const] : [];
  });
  if (pairs.length < Math.max(3, 0.6 * a.length)) return null;
  const mean = (pick: (p: (typeof pairs)[number]) => number): number =>
    pairs.reduce((s, p) => s + pick(p), 0) / pairs.length;
  const [ax, ay, bx, by] = [mean((p) => p[0].xMm), mean((p) => p[0].yMm), mean((p) => p[1].xMm), mean((p) => p[1].yMm)];
  let [c, s] = [0, 0];
  for (const [p, q] of pairs) {
    c += (q.xMm - bx) * (p.xMm - ax) + (q.yMm - by) * (p.yMm - ay);
    s += (q.xMm - bx) * (p.yMm - ay) - (q.yMm - by) * (p.xMm - ax);
  }
  const size = Math.hypot(c, s) || 1;
  const [cos, sin] = [c / size, s / size];
  const turn = { cos, sin, x: ax - cos * bx + sin * by, y: ay - sin * bx - cos * by };
  const squares = pairs.reduce((sum, [p, q]) => {
    const [x, y] = moved(turn, q.xMm, q.yMm);
    return sum + (x - p.xMm) ** 2 + (y - p.yMm) ** 2;
  }, 0);
  return { turn, offMm: Math.sqrt(squares / pairs.length) };
}

const moved = ({ cos, sin, x, y }: Turn, px: number, py: number): [number, number] => [
  cos * px - sin * py + x,
  sin * px + cos * py + y,
];

/** A scan's frame when its line is turned: its millimetres go where `moved` takes them. */
const turnedFrame = ({ cos, sin, x: dx, y: dy }: Turn, { x, y }: ScanFrame): ScanFrame => ({
  x: [cos * x[0] - sin * y[0], cos * x[1] - sin * y[1], cos * x[2] - sin * y[2] + dx],
  y: [sin * x[0] + cos * y[0], sin * x[1] + cos * y[1], sin * x[2] + cos * y[2] + dy],
});

function joined(first: TracedLine, second: TracedLine, overlap: number, turn: Turn): TracedLine {
  const scans = first.frames.length;
  const laid = second.teeth.map((t): TracedTooth => {
    const [xMm, yMm] = moved(turn, t.xMm, t.yMm);
    return { ...shiftedTips(t, xMm - t.xMm, yMm - t.yMm), xMm, yMm, scan: t.scan + scans };
  });
  const shared = first.teeth.slice(-overlap).map((t, i) => {
    const other = laid[i] as TracedTooth;
    if (t.kind !== 'tooth' || other.kind !== 'tooth') return t;
    const halved = Math.SQRT1_2;
    return {
      ...shiftedTips(t, (other.xMm - t.xMm) / 2, (other.yMm - t.yMm) / 2),
      xMm: (t.xMm + other.xMm) / 2,
      yMm: (t.yMm + other.yMm) / 2,
      gulletMm: t.gulletMm ?? other.gulletMm,
      errors: { ...t.errors, xMm: t.errors.xMm * halved, yMm: t.errors.yMm * halved },
    };
  });
  const teeth = [...first.teeth.slice(0, -overlap), ...shared, ...laid.slice(overlap)];
  const frames = [...first.frames, ...second.frames.map((frame) => turnedFrame(turn, frame))];
  const notes: TraceNote[] = [
    ...first.notes.filter((n) => n !== 'runs-out-at-toe'),
    ...second.notes.filter((n) => n !== 'runs-out-at-heel'),
  ];
  return overStraightLine(renumbered({ ...first, frames, notes: [...new Set(notes)] }, teeth));
}

/** Heights over the straight line through all standing tips, as the first scan's own line was only its part's. */
function overStraightLine(line: TracedLine): TracedLine {
  const standing = line.teeth.filter((t) => t.kind === 'tooth');
  const n = standing.length;
  const mx = standing.reduce((s, t) => s + t.xMm, 0) / n;
  const my = standing.reduce((s, t) => s + t.yMm, 0) / n;
  const sxx = standing.reduce((s, t) => s + (t.xMm - mx) ** 2, 0);
  const slope = standing.reduce((s, t) => s + (t.xMm - mx) * (t.yMm - my), 0) / sxx;
  const size = Math.hypot(1, slope);
  const turn: Turn = { cos: 1 / size, sin: -slope / size, x: 0, y: -(my - slope * mx) / size };
  const teeth = line.teeth.map((t) => {
    const [xMm, yMm] = moved(turn, t.xMm, t.yMm);
    return { ...shiftedTips(t, xMm - t.xMm, yMm - t.yMm), xMm, yMm: t.kind === 'missing' ? 0 : yMm };
  });
  const frames = line.frames.map((frame) => turnedFrame(turn, frame));
  return renumbered({ ...line, frames }, teeth);
}
