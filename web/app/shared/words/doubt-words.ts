import type { ReadingDoubt, UnitSlip } from '@odontis/core/evidence/doubt-reading';
import type { LengthQuantity } from '@odontis/core/evidence/quantities';
import { QUANTITY_FACTS } from '@odontis/core/evidence/quantities';
import type { Speech } from '../speech/speech';

const SLIPS: Readonly<Record<UnitSlip, string>> = {
  'thou-as-mm': 'the figure in thousandths of an inch',
  'inch-as-mm': 'the figure in inches',
  'mm-as-thou': 'the figure in millimetres',
};

/** A doubtful reading as a sentence in the shop's own unit. */
export function doubtSays(quantity: LengthQuantity, doubt: ReadingDoubt, speech: Pick<Speech, 'finer'>): string {
  const value = speech.finer(doubt.valueMm);
  const name = QUANTITY_FACTS[quantity].name;
  if (doubt.code === 'out-of-range')
    return `${name} of ${value} cannot be on this saw: ${speech.finer(doubt.leastMm)} to ${speech.finer(doubt.mostMm)} is what it can have.`;
  const usual = speech.finer(doubt.usualMm ?? 0);
  return doubt.code === 'wild'
    ? `${name} of ${value} is far from the others, which are about ${usual}.`
    : `${name} of ${value} here, but ${usual} before at the same place.`;
}

/** What it may have been meant to be. */
export const meantSays = (meant: NonNullable<ReadingDoubt['meant']>, speech: Pick<Speech, 'finer'>): string =>
  `It is ${speech.finer(meant.mm)}, ${SLIPS[meant.slip]}`;
