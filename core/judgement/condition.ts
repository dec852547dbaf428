/** What is known of a saw when it is judged; a fact left out or null is not known. */
export type FactValue = string | number | boolean | readonly string[] | null | undefined;
export type Facts = Readonly<Record<string, FactValue>>;

/** A number written out, or the name of one of the rule book's thresholds, which a shop may change. */
export type Limit = number | { readonly threshold: string };

/** When a rule applies, as data. A fact that is not known makes any test of it false. */
export type Condition<F extends string = string> =
  | { readonly all: readonly Condition<F>[] }
  | { readonly any: readonly Condition<F>[] }
  | { readonly not: Condition<F> }
  | { readonly fact: F; readonly is: string | number | boolean | readonly (string | number)[] }
  | { readonly fact: F; readonly has: string }
  | { readonly fact: F; readonly atLeast: Limit }
  | { readonly fact: F; readonly below: Limit }
  | { readonly fact: F; readonly known: boolean };

const known = (value: FactValue): boolean => value !== undefined && value !== null;

function limitOf(limit: Limit, thresholds: Readonly<Record<string, number>>): number {
  if (typeof limit === 'number') return limit;
  const value = thresholds[limit.threshold];
  if (value === undefined) throw new RangeError(`There is no threshold called "${limit.threshold}".`);
  return value;
}

/** Whether a condition holds. `not` of a test whose fact is unknown holds, so ask for `known` where that matters. */
export function holds(condition: Condition, facts: Facts, thresholds: Readonly<Record<string, number>>): boolean {
  if ('all' in condition) return condition.all.every((c) => holds(c, facts, thresholds));
  if ('any' in condition) return condition.any.some((c) => holds(c, facts, thresholds));
  if ('not' in condition) return !holds(condition.not, facts, thresholds);
  const value = facts[condition.fact];
  if ('known' in condition) return known(value) === condition.known;
  if (!known(value)) return false;
  if ('is' in condition) {
    const { is } = condition;
    return Array.isArray(is) ? is.includes(value as string | number) : value === is;
  }
  if ('has' in condition) return Array.isArray(value) && value.includes(condition.has);
  if (typeof value !== 'number') return false;
  if ('atLeast' in condition) return value >= limitOf(condition.atLeast, thresholds);
  return value < limitOf(condition.below, thresholds);
}

/** Every fact a condition looks at: what a screen must have asked before the rule can speak. */
export function factsOf(condition: Condition): string[] {
  if ('all' in condition) return condition.all.flatMap(factsOf);
  if ('any' in condition) return condition.any.flatMap(factsOf);
  if ('not' in condition) return factsOf(condition.not);
  return [condition.fact];
}

/** Every threshold it names. */
export function thresholdsOf(condition: Condition): string[] {
  if ('all' in condition) return condition.all.flatMap(thresholdsOf);
  if ('any' in condition) return condition.any.flatMap(thresholdsOf);
  if ('not' in condition) return thresholdsOf(condition.not);
  const limit = 'atLeast' in condition ? condition.atLeast : 'below' in condition ? condition.below : null;
  return typeof limit === 'object' && limit !== null ? [limit.threshold] : [];
}
