import { MOST_BREAST_SHARE } from '../saw/breast';
import type { Saw } from '../saw/saw';
import { ANGLE_WAY_WORDS, waysOf } from './angle-finding';
import { hasToothLine, mostTeethOf, partsFor, placesOf, QUANTITY_FACTS, quantitiesOf } from './quantities';
import type { Reading } from './reading';
import { isLength } from './reading';

/** Where a reading is: what a correction of it must share. */
type Whereabouts = Pick<Reading, 'quantity' | 'part' | 'place'>;

/** What is wrong with a reading on this saw, in a sentence; null where it can stand. `known` are those it may correct. */
export function readingFault(saw: Saw, r: Reading, known: ReadonlyMap<string, Whereabouts>): string | null {
  return whereFault(saw, r) ?? correctionFault(r, known);
}

function whereFault(saw: Saw, r: Reading): string | null {
  if (r.quantity === 'angles') {
    if (!waysOf(saw).includes(r.value.way))
      return `Angles of this saw are not read by ${ANGLE_WAY_WORDS[r.value.way]}.`;
    if (r.gauge !== r.value.way) return 'An angle is read with what it says it was read with.';
  }
  if (!isLength(r)) {
    if (r.quantity !== 'angles' && !hasToothLine(saw) && saw.family !== 'pull' && saw.family !== 'crosscut')
      return 'Kinds and leans of single teeth are not kept of this saw.';
    if (!partsFor(saw, 'set').includes(r.part)) return `The set has no part "${r.part ?? 'the whole'}".`;
    return r.place > mostTeethOf(saw, r.part) ? `This saw has no tooth ${r.place}.` : null;
  }
  if (r.quantity === 'raker-width' && !r.setAside && r.value >= 2 * saw.pitchMm)
    return `A raker of ${r.value.toFixed(1)} mm would stand over its cutters: they are ${saw.pitchMm.toFixed(1)} mm from it.`;
  if (r.quantity === 'breast' && !r.setAside && r.value > MOST_BREAST_SHARE * saw.toothLineMm)
    return `A breast of ${r.value.toFixed(1)} mm is more than any saw is filed to: up to ${(MOST_BREAST_SHARE * saw.toothLineMm).toFixed(1)} mm on this line.`;
  const { name, place } = QUANTITY_FACTS[r.quantity];
  const ofLine = r.quantity === 'place' || r.quantity === 'height' || r.quantity === 'set';
  if (!quantitiesOf(saw).includes(r.quantity) && !(r.quantity === 'place' && hasToothLine(saw)))
    return `${name} is not measured on this saw.`;
  if (!partsFor(saw, r.quantity).includes(r.part)) return `${name} is not measured on part "${r.part ?? 'the whole'}".`;
  if (place === 'station')
    return r.place > saw.toothLineMm
      ? `The place at ${r.place} mm lies beyond the saw's ${Math.round(saw.toothLineMm)} mm.`
      : null;
  if (!Number.isInteger(r.place) || r.place < 1) return `${name} is measured at a tooth, counted from 1.`;
  // A line may turn out to have more teeth than were told; cutters and rakers stand where their pattern says.
  const free = ofLine && (hasToothLine(saw) || saw.family === 'pull');
  if (free ? r.place > mostTeethOf(saw, r.part) : !placesOf(saw, r.quantity, r.part).includes(r.place))
    return `${name} is not measured at tooth ${r.place}.`;
  return null;
}

function correctionFault(r: Reading, known: ReadonlyMap<string, Whereabouts>): string | null {
  if (r.corrects === null) return null;
  const old = known.get(r.corrects);
  if (!old) return 'The reading to be corrected is not in this session.';
  return old.quantity === r.quantity && old.part === r.part && old.place === r.place
    ? null
    : 'A correction stands at the same place as what it corrects.';
}
