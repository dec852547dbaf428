import type { KeptStoreRoom } from '@odontis/contract/store';

/** A small Store: a slim file of which the first person has the second corner in hand, and a set tool. */
export const testStoreRoom = (name = '6 in slim taper', more: Partial<KeptStoreRoom> = {}): KeptStoreRoom => ({
  until: '2031-05-18',
  tools: [
    {
      id: 5,
      tool: { kind: 'file', name, note: '', corners: 3, cornerStrokes: 900 },
      stock: { lying: 1, away: false, lives: [], inHand: [{ personId: 1, corner: 2, sinceMs: 0, strokes: 450 }] },
    },
    {
      id: 6,
      tool: { kind: 'set-tool', name: 'the small one', note: 'up to 12 points' },
      stock: { lying: 1, away: false, lives: [], inHand: [] },
    },
  ],
  planned: [{ ticketId: 9, ticketNumber: 1009, promisedOn: '2031-05-06', name, strokes: 900 }],
  unplanned: [],
  used: [{ kind: 'set-tool', name: '', amount: 340 }],
  ...more,
});
