import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import { standingTeeth } from '@odontis/core/evidence/tooth-reading';

export interface LaneOfPaper {
  readonly name: string;
  readonly readings: readonly ToothReading[];
}

const WIDTH = 520;
const LANE = 46;

/**
 * Heights over the line, one lane a measuring, on one scale: each tooth a
 * stroke from its lane's lowest tip. Drawn from the readings alone.
 */
export function heightLanes(lanes: readonly LaneOfPaper[]): { svg: string; rangeMm: number } {
  const standing = lanes.map((lane) => standingTeeth(lane.readings));
  const length = Math.max(1, ...standing.map((teeth) => (teeth.at(-1)?.xMm ?? 0) - (teeth[0]?.xMm ?? 0)));
  const ranges = standing.map((teeth) => {
    const ys = teeth.map((t) => t.yMm);
    return { low: Math.min(...ys), range: Math.max(...ys) - Math.min(...ys) };
  });
  const rangeMm = Math.max(0.01, ...ranges.map((r) => r.range));
  const body = standing.map((teeth, k) => {
    const base = (k + 1) * LANE - 6;
    const strokes = teeth.map((tooth) => {
      const x = (((tooth.xMm - (teeth[0]?.xMm ?? 0)) / length) * (WIDTH - 4) + 2).toFixed(1);
      const high = ((tooth.yMm - (ranges[k]?.low ?? 0)) / rangeMm) * (LANE - 16) + 1;
      return `<line x1="${x}" y1="${base}" x2="${x}" y2="${(base - high).toFixed(2)}" stroke="#3b3f8f" stroke-width="0.8"/>`;
    });
    return `${strokes.join('')}<line x1="0" y1="${base}" x2="${WIDTH}" y2="${base}" stroke="#777" stroke-width="0.4"/>`;
  });
  const height = Math.max(1, lanes.length) * LANE;
  return {
    svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${height}">${body.join('')}</svg>`,
    rangeMm,
  };
}

/** Load on every tooth, one lane before and one after, on one scale: evenly apart, as they are numbered. mm. */
export function loadLanes({ before, after }: { readonly before: Float64Array; readonly after: Float64Array }): string {
  const most = Math.max(1e-9, ...before, ...after);
  const body = [before, after].map((loads, k) => {
    const base = (k + 1) * LANE - 6;
    const strokes = Array.from(loads, (mm, i) => {
      const x = (((i + 0.5) / loads.length) * (WIDTH - 4) + 2).toFixed(1);
      const high = (mm / most) * (LANE - 12);
      return `<line x1="${x}" y1="${base}" x2="${x}" y2="${(base - high).toFixed(2)}" stroke="#3b3f8f" stroke-width="0.8"/>`;
    });
    return `${strokes.join('')}<line x1="0" y1="${base}" x2="${WIDTH}" y2="${base}" stroke="#777" stroke-width="0.4"/>`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${2 * LANE}">${body.join('')}</svg>`;
}
