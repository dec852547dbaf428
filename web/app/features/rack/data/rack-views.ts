import type { RackRow } from '@odontis/contract/ticket';

/** A way of looking at the rack. */
export interface RackView {
  readonly id: string;
  readonly name: string;
  readonly takes: (row: RackRow, person: number) => boolean;
}

/** All of it first; `mine` are those the person at the screen took in or planned. */
export const RACK_VIEWS: readonly RackView[] = [
  { id: 'all', name: 'All', takes: () => true },
  { id: 'mine', name: 'Mine', takes: (row, person) => row.hands.includes(person) },
  { id: 'waits-for-customer', name: 'Waiting on the customer', takes: (row) => row.waitsFor === 'customer' },
  { id: 'waits-for-part', name: 'Waiting on a part', takes: (row) => row.waitsFor === 'part' },
  { id: 'ready', name: 'Ready to go', takes: (row) => row.stage === 'handover' && row.waitsFor === null },
];
