import type { FileSetting } from '@odontis/core/file/hold-for-tooth';
import { holdForTooth } from '@odontis/core/file/hold-for-tooth';
import { LEAST_SEEN_FLAT_MM } from '@odontis/core/line/flats';
import type { WorkOrder } from '@odontis/core/work/order';
import type { Step, WalkStop } from '@odontis/core/work/step';
import type { Speech } from '../../../shared/speech/speech';

/** A stop of an order, in hand. */
export interface StopInHand {
  readonly order: WorkOrder;
  readonly step: Step;
  readonly stop: WalkStop;
}

/** A file of ordinary length, to say by how much its handle lies aside. */
export const FILE_MM = 150;

/** A line of cutters: its teeth are called so. */
export const isPointed = (order: WorkOrder): boolean => !!order.inputs?.cutters;

/** How the file is held for the teeth of a step; null where none is filed. */
export function holdAt({ order, step }: Pick<StopInHand, 'order' | 'step'>): FileSetting | null {
  const angles = order.inputs?.angles;
  if (step.unit !== 'gullet' || !angles) return null;
  const rakeDeg = step.stretch?.rakeDeg ?? angles.rakeDeg;
  return holdForTooth({ rakeDeg, fleamDeg: angles.fleamDeg, slopeDeg: 0, section: 'taper' }, 1, FILE_MM);
}

/** The board under a pull saw, turned by its fleam; null where none lies there. */
export function boardDegAt({ order, step }: Pick<StopInHand, 'order' | 'step'>): number | null {
  if (step.kind !== 'edge' || !order.inputs) return null;
  const { beside, inputs } = order;
  return (beside && step.line === beside.inputs.saw.filing ? beside.inputs : inputs).angles.fleamDeg;
}

/** The gauge or depth of the place in hand: a figure for two metres; null where it has none. */
export function aimAt({ order, step, stop }: StopInHand, { fine, plate }: Speech): string | null {
  const { targetMm } = step;
  if (step.kind === 'round-rakers' && targetMm !== null) return `${fine(targetMm)} under the scorers`;
  if (step.kind === 'chipper' && targetMm !== null) return `to ${fine(targetMm)} on the dial`;
  if (!isPointed(order)) return null;
  if (step.kind === 'raker-gullets')
    return stop.targetMm === undefined ? 'by its width' : `${plate(stop.targetMm)} deep`;
  return step.unit === 'raker' && targetMm !== null ? `gauge at ${fine(targetMm)}` : null;
}

/** The flat that the eye goes by; null where none is to be seen. */
export const flatAt = ({ flatMm }: WalkStop, { fine }: Speech): string | null =>
  flatMm === undefined || flatMm < LEAST_SEEN_FLAT_MM ? null : fine(flatMm);

/** At either end of the line a raker hardly cuts. */
export const isEndRaker = ({ order, step, stop }: StopInHand): boolean =>
  step.unit === 'raker' && (order.forecast?.rakers?.endRakers.includes(stop.at) ?? false);

function kindOfPlace({ order, step }: Pick<StopInHand, 'order' | 'step'>): string {
  if (step.unit === 'raker') return 'Raker';
  return step.unit === 'tooth' ? (isPointed(order) ? 'Cutter' : 'Tooth') : 'Gullet';
}
const manyOf = (place: string): string => (place === 'Tooth' ? 'Teeth' : `${place}s`);

/** Which place it is, or which places one press marks. */
export function whereSays({ order, step, stop }: StopInHand, next: readonly WalkStop[]): string {
  const kind = kindOfPlace({ order, step });
  if (next.length > 1) return `${manyOf(kind)} ${stop.at} to ${next.at(-1)?.at}`;
  if (step.unit === 'window') return `Teeth ${stop.at} to ${stop.to ?? stop.at}`;
  if (step.unit === 'raker' || step.unit === 'tooth') return `${kind} ${stop.at}`;
  if (stop.at === 0) return 'Before tooth 1';
  return stop.at === order.inputs?.readings.length ? `After tooth ${stop.at}, the last` : `Gullet ${stop.at}`;
}
