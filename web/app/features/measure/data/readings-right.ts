import { standing } from '@odontis/core/evidence/estimates';
import type { KeptReading, Reading } from '@odontis/core/evidence/reading';
import { isLength } from '@odontis/core/evidence/reading';
import type { Session, SessionKind } from '@odontis/core/evidence/session';

/** What is to be put right: readings of one quantity at places from one to another. Lengths mm. */
export interface Wanted {
  readonly kind: SessionKind;
  readonly quantity: Reading['quantity'];
  readonly part: string | null;
  readonly from: number;
  readonly to: number;
}
/** How: to a value, by a difference, or taken out. mm. */
export type Change = { readonly way: 'is' | 'by'; readonly mm: number } | { readonly way: 'out' };

/** The readings that count there now, with their session. */
export const readingsAt = (
  sessions: readonly Session[],
  { kind, quantity, part, from, to }: Wanted,
): { session: Session; reading: KeptReading }[] =>
  sessions
    .filter((one) => one.kind === kind)
    .flatMap((session) =>
      standing(session.readings)
        .filter((r) => r.quantity === quantity && r.part === part && r.place >= from && r.place <= to)
        .map((reading) => ({ session, reading })),
    );

/** A reading as it stands after a change: another that names it. Words and angles are taken out, not reckoned with. */
export function corrected(reading: KeptReading, change: Change, key: string): Reading {
  const { by: _by, at: _at, ...told } = reading;
  const next = { ...told, key, corrects: reading.key };
  if (change.way === 'out') return { ...next, setAside: true };
  if (!isLength(next)) throw new RangeError('A word is no length.');
  return { ...next, value: change.way === 'is' ? change.mm : next.value + change.mm };
}
