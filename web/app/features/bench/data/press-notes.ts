import { benchEvent } from '@odontis/contract/bench';
import * as z from 'zod';
import { recall, remember } from '../../../shared/api/remembered';

const press = z.object({
  ticketId: z.int(),
  planId: z.int(),
  event: benchEvent,
  sitting: z.string().nullable(),
});
/** A press of the key at the vise, of which saw and plan, and in whose sitting. */
export type Press = z.infer<typeof press>;

const presses = press.array();
const KEY = 'presses';

function noted(): Press[] {
  try {
    return presses.safeParse(JSON.parse(recall(KEY) ?? '[]')).data ?? [];
  } catch {
    return [];
  }
}
const note = (all: readonly Press[]): void => remember(KEY, all.length > 0 ? JSON.stringify(all) : null);

/** Written down while the key is still down: the browser's own disk takes a moment, and a page may be gone in it. */
export const noteDown = (one: Press): void => note([...noted(), one]);
/** Of a saw, in the order they were pressed. */
export const notedOf = (ticketId: number): Press[] => noted().filter((one) => one.ticketId === ticketId);
/** On the disk by now, or of no use any more. */
export const strikeOut = (ids: ReadonlySet<string>): void => note(noted().filter(({ event }) => !ids.has(event.id)));
