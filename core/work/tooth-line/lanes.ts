import { heightOn } from '../../line/joint-line';
import type { DepthView } from './depth-view';
import type { LineStudy } from './study';

/** A row of numbers along the saw, one a standing tooth; NaN where there is none. */
export interface OrderLane {
  readonly id: 'over' | 'spacing' | 'strokes';
  readonly unit: 'mm' | 'strokes';
  readonly values: Float64Array;
  /** As it is now, where `values` is as it will be. */
  readonly before: Float64Array | null;
  /** Beyond this a value is off; NaN without one. */
  readonly limit: number;
}

/** The lanes of a tooth line's order: over the joint line, spacing before and after, strokes a gullet. O(n). */
export function lineLanes(study: LineStudy, view: DepthView): OrderLane[] {
  const { prepared, pitchMm } = study;
  const n = prepared.teeth.length;
  const over = new Float64Array(n);
  const now = new Float64Array(n).fill(NaN);
  const then = new Float64Array(n).fill(NaN);
  const strokes = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const x = prepared.xMm[i] as number;
    over[i] = (prepared.yMm[i] as number) - heightOn(view.line, x);
    // filings[0] is the gullet before the first tooth.
    strokes[i] = view.strokes[i + 1] ?? 0;
    if (i === 0) continue;
    const span = (prepared.nominalMm[i] as number) - (prepared.nominalMm[i - 1] as number);
    now[i] = x - (prepared.xMm[i - 1] as number) - span;
    then[i] = (view.spacing.xMm[i] as number) - (view.spacing.xMm[i - 1] as number) - span;
  }
  const tune = view.depthMm > 0;
  return [
    { id: 'over', unit: 'mm', values: over, before: null, limit: NaN },
    {
      id: 'spacing',
      unit: 'mm',
      values: tune ? then : now,
      before: tune ? now : null,
      limit: study.inputs.habits.evennessShare * pitchMm,
    },
    { id: 'strokes', unit: 'strokes', values: tune ? strokes : new Float64Array(n), before: null, limit: NaN },
  ];
}
