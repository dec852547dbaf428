import type { Step, StepKind } from './step';

/** One of several saws that are worked together: its steps, and the step its work stands in; past the last where all is done. */
export interface SawInRound {
  readonly id: number;
  readonly steps: readonly Pick<Step, 'kind'>[];
  readonly step: number;
}

/**
 * Operations of several orders in one order that keeps each order's own, wherever they agree (Kahn's topological
 * sort, what was met first going first); where two contradict each other, as the first has it. O(kinds^2 x orders).
 */
export function operationsOf(orders: readonly (readonly Pick<Step, 'kind'>[])[]): StepKind[] {
  const own = orders.map((steps) => [...new Set(steps.map(({ kind }) => kind))]);
  const left = [...new Set(own.flat())];
  const all: StepKind[] = [];
  while (left.length > 0) {
    const isFree = (kind: StepKind): boolean =>
      own.every((kinds) => kinds.slice(0, Math.max(0, kinds.indexOf(kind))).every((before) => all.includes(before)));
    const at = Math.max(0, left.findIndex(isFree));
    all.push(...left.splice(at, 1));
  }
  return all;
}

/** Whose turn it is among several saws. */
export interface RoundTurn {
  /** The operation in hand: the earliest that some saw still wants. */
  readonly kind: StepKind;
  /** The saw to be at: the present one as long as it wants that, else the next in the round that does. */
  readonly id: number;
}

/** One operation over every saw before the next; null where all are done. `present`: the saw in the vise. O(saws x steps). */
export function turnOf(saws: readonly SawInRound[], present: number): RoundTurn | null {
  const operations = operationsOf(saws.map(({ steps }) => steps));
  const rank = ({ steps, step }: SawInRound): number => {
    const kind = steps[step]?.kind;
    return kind === undefined ? Infinity : operations.indexOf(kind);
  };
  const first = Math.min(...saws.map(rank));
  const kind = operations[first];
  if (kind === undefined) return null;
  const from = Math.max(
    0,
    saws.findIndex(({ id }) => id === present),
  );
  const next = saws.map((_, i) => saws[(from + i) % saws.length] as SawInRound).find((saw) => rank(saw) === first);
  return next ? { kind, id: next.id } : null;
}
