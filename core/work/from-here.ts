import { heightOn } from '../line/joint-line';
import type { JointLine } from '../line/joint-line';
import type { Pressed } from './deeds';
import { deedsOf, isBegun, isDone } from './deeds';
import type { LineOrder, WorkOrder } from './order';
import { isLineOrder } from './order';
import type { Rates } from './price';
import { priceFor } from './price';
import type { Step, StepKind, Stop } from './step';
import { strokesOfSteps, walkOf } from './step';

/** An order of before, and what was pressed of it. */
export interface Worked extends Pressed {
  readonly order: WorkOrder;
}

/** Done once to the saw as a whole, and not again because the rest is planned anew. */
const ONCE: ReadonlySet<StepKind> = new Set([
  'clean',
  'straighten',
  'tighten',
  'uncoil',
  'set-out',
  'mark-part',
  'grinder',
  'file-off',
]);
/** Strokes that go into metal: what was made of them is made. */
const ROUGH: ReadonlySet<StepKind> = new Set([
  'shape',
  'reshape',
  'cut',
  'dress-rakers',
  'raker-gullets',
  'round-gullets',
  'blend',
  'thin-rakers',
]);
/** Strokes that give the edge: made again wherever something rough is still to come. */
const FINE: ReadonlySet<StepKind> = new Set([
  'sharpen',
  'last-pass',
  'point',
  'edge',
  'raker-tips',
  'touch-up',
  'rakers-again',
  'swage',
  'chipper',
  'round-rakers',
]);
const JOINTS: ReadonlySet<StepKind> = new Set(['joint', 'joint-again']);
/** What no gauge can tell apart, mm: a joint of less is none. A judgement, no source. */
const NO_JOINT_MM = 0.005;
const SAME_DEG = 0.05;
const SAME_SET_MM = 1e-6;

/**
 * An order from where the saw is now: what was done of the orders before it stays done. Teeth that are jointed stay
 * jointed, and a deeper joint is the rest of it; strokes made stay made, as long as the file is held the same way; what
 * is done once to the whole saw is no step any more; set that was made to the same target stays. Minutes, strokes and
 * price are those of what is left. `order` is worked out from the readings as the saw came in. O(steps + stops).
 *
 * Example: 0.20 mm to joint of which 0.15 is done, 5 strokes to shape a gullet of which 3 are made: joint 0.05, 2 strokes.
 */
export function orderFromHere(order: WorkOrder, worked: readonly Worked[], rates: Rates | null): WorkOrder {
  if (worked.length === 0) return order;
  const made = madeBefore(worked, order);
  const once = new Set(worked.flatMap((one) => doneOnce(one)));
  const setStays = setIsMade(worked, order);
  let steps = order.steps.flatMap((step): Step[] => {
    if (ONCE.has(step.kind) && once.has(keyOf(step))) return [];
    if (step.kind === 'joint') return jointLeft(step, order, worked);
    if (step.kind === 'flatten-set') return setStays.flattened ? [] : [step];
    if (step.kind === 'set')
      return setStays.made ? withStops(step, (stop) => (setStays.stops.has(stop.at) ? null : stop)) : [step];
    return ROUGH.has(step.kind) ? withStops(step, (stop) => less(step, stop, made)) : [step];
  });
  const rough = steps.some((step) => JOINTS.has(step.kind) || ROUGH.has(step.kind));
  if (!rough)
    steps = steps.flatMap((step) => (FINE.has(step.kind) ? withStops(step, (stop) => less(step, stop, made)) : [step]));
  const minutes = steps.reduce((sum, step) => sum + step.minutes, 0);
  const priced = rates && order.price ? priceFor(minutes, rates) : null;
  return {
    ...order,
    steps,
    minutes,
    strokes: strokesOfSteps(steps),
    price: priced && rates ? { amount: priced.amount, currency: rates.currency, reason: priced.reason } : order.price,
  };
}

/** Why an order cannot be made from where the saw is now. */
export type NotFromHere =
  | { readonly code: 'jointed-deeper'; readonly byMm: number; readonly tooth: number }
  | { readonly code: 'set-taken-out' }
  | { readonly code: 'teeth-filed-off' };

/**
 * What cannot be taken back: teeth that would have to be higher than they are jointed, set that would be kept and is
 * gone, old teeth that are filed off. Null where the order can be made.
 */
export function notFromHere(order: WorkOrder, worked: readonly Worked[]): NotFromHere | null {
  for (const one of worked) {
    const deeds = deedsOf(one.order, one);
    if (isBegun(deeds, 'file-off', 'cut') && !order.inputs?.retooth) return { code: 'teeth-filed-off' };
    const high = isDone(deeds, 'joint') ? overJointed(order, one.order) : null;
    if (high) return { code: 'jointed-deeper', ...high };
  }
  const { flattened, stops } = setIsMade(worked, order);
  return flattened && stops.size === 0 && !order.steps.some((step) => step.kind === 'set')
    ? { code: 'set-taken-out' }
    : null;
}

const lineOf = (order: LineOrder): JointLine => order.forecast.line;

/** The tooth that the order would leave highest over where it was jointed to before; null where none. */
function overJointed(order: WorkOrder, before: WorkOrder): { tooth: number; byMm: number } | null {
  if (!isLineOrder(order) || !isLineOrder(before)) return null;
  let worst: { tooth: number; byMm: number } | null = null;
  for (const { tooth, xMm, yMm, kind } of order.inputs.readings) {
    if (kind !== 'tooth') continue;
    const now = Math.min(yMm, heightOn(lineOf(before), xMm));
    const byMm = Math.min(yMm, heightOn(lineOf(order), xMm)) - now;
    if (byMm > NO_JOINT_MM && byMm > (worst?.byMm ?? 0)) worst = { tooth, byMm };
  }
  return worst;
}

