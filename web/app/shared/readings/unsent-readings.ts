import type { MeasuringKind } from '@odontis/contract/readings';
import type { ToothReading } from '@odontis/core/saw/tooth-reading';

interface Unsent {
  readonly version: number;
  readonly readings: readonly ToothReading[];
}

const key = (ticket: number, kind: MeasuringKind): string => `odontis.unsent.${kind}.${ticket}`;

/** Readings typed but not yet kept by the server, over a reload or a dead battery. */
export function recallUnsent(ticket: number, kind: MeasuringKind): Unsent | null {
  try {
    const text = localStorage.getItem(key(ticket, kind));
    return text === null ? null : (JSON.parse(text) as Unsent);
  } catch {
    return null;
  }
}

export function keepUnsent(ticket: number, kind: MeasuringKind, unsent: Unsent | null): void {
  try {
    if (unsent === null) localStorage.removeItem(key(ticket, kind));
    else localStorage.setItem(key(ticket, kind), JSON.stringify(unsent));
  } catch {
    // Without storage the server's copy is the only one.
  }
}
