import { onLine } from './cutters';
import type { Step, Stop } from '../step';
import { edgeMinutes } from '../times';
import type { DepthView } from './depth-view';
import type { PullStudy } from './pull';
import { blank, fromBothSides, inOrder, settingSteps } from './step-parts';
import type { LineStudy } from './study';

/**
 * A pull saw's filing (trade section 7): top bevels alone, or both gullet flanks first and the top
 * bevel last; each edge of alternate teeth from one side, then the saw turned. Every tooth gets its
 * sharpening strokes; what brings a tall one level comes on top, at its top bevel. O(n).
 */
export function pullSteps(study: LineStudy, pull: PullStudy, view: DepthView, reset: boolean): Step[] {
  const { inputs } = study;
  const sharpen = inputs.habits.strokesPerGullet;
  const levelling = new Map(
    view.filings.map((filing, i) => [filing.at, view.depthMm > 0 ? (view.strokes[i] as number) : 0]),
  );
  const teeth = onLine(inputs.readings, null).filter((r) => r.kind === 'tooth');
  const edges = pull.filing.kind === 'full' ? (['face', 'back', 'top'] as const) : (['top'] as const);
  const filed = edges.flatMap((edge) => {
    const stops = teeth.map((r): Stop => {
      const more = edge === 'top' ? (levelling.get(r.tooth) ?? 0) : 0;
      return { at: r.tooth, strokes: sharpen + more, heavier: 'even' };
    });
    // Filed square across, a rip edge needs no turning.
    const passes =
      inputs.angles.fleamDeg === 0
        ? [{ side: null, own: inOrder(stops, inputs.habits.startAt) }]
        : fromBothSides(study, stops);
    return passes.map(({ side, own }) => ({
      ...blank('edge', 'tooth', inputs.etch),
      edge,
      side,
      tool: study.file.file.name,
      minutes: edgeMinutes(
        own.reduce((sum, stop) => sum + stop.strokes, 0),
        own.length,
      ),
      stops: own,
      reasons: [pull.filing.reason],
    }));
  });
  return [...(reset ? settingSteps(study) : []), ...filed];
}