/** What is left of a joint, from where the last one left the teeth: none, the rest of it, or all of it. */
function jointLeft(step: Step, order: WorkOrder, worked: readonly Worked[]): Step[] {
  const before = worked.filter((one) => isDone(deedsOf(one.order, one), 'joint')).map((one) => one.order);
  if (before.length === 0 || !isLineOrder(order)) return [step];
  const lines = before.filter(isLineOrder).map(lineOf);
  const heights = order.inputs.readings.flatMap(({ kind, xMm, yMm }) =>
    kind === 'tooth' ? [{ xMm, yMm: Math.min(yMm, ...lines.map((line) => heightOn(line, xMm))) }] : [],
  );
  const leftMm = Math.max(0, ...heights.map(({ xMm, yMm }) => yMm - heightOn(lineOf(order), xMm)));
  if (leftMm < NO_JOINT_MM) return [];
  const share = step.targetMm ? Math.min(1, leftMm / step.targetMm) : 1;
  return [
    { ...step, targetMm: leftMm, passes: Math.max(1, Math.ceil(step.passes * share)), minutes: step.minutes * share },
  ];
}

/** Which steps are the same work in two orders. */
const keyOf = ({ kind, side, edge, part, line }: Step): string =>
  [kind, side ?? '', edge ?? '', part ?? '', line ?? ''].join(' ');
const stopKey = (step: Step, { at, to, part }: Stop): string => `${keyOf(step)} ${at} ${to ?? ''} ${part ?? ''}`;

function doneOnce(one: Worked): string[] {
  return deedsOf(one.order, one)
    .filter(({ stops, done, result }) => stops > 0 && done === stops && result !== 'did-not')
    .map(({ step }) => keyOf(step));
}

/** Strokes made at every stop, by orders that held the file as this one does. A stop without strokes is made or not. */
function madeBefore(worked: readonly Worked[], order: WorkOrder): ReadonlyMap<string, number> {
  const made = new Map<string, number>();
  for (const one of worked) {
    if (!heldAlike(one.order, order)) continue;
    const done = new Set(one.done);
    for (const stop of walkOf(one.order.steps)) {
      const step = one.order.steps[stop.step];
      if (!step || !done.has(stop.index)) continue;
      const key = stopKey(step, stop);
      made.set(key, (made.get(key) ?? 0) + stop.strokes);
    }
  }
  return made;
}

/** Filed for the same cut at the same angles and the same pitch; what goes round is compared by its family alone. */
function heldAlike(one: WorkOrder, other: WorkOrder): boolean {
  if (one.family !== other.family) return false;
  const [a, b] = [one.inputs, other.inputs];
  if (!a || !b) return a === b;
  return (
    a.saw.filing === b.saw.filing &&
    a.readings.length === b.readings.length &&
    !a.retooth === !b.retooth &&
    Math.abs(a.angles.rakeDeg - b.angles.rakeDeg) <= SAME_DEG &&
    Math.abs(a.angles.fleamDeg - b.angles.fleamDeg) <= SAME_DEG
  );
}

/** A stop with the strokes that are left; null where none is. */
function less(step: Step, stop: Stop, made: ReadonlyMap<string, number>): Stop | null {
  const before = made.get(stopKey(step, stop));
  if (before === undefined) return stop;
  const strokes = Math.max(0, stop.strokes - before);
  return strokes === 0 ? null : { ...stop, strokes };
}

/** A step with fewer stops, its minutes shared over what is left by strokes, or by stops where there are none; nothing without stops. */
function withStops(step: Step, left: (stop: Stop) => Stop | null): Step[] {
  if (step.stops.length === 0) return [step];
  const stops = step.stops.flatMap((stop) => left(stop) ?? []);
  if (stops.length === 0) return [];
  const sum = (of: readonly Stop[]): number => of.reduce((all, { strokes }) => all + strokes, 0);
  const share = sum(step.stops) > 0 ? sum(stops) / sum(step.stops) : stops.length / step.stops.length;
  return [{ ...step, stops, minutes: step.minutes * share }];
}

/** What of the set stays: whether it was taken out and not made since, and which teeth were set to this order's target since. */
function setIsMade(
  worked: readonly Worked[],
  order: WorkOrder,
): { flattened: boolean; made: boolean; stops: ReadonlySet<number> } {
  const wanted = order.forecast?.set.perSideMm ?? NaN;
  const stops = new Set<number>();
  // Back to where the set was last taken out: what was set to another target since is not this set.
  for (const one of worked.toReversed()) {
    const deeds = deedsOf(one.order, one);
    const begun = isBegun(deeds, 'set');
    if (begun && !(Math.abs((one.order.forecast?.set.perSideMm ?? NaN) - wanted) <= SAME_SET_MM))
      return { flattened: false, made: false, stops: new Set() };
    const done = new Set(one.done);
    for (const stop of walkOf(one.order.steps))
      if (one.order.steps[stop.step]?.kind === 'set' && done.has(stop.index)) stops.add(stop.at);
    if (isDone(deeds, 'flatten-set')) return { flattened: true, made: stops.size > 0, stops };
  }
  return { flattened: false, made: stops.size > 0, stops };
}

/** How deep an order of before was jointed, of its own depth, mm; 0 where it was not. */
export const jointedSoFar = (one: Worked): number =>
  isDone(deedsOf(one.order, one), 'joint') ? (one.order.choice?.depthMm ?? 0) : 0;
