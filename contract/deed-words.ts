import type { StepDeed } from '@odontis/core/work/deeds';
import type { Prepared, Preparing } from '@odontis/core/work/preparing';
import type { StepKind } from '@odontis/core/work/step';
import { STEP_NAMES } from './step-words';

/** What was done, by the kind of its step, as its owner reads it. */
export const DONE_WORDS: Record<StepKind, string> = {
  clean: 'cleaned',
  straighten: 'plate straightened',
  tighten: 'handle tightened',
  'set-out': 'new teeth set out',
  'flatten-set': 'set taken out',
  joint: 'jointed',
  shape: 'shaped',
  reshape: 'filed to the other angles',
  'file-off': 'old teeth filed away',
  cut: 'new teeth cut',
  'joint-again': 'jointed again, lightly',
  look: 'looked along the line',
  set: 'set',
  sharpen: 'sharpened',
  'last-pass': 'sharpened',
  stone: 'stoned on both sides',
  finish: 'cleaned and oiled',
  test: 'tried at the vise',
  'by-hand': 'worked by hand',
  'dress-rakers': 'rakers’ faces dressed',
  'raker-gullets': 'rakers’ gullets filed',
  'raker-tips': 'rakers filed to depth',
  'thin-rakers': 'rakers filed thin',
  swage: 'rakers hammered over',
  point: 'cutters pointed',
  'touch-up': 'points touched up after the set',
  'rakers-again': 'rakers gauged again',
  edge: 'teeth filed',
  uncoil: 'hung on its supports',
  'joint-round': 'jointed round',
  coil: 'coiled',
  inspect: 'looked over off the machine',
  round: 'teeth filed on face and back',
  'round-rakers': 'rakers brought under the scorers',
  'round-gullets': 'gullets deepened',
  grinder: 'sent to the grinder',
  home: 'looked over when it came home',
  chipper: 'chippers brought to one height',
  stack: 'put on the arbor',
  'mark-part': 'a part marked out of use',
  'swage-teeth': 'teeth swaged',
  blend: 'short teeth blended in',
};

/** Handling that is no news to an owner. */
const HANDLING: ReadonlySet<StepKind> = new Set(['uncoil', 'coil', 'look', 'stack', 'finish']);

/** What became of steps of one kind, put together. */
interface KindDeed {
  readonly kind: StepKind;
  readonly stops: number;
  readonly done: number;
  readonly skipped: number;
  readonly reasons: readonly string[];
  readonly failed: boolean;
}

function byKind(deeds: readonly StepDeed[]): KindDeed[] {
  const kinds = new Map<StepKind, KindDeed>();
  for (const { step, stops, done, skipped, reasons, result } of deeds) {
    const before = kinds.get(step.kind) ?? {
      kind: step.kind,
      stops: 0,
      done: 0,
      skipped: 0,
      reasons: [],
      failed: false,
    };
    kinds.set(step.kind, {
      kind: step.kind,
      stops: before.stops + stops,
      done: before.done + done,
      skipped: before.skipped + skipped,
      reasons: [...new Set([...before.reasons, ...reasons])],
      failed: before.failed || result === 'did-not',
    });
  }
  return [...kinds.values()];
}

const share = ({ done, stops }: KindDeed): string => (done === stops ? '' : ` (${done} of ${stops})`);

/** What was done, left out and is open of an order, each in a sentence; empty where there is nothing of it to tell. */
export interface DeedsSaid {
  readonly done: string;
  readonly leftOut: string;
  readonly open: string;
}

/** Deeds in words, in the order of the work. `open` is of an order that may still go on. */
export function sayDeeds(deeds: readonly StepDeed[], goesOn: boolean): DeedsSaid {
  const kinds = byKind(deeds);
  const done = kinds
    .filter((one) => one.done > 0 && !HANDLING.has(one.kind))
    .map((one) => `${DONE_WORDS[one.kind]}${share(one)}${one.failed ? ', which did not come out' : ''}`);
  const leftOut = kinds
    .filter((one) => one.skipped > 0)
    .map(
      (one) => `${STEP_NAMES[one.kind].toLowerCase()}${one.reasons.length > 0 ? `: ${one.reasons.join('; ')}` : ''}`,
    );
  const open = kinds
    .filter((one) => one.done + one.skipped < one.stops)
    .map((one) => STEP_NAMES[one.kind].toLowerCase());
  return {
    done: sentence(done, ', '),
    leftOut: sentence(leftOut, '; '),
    open: goesOn ? sentence([...new Set(open)], ', ') : '',
  };
}

const sentence = (parts: readonly string[], between: string): string => {
  const text = parts.join(between);
  return text === '' ? '' : `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;
};

/** What was done before measuring, as it is told. */
export const PREPARED_WORDS: Record<Preparing, string> = {
  clean: 'cleaned',
  straighten: 'plate straightened',
  reseat: 'plate re-seated in its back',
  tighten: 'handle tightened',
  'handle-off': 'handle taken off',
};

/** All of it in a sentence, each with how it went. */
export const preparedSays = (prepared: readonly Prepared[]): string =>
  sentence(
    prepared.map(
      ({ kind, result }) => `${PREPARED_WORDS[kind]}${result === 'did-not' ? ', which did not come out' : ''}`,
    ),
    '; ',
  );
