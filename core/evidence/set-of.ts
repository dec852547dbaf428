import type { SideSet } from './line-statistics';
import { meanAndSpread } from './line-statistics';
import { meanOf, standing } from './estimates';
import { leansOf } from './leans-of';
import type { LengthReading } from './reading';
import type { Evidence, SessionKind } from './session';
import type { Lean } from './tooth-reading';
import type { Sides } from './sides';

/** Set as it was read at one tooth. mm. */
export interface SetAtTooth {
  readonly valueMm: number;
  readonly errorMm: number;
  readonly simulated: boolean;
  readonly keys: readonly string[];
}

/**
 * Set of every tooth as last measured before or after the work. A side read again stands in
 * for all of that side read before: filing, setting or the stone lie between, and a few
 * teeth taken anew say what the others came to. Sides by what was seen of each tooth's
 * lean, else by `sides`; teeth that stand straight are a side of their own. mm. O(n).
 */
export function setAt(
  evidence: Evidence,
  kind: SessionKind,
  sides: Sides,
  part: string | null = null,
): Map<number, SetAtTooth> {
  const leans = leansOf(evidence, part);
  const sideOf = (tooth: number): Lean | 'straight' => leans.get(tooth) ?? sides(tooth) ?? 'straight';
  const bySide: Partial<Record<Lean | 'straight', Map<number, LengthReading[]>>> = {};
  for (const session of evidence) {
    if (session.kind !== kind) continue;
    const fresh: Partial<Record<Lean | 'straight', Map<number, LengthReading[]>>> = {};
    for (const r of standing(session.readings)) {
      if (r.quantity !== 'set' || r.part !== part) continue;
      const side = (fresh[sideOf(r.place)] ??= new Map<number, LengthReading[]>());
      const here = side.get(r.place);
      if (here) here.push(r);
      else side.set(r.place, [r]);
    }
    Object.assign(bySide, fresh);
  }
  const found = new Map<number, SetAtTooth>();
  for (const side of Object.values(bySide))
    for (const [tooth, all] of side ?? []) {
      const mean = meanOf(all);
      if (!mean) continue;
      const simulated = all.some((r) => r.simulated);
      found.set(tooth, { valueMm: mean.value, errorMm: mean.error, simulated, keys: all.map((r) => r.key) });
    }
  return found;
}

/** Set of the two sides, as far as measured. */
export interface SetOfSides {
  readonly left: SideSet;
  readonly right: SideSet;
}

/** Means and spreads of both sides as last measured; null where neither was. mm. */
export function setOf(
  evidence: Evidence,
  kind: SessionKind,
  sides: Sides,
  part: string | null = null,
): SetOfSides | null {
  const leans = leansOf(evidence, part);
  const set = [...setAt(evidence, kind, sides, part)];
  const of = (side: Lean): SideSet =>
    meanAndSpread(set.filter(([tooth]) => (leans.get(tooth) ?? sides(tooth)) === side).map(([, s]) => s.valueMm));
  const [left, right] = [of('left'), of('right')];
  return left.count + right.count > 0 ? { left, right } : null;
}
