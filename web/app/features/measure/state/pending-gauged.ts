import { gauged } from '@odontis/contract/gauging';
import type { NewGauged } from '@odontis/contract/gauging';

const keyOf = (ticketId: number): string => `odontis.gauged.${ticketId}`;

/** Readings that no server has yet, kept over a reload. */
export function keepPending(ticketId: number, readings: readonly NewGauged[]): void {
  try {
    if (readings.length === 0) localStorage.removeItem(keyOf(ticketId));
    else localStorage.setItem(keyOf(ticketId), JSON.stringify(readings));
  } catch {
    // A browser without storage keeps them on the page alone.
  }
}

export function recallPending(ticketId: number): NewGauged[] {
  try {
    const kept = gauged.array().safeParse(JSON.parse(localStorage.getItem(keyOf(ticketId)) ?? '[]'));
    return kept.success ? kept.data : [];
  } catch {
    return [];
  }
}
