import type { Step, StepKind } from '../work/step';
import type { ToolKind } from './tool';

/** What an order does with one tool, stop by stop: strokes of a file, passes of a stone or jointer, teeth set. */
export interface ToolUse {
  readonly kind: ToolKind;
  /** The file's name; '' of other tools, which orders do not name. */
  readonly name: string;
  /** Places in the walk, and what is done at each. */
  readonly stops: readonly number[];
  readonly amounts: readonly number[];
}

const BY_KIND: Partial<Record<StepKind, Exclude<ToolKind, 'file'>>> = {
  set: 'set-tool',
  stone: 'stone',
  joint: 'jointer',
  'joint-again': 'jointer',
  straighten: 'hammer',
};

/** Every tool of an order with its uses, files by their strokes, in the order of the walk. O(stops). */
export function usesOf(steps: readonly Step[]): ToolUse[] {
  const uses = new Map<string, { kind: ToolKind; name: string; stops: number[]; amounts: number[] }>();
  let index = 0;
  for (const step of steps) {
    for (const stop of step.stops) {
      const kind = BY_KIND[step.kind] ?? (step.tool !== null && stop.strokes > 0 ? 'file' : null);
      if (kind) {
        const name = kind === 'file' ? (step.tool ?? '') : '';
        const use = uses.get(`${kind} ${name}`) ?? { kind, name, stops: [], amounts: [] };
        uses.set(`${kind} ${name}`, use);
        use.stops.push(index);
        use.amounts.push(
          kind === 'file'
            ? stop.strokes
            : kind === 'set-tool'
              ? (stop.to ?? stop.at) - stop.at + 1
              : Math.max(1, step.passes),
        );
      }
      index++;
    }
  }
  return [...uses.values()];
}

/** Strokes an order makes with each of its files, by the file's name. */
export const strokesOfFiles = (steps: readonly Step[]): { readonly name: string; readonly strokes: number }[] =>
  usesOf(steps)
    .filter(({ kind }) => kind === 'file')
    .map(({ name, amounts }) => ({ name, strokes: amounts.reduce((sum, n) => sum + n, 0) }));
