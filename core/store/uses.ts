import type { Step, StepKind } from '../work/step';
import { strokesAtStop } from '../work/step';
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

interface Filling {
  readonly kind: ToolKind;
  readonly name: string;
  readonly stops: number[];
  readonly amounts: number[];
}

/** The list of a tool, made where there is none. */
function filling(uses: Map<string, Filling>, kind: ToolKind, name: string): Filling {
  const key = `${kind} ${name}`;
  const use = uses.get(key) ?? { kind, name, stops: [], amounts: [] };
  uses.set(key, use);
  return use;
}

/** Every tool of an order with its uses, files by their strokes, in the order of the walk. O(stops). */
export function usesOf(steps: readonly Step[]): ToolUse[] {
  const uses = new Map<string, Filling>();
  let index = 0;
  for (const step of steps) {
    const { kind: stepKind, tool, passes, stops } = step;
    const kind = BY_KIND[stepKind] ?? (tool === null ? null : 'file');
    let use: Filling | null = null;
    for (const stop of stops) {
      if (kind && (kind !== 'file' || stop.strokes > 0)) {
        use ??= filling(uses, kind, kind === 'file' ? (tool ?? '') : '');
        use.stops.push(index);
        use.amounts.push(
          kind === 'file'
            ? strokesAtStop(step, stop)
            : kind === 'set-tool'
              ? (stop.to ?? stop.at) - stop.at + 1
              : Math.max(1, passes),
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
