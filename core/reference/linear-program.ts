/** The HiGHS solver as an independent reference; test and bench only. */
import highsLoader from 'highs';

type Solver = Awaited<ReturnType<typeof highsLoader>>;
let solver: Promise<Solver> | undefined;

/** Solve an LP text; throws unless optimal (the library calls garbage "Empty"). */
export async function solveLp(text: string): Promise<{ value: number; columns: Record<string, number> }> {
  solver ??= highsLoader();
  const result = (await solver).solve(text);
  if (result.Status !== 'Optimal') throw new Error(`LP ended ${result.Status}`);
  const columns: Record<string, number> = {};
  for (const [name, column] of Object.entries(result.Columns)) {
    if ('Primal' in column) columns[name] = column.Primal as number;
  }
  return { value: result.ObjectiveValue, columns };
}

const signed = (value: number): string => (value < 0 ? `- ${-value}` : `+ ${value}`);

/** min e subject to |x_(i+1) - x_i - m p| <= e inside the flats. */
export function minimaxSpacingLp(from: Float64Array, to: Float64Array, teeth: Int32Array, pitchMm: number): string {
  const rows: string[] = [];
  for (let i = 1; i < teeth.length; i++) {
    const span = ((teeth[i] as number) - (teeth[i - 1] as number)) * pitchMm;
    rows.push(`u${i}: x${i} - x${i - 1} - e <= ${span}`, `l${i}: x${i} - x${i - 1} + e >= ${span}`);
  }
  const bounds = Array.from(teeth, (_, i) => `${from[i]} <= x${i} <= ${to[i]}`);
  return `Minimize\n obj: e\nSubject To\n ${rows.join('\n ')}\nBounds\n ${bounds.join('\n ')}\n e >= 0\nEnd\n`;
}

/** max mean of alpha + beta x subject to the line under every tip. */
export function jointLineLp(tips: readonly { xMm: number; yMm: number }[]): string {
  const centre = tips.reduce((s, t) => s + t.xMm, 0) / tips.length;
  const rows = tips.map((t, i) => `t${i}: a ${signed(t.xMm)} b <= ${t.yMm}`);
  return `Maximize\n obj: a ${signed(centre)} b\nSubject To\n ${rows.join('\n ')}\nBounds\n a free\n b free\nEnd\n`;
}

/** The same with a crown c (1 - ((x - m)/(l/2))^2) of free height between two bounds: three unknowns. */
export function freeArcLp(tips: readonly { xMm: number; yMm: number }[], leastMm: number, mostMm: number): string {
  const [first, last] = [tips[0]?.xMm ?? 0, tips[tips.length - 1]?.xMm ?? 1];
  const crown = (x: number): number => 1 - ((x - (first + last) / 2) / ((last - first) / 2)) ** 2;
  const mean = (of: (t: { xMm: number; yMm: number }) => number): number =>
    tips.reduce((s, t) => s + of(t), 0) / tips.length;
  const rows = tips.map((t, i) => `t${i}: a ${signed(t.xMm)} b ${signed(crown(t.xMm))} c <= ${t.yMm}`);
  const goal = `a ${signed(mean((t) => t.xMm))} b ${signed(mean((t) => crown(t.xMm)))} c`;
  return `Maximize\n obj: ${goal}\nSubject To\n ${rows.join('\n ')}\nBounds\n a free\n -0.05 <= b <= 0.05\n ${leastMm} <= c <= ${mostMm}\nEnd\n`;
}
