import type { Filing } from './families';
import { LINE_FAMILIES } from './families';
import type { Saw, SawOf } from './saw';
import { isPointed } from './saw';

/** The lines of a two-edged saw, each a part of it that is measured and worked by itself; none of a saw with one. */
export const edgesOf = (saw: Saw): readonly Filing[] =>
  saw.family === 'pull' && saw.edges === 2 ? (['crosscut', 'rip'] as const) : [];

/** Its lines that a file can work: hardened teeth are left alone. */
export const softEdgesOf = (saw: Saw): readonly Filing[] =>
  edgesOf(saw).filter((edge) => !(saw.family === 'pull' && saw.hardEdge === edge));

/** The line a saw is shown by first: its first soft edge, or null where it has but one line. */
export const firstLineOf = (saw: Saw): Filing | null => softEdgesOf(saw)[0] ?? null;

/** Measured quantity by quantity at the gauge desk: cutters and rakers, two edges, and all that goes round. Other lines are keyed tooth after tooth. */
export const isGauged = (saw: Saw): boolean =>
  isPointed(saw) || edgesOf(saw).length > 0 || !LINE_FAMILIES.some((family) => family === saw.family);

/** The saw as if it had this edge alone. */
export function edgeSaw(saw: SawOf<'pull'>, edge: Filing): SawOf<'pull'> {
  const { ripPitchMm, hardEdge: _hard, ...one } = saw;
  return { ...one, edges: 1, filing: edge, pitchMm: edge === 'rip' ? (ripPitchMm ?? saw.pitchMm) : saw.pitchMm };
}

/** The saw as its line of this part is looked at: the saw itself where it has one line. */
export const lineSawAt = (saw: Saw, part: string | null): Saw =>
  saw.family === 'pull' && (part === 'crosscut' || part === 'rip') ? edgeSaw(saw, part) : saw;

/** Whether it is a round blade, or a set of them. */
export const isRound = (saw: Saw): saw is Extract<Saw, { family: 'circular' | 'dado' }> =>
  saw.family === 'circular' || saw.family === 'dado';
