import type { ReadingFault } from '@odontis/core/evidence/reading-faults';
import type { Speech } from '../speech/speech';

/** A slip in the readings as a sentence. */
export function faultSays(fault: ReadingFault, speech: Speech): string {
  const tooth = `Tooth ${fault.tooth}`;
  switch (fault.code) {
    case 'tooth-repeated':
      return `${tooth} comes twice.`;
    case 'tooth-skipped':
      return `${tooth} follows ${fault.against}: mark a lost tooth as missing instead of leaving it out.`;
    case 'place-not-rising':
      return `${tooth} stands no further along than the one before it.`;
    case 'place-jump':
      return `${tooth} is ${speech.fine(fault.value)} from the one before; the pitch is ${speech.fine(fault.against)}. A slip?`;
    case 'height-jump':
      return `${tooth} differs from its neighbours by ${speech.fine(fault.value)}. A slip, or is it broken?`;
    case 'set-over-half-plate':
      return `${tooth} has ${speech.fine(fault.value)} of set, more than half the plate (${speech.fine(fault.against)}). A slip?`;
    case 'not-finite':
      return `${tooth} has no number.`;
  }
}
