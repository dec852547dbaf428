import type { Migration } from './migration';

/** What a ticket waits for, when the next move is not the shop's: the customer's word or a part. */
export const sayWhatIsWaitedFor: Migration = {
  name: '2026-11-23-say-what-is-waited-for',
  up: `
    ALTER TABLE ticket
      ADD COLUMN waits_for text CHECK (waits_for IN ('customer', 'part')),
      ADD COLUMN waits_note text NOT NULL DEFAULT '',
      ADD CONSTRAINT waits_note_says_for_what CHECK (waits_for IS NOT NULL OR waits_note = '');
  `,
  down: `ALTER TABLE ticket DROP CONSTRAINT waits_note_says_for_what, DROP COLUMN waits_note, DROP COLUMN waits_for;`,
};
