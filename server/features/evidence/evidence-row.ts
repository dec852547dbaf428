import type { Reading } from '@odontis/core/evidence/reading';
import { isAngle, isLength } from '@odontis/core/evidence/reading';
import type { EvidenceRow } from './model';

type Told = Pick<
  EvidenceRow,
  | 'key'
  | 'quantity'
  | 'part'
  | 'place'
  | 'valueMm'
  | 'valueWord'
  | 'valueAngles'
  | 'gauge'
  | 'setAside'
  | 'corrects'
  | 'simulated'
>;

/** A reading as its row: the value in the column of its kind. */
export function toRow(one: Reading): Told {
  const { key, quantity, part, place, gauge, setAside, corrects, simulated } = one;
  return {
    key,
    quantity,
    part,
    place,
    gauge,
    setAside,
    corrects,
    simulated,
    valueMm: isLength(one) ? one.value : null,
    valueWord: isLength(one) || isAngle(one) ? null : one.value,
    valueAngles: isAngle(one) ? one.value : null,
  };
}
