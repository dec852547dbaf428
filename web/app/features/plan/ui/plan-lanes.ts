import type { DepthView } from '@odontis/core/plan/depth-view';
import type { PlanStudy } from '@odontis/core/plan/study';
import { heightOn } from '@odontis/core/line/joint-line';
import type { Lane } from '../../../sawpage/drawing';

/** The lanes of a plan: over the joint line, spacing before and after, strokes a gullet. */
export function planLanes(study: PlanStudy, view: DepthView, say: (mm: number) => string): Lane[] {
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
    const span = ((prepared.teeth[i] as number) - (prepared.teeth[i - 1] as number)) * pitchMm;
    now[i] = x - (prepared.xMm[i - 1] as number) - span;
    then[i] = (view.spacing.xMm[i] as number) - (view.spacing.xMm[i - 1] as number) - span;
  }
  const allowed = study.inputs.habits.evennessShare * pitchMm;
  const count = (value: number): string => `${Math.round(value)} strokes`;
  return [
    { id: 'over', name: 'Over the line', values: over, before: null, kind: 'bars', limit: NaN, say },
    {
      id: 'spacing',
      name: 'Spacing',
      values: view.depthMm > 0 ? then : now,
      before: view.depthMm > 0 ? now : null,
      kind: 'bars',
      limit: allowed,
      say,
    },
    {
      id: 'strokes',
      name: 'Shaping',
      values: view.depthMm > 0 ? strokes : new Float64Array(n),
      before: null,
      kind: 'bars',
      limit: NaN,
      say: count,
    },
  ];
}
