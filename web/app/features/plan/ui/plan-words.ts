import type { Speech } from '../../../shared/speech/speech';
import type { PlanAtDepth } from './plan-figures';

const edges = (work: PlanAtDepth['order']['work']): string =>
  work === 'top-bevels' ? 'File the top bevels' : 'File all three edges';

/** What is planned, over its figures. */
export function planTitle({ study, view, order }: PlanAtDepth, { fine }: Speech): string {
  const { work, inputs } = order;
  if (work === 'retooth') return `Cut ${inputs.readings.length} new teeth`;
  if (work === 'convert') return `Convert to ${inputs.saw.filing}, jointing ${fine(view.depthMm)}`;
  if (study.pull) return `${edges(work)}${view.depthMm > 0 ? `, levelling ${fine(view.depthMm)}` : ''}`;
  return work === 'tune' ? `Joint ${fine(view.depthMm)}` : 'No jointing: sharpen as it stands';
}

/** What accepting it says. */
export function acceptWords({ study, view, order }: PlanAtDepth, { fine }: Speech): string {
  const { work, steps } = order;
  if (work === 'retooth') return 'File the old teeth off and cut new ones';
  // An order that goes on from a half-done one joints the rest, or nothing any more.
  const jointMm = steps.find((step) => step.kind === 'joint')?.targetMm ?? null;
  if (work !== 'sharpen' && !study.pull && view.depthMm > 0 && jointMm === null) return 'Go on with what is left';
  if (work === 'convert') return `Joint ${fine(jointMm ?? view.depthMm)} and convert`;
  if (study.pull) return edges(work);
  return work === 'tune' ? `Joint ${fine(jointMm ?? view.depthMm)} and tune` : 'Sharpen as it stands';
}
