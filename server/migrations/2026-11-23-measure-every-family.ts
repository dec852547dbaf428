import type { Migration } from './migration';

/**
 * Measuring of every family: sessions of gauge readings that are only ever added to,
 * several sittings over one line, what a line was measured with, and the values that
 * a correction put out of force.
 */
export const measureEveryFamily: Migration = {
  name: '2026-11-23-measure-every-family',
  up: `
    ALTER TABLE measuring
      ADD COLUMN sitting integer NOT NULL DEFAULT 1 CHECK (sitting >= 1),
      ADD COLUMN gauge text NOT NULL DEFAULT 'straight-edge' CHECK (gauge IN ('straight-edge', 'caliper', 'indicator', 'scan', 'eye')),
      DROP CONSTRAINT measuring_ticket_id_kind_round_key,
      ADD CONSTRAINT measuring_once UNIQUE (ticket_id, kind, round, sitting);
    CREATE TABLE reading_was (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      measuring_id integer NOT NULL REFERENCES measuring ON DELETE CASCADE,
      tooth integer NOT NULL CHECK (tooth >= 1),
      was jsonb NOT NULL CHECK (jsonb_typeof(was) = 'object'),
      changed_by integer NOT NULL REFERENCES person,
      changed_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE INDEX reading_was_tooth ON reading_was (measuring_id, tooth);
    CREATE TABLE gauging (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      key uuid NOT NULL UNIQUE,
      ticket_id integer NOT NULL REFERENCES ticket,
      kind text NOT NULL CHECK (kind IN ('before', 'after')),
      note text NOT NULL DEFAULT '',
      started_by integer NOT NULL REFERENCES person,
      started_at timestamptz NOT NULL DEFAULT now(),
      finished_at timestamptz CHECK (finished_at >= started_at)
    );
    CREATE INDEX gauging_ticket ON gauging (ticket_id);
    CREATE TABLE gauged (
      key uuid PRIMARY KEY,
      taken integer GENERATED ALWAYS AS IDENTITY,
      gauging_id integer NOT NULL REFERENCES gauging ON DELETE CASCADE,
      quantity text NOT NULL CHECK (quantity IN ('height', 'set', 'raker-depth', 'runout', 'chipper-height', 'thickness', 'bow', 'gullet-depth', 'rust', 'pitting')),
      part text,
      place double precision NOT NULL CHECK (place BETWEEN 0 AND 30000),
      value_mm double precision NOT NULL CHECK (value_mm BETWEEN -5000 AND 30000),
      gauge text NOT NULL CHECK (gauge IN ('straight-edge', 'caliper', 'indicator', 'scan', 'eye')),
      set_aside boolean NOT NULL,
      corrects uuid UNIQUE REFERENCES gauged,
      taken_by integer NOT NULL REFERENCES person,
      taken_at timestamptz NOT NULL DEFAULT now(),
      CHECK (corrects <> key)
    );
    CREATE INDEX gauged_session ON gauged (gauging_id, taken);
    CREATE FUNCTION never_changed() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN RAISE EXCEPTION 'A reading is never changed: a correction is another reading.'; END $$;
    CREATE TRIGGER gauged_never_changed BEFORE UPDATE ON gauged FOR EACH ROW EXECUTE FUNCTION never_changed();
    CREATE TRIGGER reading_was_never_changed BEFORE UPDATE ON reading_was FOR EACH ROW EXECUTE FUNCTION never_changed();
  `,
  down: `
    DROP TABLE gauged, gauging, reading_was;
    DROP FUNCTION never_changed;
    DELETE FROM measuring m USING measuring n WHERE n.ticket_id = m.ticket_id AND n.kind = m.kind AND n.round = m.round AND n.sitting > m.sitting;
    ALTER TABLE measuring
      DROP CONSTRAINT measuring_once, DROP COLUMN gauge, DROP COLUMN sitting,
      ADD CONSTRAINT measuring_ticket_id_kind_round_key UNIQUE (ticket_id, kind, round);
  `,
};
