import type { Condition } from './condition';
import { factsOf, holds, thresholdsOf } from './condition';
import type { Fact, FactsFor } from './saw-facts';

/** One readable rule of judgement. */
export interface Rule<V extends string, F extends string = string> {
  readonly id: string;
  readonly verdict: V;
  readonly when: Condition<F>;
  /** The reason, in a sentence a customer could be told. */
  readonly says: string;
  /** The question whose answer caused it. */
  readonly because: string;
  /** The school it belongs to, where filers disagree; a shop of another school switches it off. */
  readonly school?: string;
  readonly needsConsent?: boolean;
  readonly source: string;
}

/** A question and the rules that answer it. */
export interface RuleBook<V extends string, F extends Fact = Fact> {
  readonly id: string;
  /** What must be known, or known not to be, before its rules can speak. */
  readonly facts: readonly F[];
  readonly question: string;
  /** The possible answers, the mildest first: of the rules that apply, the last in this order decides. */
  readonly verdicts: readonly V[];
  readonly otherwise: { readonly verdict: V; readonly rule: string; readonly says: string };
  readonly thresholds: Readonly<Record<string, number>>;
  readonly rules: readonly Rule<V, F>[];
}

export interface Judged<V extends string> {
  readonly verdict: V;
  readonly reasons: readonly {
    readonly rule: string;
    readonly verdict: V;
    readonly says: string;
    readonly because: string;
    readonly needsConsent: boolean;
    readonly source: string;
  }[];
}

/** What a shop changes in one book, without code. */
export interface BookChange {
  readonly thresholds?: Readonly<Record<string, number>>;
  readonly rules?: Readonly<
    Record<string, { readonly off?: boolean; readonly verdict?: string; readonly says?: string }>
  >;
  readonly more?: readonly Rule<string>[];
}

/** Judge by a book: every rule that applies is told, the gravest first; the gravest decides. O(rules). */
export function judge<V extends string, F extends Fact>(book: RuleBook<V, F>, facts: FactsFor<F>): Judged<V> {
  const gravity = (verdict: V): number => book.verdicts.indexOf(verdict);
  const reasons = book.rules
    .filter((rule) => holds(rule.when, facts, book.thresholds))
    .map(({ id, verdict, says, because, needsConsent, source }) => ({
      rule: id,
      verdict,
      says,
      because,
      needsConsent: needsConsent ?? false,
      source,
    }))
    .sort((a, b) => gravity(b.verdict) - gravity(a.verdict));
  const first = reasons[0];
  if (first) return { verdict: first.verdict, reasons };
  const { verdict, rule, says } = book.otherwise;
  return { verdict, reasons: [{ rule, verdict, says, because: 'saw', needsConsent: false, source: '' }] };
}

export interface ChangeFault {
  /** JSON pointer into the change. */
  readonly path: string;
  readonly message: string;
}

/** What is wrong with a shop's change: names that are not there, verdicts the book does not know, limits that are no numbers. */
export function changeFaults<V extends string, F extends Fact>(
  book: RuleBook<V, F>,
  change: BookChange,
): ChangeFault[] {
  const faults: ChangeFault[] = [];
  const say = (path: string, message: string): void => void faults.push({ path, message });
  for (const [name, value] of Object.entries(change.thresholds ?? {})) {
    if (!(name in book.thresholds)) say(`/thresholds/${name}`, `This book has no threshold called "${name}".`);
    else if (!Number.isFinite(value)) say(`/thresholds/${name}`, 'A threshold is a number.');
  }
  const ids = new Set(book.rules.map((rule) => rule.id));
  const verdicts: readonly string[] = book.verdicts;
  for (const [id, rule] of Object.entries(change.rules ?? {})) {
    if (!ids.has(id)) say(`/rules/${id}`, `This book has no rule called "${id}".`);
    if (rule.verdict !== undefined && !verdicts.includes(rule.verdict))
      say(`/rules/${id}/verdict`, `The answers here are ${verdicts.join(', ')}.`);
  }
  (change.more ?? []).forEach((rule, i) => {
    if (ids.has(rule.id)) say(`/more/${i}/id`, `There is a rule called "${rule.id}" already.`);
    ids.add(rule.id);
    if (!verdicts.includes(rule.verdict)) say(`/more/${i}/verdict`, `The answers here are ${verdicts.join(', ')}.`);
    const facts: readonly string[] = book.facts;
    for (const name of factsOf(rule.when))
      if (!facts.includes(name))
        say(`/more/${i}/when`, `Nothing called "${name}" is known where this is judged: ${facts.join(', ')}.`);
    for (const name of thresholdsOf(rule.when))
      if (!(name in book.thresholds)) say(`/more/${i}/when`, `This book has no threshold called "${name}".`);
  });
  return faults;
}

/** The book as the shop keeps it. Throws RangeError on a change with faults: look at {@link changeFaults} first. */
export function changedBook<V extends string, F extends Fact>(
  book: RuleBook<V, F>,
  change: BookChange,
): RuleBook<V, F> {
  const facts: readonly string[] = book.facts;
  // A rule kept from when any fact could be named never spoke where nobody knew it, and does not now.
  const more = (change.more ?? []).filter((rule) => factsOf(rule.when).every((name) => facts.includes(name)));
  const faults = changeFaults(book, { ...change, more });
  if (faults[0]) throw new RangeError(`${faults[0].path}: ${faults[0].message}`);
  const rules = book.rules
    .filter((rule) => !change.rules?.[rule.id]?.off)
    .map((rule) => {
      const own = change.rules?.[rule.id];
      return own ? { ...rule, verdict: (own.verdict ?? rule.verdict) as V, says: own.says ?? rule.says } : rule;
    });
  return {
    ...book,
    thresholds: { ...book.thresholds, ...change.thresholds },
    rules: [...rules, ...(more as Rule<V, F>[])],
  };
}
