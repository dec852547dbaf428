import type { Migration } from './migration';

/**
 * What is made once: the key of every note, photograph, label job and person, as it was made on the screen. One
 * that is here already is not made again, however often its sending was repeated.
 */
export const madeOnce: Migration = {
  name: '2026-11-29-made-once',
  up: `
    CREATE TABLE made (
      key uuid PRIMARY KEY,
      what text NOT NULL CHECK (what IN ('message', 'photograph', 'labels', 'person')),
      at timestamptz NOT NULL DEFAULT now()
    );`,
  down: `DROP TABLE made;`,
};
