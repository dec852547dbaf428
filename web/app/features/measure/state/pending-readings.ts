import { angleRead, gauged } from '@odontis/contract/gauging';
import type { NewAngle, NewGauged } from '@odontis/contract/gauging';

const keyOf = (what: 'gauged' | 'angles', ticketId: number): string => `odontis.${what}.${ticketId}`;

/** Readings that no server has yet, kept over a reload. */
export function keepPending(
  what: 'gauged' | 'angles',
  ticketId: number,
  readings: readonly (NewGauged | NewAngle)[],
): void {
  try {
    if (readings.length === 0) localStorage.removeItem(keyOf(what, ticketId));
    else localStorage.setItem(keyOf(what, ticketId), JSON.stringify(readings));
  } catch {
    // A browser without storage keeps them on the page alone.
  }
}

function recalled(what: 'gauged' | 'angles', ticketId: number): unknown {
  try {
    return JSON.parse(localStorage.getItem(keyOf(what, ticketId)) ?? '[]');
  } catch {
    return [];
  }
}

export function recallGauged(ticketId: number): NewGauged[] {
  return gauged.array().safeParse(recalled('gauged', ticketId)).data ?? [];
}
export function recallAngles(ticketId: number): NewAngle[] {
  return angleRead.array().safeParse(recalled('angles', ticketId)).data ?? [];
}
