import type { Migration } from './migration';

/** What was done to a saw before it was measured, how it went and how long it took; only ever added to. Down it is forgotten. */
export const preparing: Migration = {
  name: '2026-12-02-preparing',
  up: `
    CREATE TABLE preparation (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      key uuid NOT NULL UNIQUE,
      ticket_id integer NOT NULL REFERENCES ticket,
      kind text NOT NULL CHECK (kind IN ('clean', 'straighten', 'reseat', 'tighten', 'handle-off')),
      result text NOT NULL CHECK (result IN ('came-out', 'did-not')),
      minutes double precision CHECK (minutes >= 0 AND minutes <= 10000),
      person_id integer NOT NULL REFERENCES person,
      at timestamptz NOT NULL DEFAULT now()
    );
    CREATE INDEX preparation_ticket ON preparation (ticket_id, id);
    CREATE TRIGGER preparation_is_kept BEFORE UPDATE OR DELETE ON preparation FOR EACH ROW EXECUTE FUNCTION refuse_change();`,
  down: 'DROP TABLE preparation;',
};
