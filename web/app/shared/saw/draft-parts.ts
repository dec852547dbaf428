import type { PlateMark } from '@odontis/core/saw/plate-marks';
import type { DraftPart } from './saw-told';

interface Change {
  readonly parts: readonly DraftPart[];
  readonly marks: readonly PlateMark[];
}
const MOST_PARTS = 14;

/** Another chipper before the last outer blade, like the last one; marks stay on the parts they were put on. */
export function withPart({ parts, marks }: Change): Change {
  const names = new Set(parts.map((part) => part.id));
  const number = Array.from({ length: MOST_PARTS + 1 }, (_, i) => i + 1).find((n) => !names.has(`chipper ${n}`)) ?? 0;
  const like = parts.findLast((part) => part.kind === 'chipper') ?? { teeth: '4', plate: '', cut: '' };
  const part: DraftPart = { ...like, kind: 'chipper', id: `chipper ${number}` };
  const outer = parts.findLastIndex((p) => p.kind === 'outer');
  const place = outer < 0 ? parts.length : outer;
  return {
    parts: [...parts.slice(0, place), part, ...parts.slice(place)],
    marks: marks.map((mark) => ((mark.part ?? 0) >= place ? { ...mark, part: (mark.part ?? 0) + 1 } : mark)),
  };
}

/** A part out of the set, and the marks on it with it. */
export const withoutPart = ({ parts, marks }: Change, index: number): Change => ({
  parts: parts.filter((_, i) => i !== index),
  marks: marks
    .filter((mark) => (mark.part ?? 0) !== index)
    .map((mark) => ((mark.part ?? 0) > index ? { ...mark, part: (mark.part ?? 0) - 1 } : mark)),
});
