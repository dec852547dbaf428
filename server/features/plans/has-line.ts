import type { Dossier } from '@odontis/contract/dossier';
import { lineOf } from '@odontis/core/evidence/line-of';
import { standingTeeth } from '@odontis/core/evidence/tooth-reading';
import { softEdgesOf } from '@odontis/core/saw/edges';
import type { Filing } from '@odontis/core/saw/families';

/** Fewer standing teeth than this make no line. */
const FEWEST_TEETH = 3;

/** Whether so much of a tooth line was read, of one edge at least, that it can be planned. */
export function hasLine({ saw, sessions }: Pick<Dossier, 'saw' | 'sessions'>): boolean {
  const edges = softEdgesOf(saw);
  const enough = (edge: Filing | null): boolean => {
    const line = lineOf(sessions, saw, 'before', edge);
    return line !== null && standingTeeth(line.teeth).length >= FEWEST_TEETH;
  };
  return (edges.length > 0 ? edges : [null]).some(enough);
}
