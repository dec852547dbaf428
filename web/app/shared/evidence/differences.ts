import type { Dossier } from '@odontis/contract/dossier';
import { standing } from '@odontis/core/evidence/estimates';
import { QUANTITY_FACTS } from '@odontis/core/evidence/quantities';
import type { Reading } from '@odontis/core/evidence/reading';
import { isAngle, isLength } from '@odontis/core/evidence/reading';
import type { Difference } from '../conflict/conflict';
import type { Speech } from '../speech/speech';
import type { WaitingBatch } from './waiting-readings';

/** Where mine, not sent yet, and theirs, kept meanwhile, say different things of one place. */
export function differencesOf(waiting: readonly WaitingBatch[], theirs: Dossier, speech: Speech): Difference[] {
  const kind = waiting[0]?.session.kind;
  const others = theirs.sessions.filter((s) => s.kind === kind).flatMap((s) => standing(s.readings));
  return waiting.flatMap(({ readings }) =>
    standing(readings).flatMap((mine): Difference[] => {
      const other = others.findLast(
        (o) => o.quantity === mine.quantity && o.place === mine.place && o.part === mine.part,
      );
      if (!other || JSON.stringify(other.value) === JSON.stringify(mine.value)) return [];
      return [{ what: whatOf(mine, speech), mine: valueOf(mine, speech), theirs: valueOf(other, speech) }];
    }),
  );
}

function whatOf(r: Reading, speech: Speech): string {
  if (isLength(r) && QUANTITY_FACTS[r.quantity].place === 'station')
    return `${QUANTITY_FACTS[r.quantity].name} at ${speech.plate(r.place)}`;
  const name = isLength(r) && r.quantity !== 'height' ? `, ${QUANTITY_FACTS[r.quantity].name.toLowerCase()}` : '';
  return `${r.part ? `${r.part}, tooth` : 'Tooth'} ${r.place}${name}`;
}

const valueOf = (r: Reading, speech: Speech): string =>
  isLength(r) ? speech.fine(r.value) : isAngle(r) ? `read by ${r.value.way}` : r.value;
