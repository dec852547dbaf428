import type { Migration } from './migration';

/**
 * A business and the people to speak to there; a version on every customer, so that two counters
 * changing one are told; who was made one with whom.
 */
export const keepContacts: Migration = {
  name: '2026-11-23-keep-contacts',
  up: `
    ALTER TABLE customer
      ADD COLUMN version integer NOT NULL DEFAULT 1 CHECK (version >= 1),
      ADD COLUMN business boolean NOT NULL DEFAULT false,
      ADD COLUMN note text NOT NULL DEFAULT '',
      ADD COLUMN forgotten_at timestamptz;
    CREATE TABLE contact (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      customer_id integer NOT NULL REFERENCES customer ON DELETE CASCADE,
      name text NOT NULL CHECK (length(btrim(name)) > 0),
      phone text NOT NULL DEFAULT '',
      email text NOT NULL DEFAULT '',
      place integer NOT NULL CHECK (place >= 0),
      UNIQUE (customer_id, place)
    );
    CREATE TABLE customer_merge (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      gone_id integer NOT NULL,
      into_id integer NOT NULL REFERENCES customer,
      merged_by integer NOT NULL REFERENCES person,
      merged_at timestamptz NOT NULL DEFAULT now(),
      CHECK (gone_id <> into_id)
    );
    CREATE INDEX customer_merge_into ON customer_merge (into_id);
  `,
  down: `
    DROP TABLE customer_merge, contact;
    ALTER TABLE customer DROP COLUMN forgotten_at, DROP COLUMN note, DROP COLUMN business, DROP COLUMN version;
  `,
};
