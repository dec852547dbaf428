import { standing } from './estimates';
import type { Evidence } from './session';
import type { Lean } from './tooth-reading';

/** The side every tooth leans to, as last seen in whichever session: the work does not turn a tooth over. O(n). */
export function leansOf(evidence: Evidence, part: string | null = null): Map<number, Lean> {
  const leans = new Map<number, Lean>();
  for (const { readings } of evidence)
    for (const r of standing(readings)) if (r.quantity === 'lean' && r.part === part) leans.set(r.place, r.value);
  return leans;
}
