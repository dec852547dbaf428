import type { LineView } from '@odontis/core/evidence/line-of';
import { lineSawAt } from '@odontis/core/saw/edges';
import type { Filing } from '@odontis/core/saw/families';
import type { Saw } from '@odontis/core/saw/saw';
import { rakersOf, teethOf } from '@odontis/core/saw/saw';

/** Teeth of one line: by the ticket, and what was found of them. */
export interface ToothCounts {
  /** Every place of the line, rakers among them. */
  readonly teeth: number;
  readonly rakers: number;
  /** Teeth anything was read of. */
  readonly read: number;
  readonly broken: number;
  readonly missing: number;
}

/** How many teeth a line has, how many of them were read, and how many of those are broken or gone. */
export function toothCounts(saw: Saw, edge: Filing | null, line: LineView | null): ToothCounts {
  const own = lineSawAt(saw, edge);
  const of = (kind: string): number => line?.teeth.filter((tooth) => tooth.kind === kind).length ?? 0;
  const read = line ? Math.max(line.heightsRead, line.placesRead) : 0;
  return {
    teeth: Math.max(teethOf(own), line?.teeth.at(-1)?.tooth ?? 0),
    rakers: rakersOf(own),
    read,
    broken: of('broken'),
    missing: of('missing'),
  };
}

/** The same in a sentence. */
export function countsSay({ teeth, rakers, read, broken, missing }: ToothCounts): string {
  const parts = [
    `${teeth}${rakers > 0 ? `, ${rakers} of them rakers` : ''}`,
    ...(read === 0 ? [] : read < teeth ? [`${read} measured`] : ['all measured']),
    ...(broken > 0 ? [`${broken} broken`] : []),
    ...(missing > 0 ? [`${missing} missing`] : []),
  ];
  return parts.join('; ');
}
