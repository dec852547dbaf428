import type { RackRow } from '@odontis/contract/ticket';

/** A way of looking at the rack. */
export interface RackView {
  readonly id: string;
  readonly name: string;
  readonly takes: (row: RackRow, person: number, today: string) => boolean;
}

/** All of it first; `mine` are those the person at the screen took in or planned. */
export const RACK_VIEWS: readonly RackView[] = [
  { id: 'all', name: 'All', takes: () => true },
  {
    id: 'counter',
    name: 'Counter today',
    // Who comes to fetch, who is to be asked, and what was taken in since the morning.
    takes: (row, _person, today) =>
      (row.stage === 'handover' && row.promisedOn <= today) || row.waitsFor === 'customer' || row.openedOn === today,
  },
  { id: 'mine', name: 'Mine', takes: (row, person) => row.hands.includes(person) },
  { id: 'waits-for-customer', name: 'Waiting on the customer', takes: (row) => row.waitsFor === 'customer' },
  { id: 'waits-for-part', name: 'Waiting on a part', takes: (row) => row.waitsFor === 'part' },
  { id: 'at-the-grinder', name: 'At the grinder', takes: (row) => row.waitsFor === 'grinder' },
  { id: 'ready', name: 'Ready to go', takes: (row) => row.stage === 'handover' && row.waitsFor === null },
];
