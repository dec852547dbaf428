import type { RackRow } from '@odontis/contract/ticket';
import type { ShopApi } from './shop-api';
import { concatMap, from, EMPTY, catchError } from 'rxjs';

/** So many saws are at hand without a network: what a bench does in a few days. */
const AT_HAND = 24;
const STAGES: ReadonlySet<RackRow['stage']> = new Set(['measure', 'plan', 'bench', 'check']);

/** The saws that are worked next, the soonest promised first. */
export const sawsAtHand = (rows: readonly RackRow[]): number[] =>
  rows
    .filter((row) => STAGES.has(row.stage))
    .sort((a, b) => a.promisedOn.localeCompare(b.promisedOn))
    .slice(0, AT_HAND)
    .map((row) => row.id);

/**
 * Reads them one after the other, so that a screen that is installed has them when the network is gone; one that is
 * not keeps nothing, and is spared the reading.
 */
export function keepAtHand(api: ShopApi, rows: readonly RackRow[], isInstalled: boolean): void {
  if (!isInstalled) return;
  from(sawsAtHand(rows))
    .pipe(concatMap((id) => api.ticket(id).pipe(catchError(() => EMPTY))))
    .subscribe();
}

/** Whether the worker that keeps pages and records for a time without a network is at work. */
export const isKept = (): boolean => 'serviceWorker' in navigator && navigator.serviceWorker.controller !== null;

/** What was kept of the shop's records goes: whoever left leaves nothing to be read. */
export async function forgetKept(): Promise<void> {
  if (!('caches' in globalThis)) return;
  for (const name of await caches.keys()) if (name.includes(':data:')) await caches.delete(name);
}
