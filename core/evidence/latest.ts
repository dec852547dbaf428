import { standing } from './estimates';
import type { Reading } from './reading';
import type { Evidence, SessionKind, SessionReadings } from './session';

/**
 * The session that speaks: the last one of its kind with a reading that counts and is
 * wanted. Every view asks here, so that "the latest" is one thing everywhere. Null of none.
 */
export function latestSession(
  evidence: Evidence,
  kind: SessionKind,
  wanted: (reading: Reading) => boolean,
): SessionReadings | null {
  return evidence.findLast((s) => s.kind === kind && standing(s.readings).some(wanted)) ?? null;
}
