import type { NewEvidence } from '@odontis/contract/evidence';
import { waitingEvidence } from '@odontis/contract/evidence';
import type { Reading } from '@odontis/core/evidence/reading';

/** Readings on their way, with the session they were taken in. */
export interface WaitingBatch {
  readonly session: NewEvidence['session'];
  readonly readings: readonly Reading[];
  /** In whose sitting they were taken, so that they are theirs whoever sits there when they are sent. */
  readonly sitting: string | null;
}

const keyOf = (ticketId: number): string => `odontis.waiting.${ticketId}`;

/** Readings that no server has yet, kept over a reload, a flat battery, a week. */
export function keepWaiting(ticketId: number, waiting: readonly WaitingBatch[]): void {
  try {
    if (waiting.length === 0) localStorage.removeItem(keyOf(ticketId));
    else localStorage.setItem(keyOf(ticketId), JSON.stringify(waiting));
  } catch {
    // A browser without storage keeps them on the page alone.
  }
}

export function recallWaiting(ticketId: number): WaitingBatch[] {
  try {
    return waitingEvidence.safeParse(JSON.parse(localStorage.getItem(keyOf(ticketId)) ?? '[]')).data ?? [];
  } catch {
    return [];
  }
}
