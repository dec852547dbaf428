import type { Migration } from './migration';

/**
 * Counted strokes become one kind of what is measured of a hand: strokes, passes of a stone, the
 * number of a set tool. A reading's key is made on the screen, so that one sent twice counts once.
 * Down it refuses where other kinds than strokes were kept: the old table has no place for them.
 */
export const calibrations: Migration = {
  name: '2026-11-29-calibrations',
  up: `
    CREATE TABLE calibration (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      key uuid NOT NULL UNIQUE,
      person_id integer NOT NULL REFERENCES person,
      what text NOT NULL CHECK (what IN ('strokes', 'stoning', 'set-tool')),
      tool text NOT NULL DEFAULT '' CHECK (length(tool) <= 60),
      amount double precision NOT NULL,
      did_mm double precision NOT NULL CHECK (did_mm > 0 AND did_mm <= 5),
      created_by integer NOT NULL REFERENCES person,
      created_at timestamptz NOT NULL DEFAULT now(),
      CONSTRAINT calibration_counts CHECK (CASE what
        WHEN 'set-tool' THEN amount BETWEEN -20 AND 40 AND length(btrim(tool)) > 0
        ELSE amount >= 1 AND amount = floor(amount) END)
    );
    CREATE INDEX calibration_person ON calibration (person_id);
    INSERT INTO calibration (key, person_id, what, amount, did_mm, created_by, created_at)
      SELECT gen_random_uuid(), person_id, 'strokes', strokes, drop_mm, created_by, created_at FROM stroke_reading ORDER BY id;
    DROP TABLE stroke_reading;
    CREATE TRIGGER calibration_is_kept BEFORE UPDATE OR DELETE ON calibration FOR EACH ROW EXECUTE FUNCTION refuse_change();`,
  down: `
    DO $$ BEGIN
      IF EXISTS (SELECT 1 FROM calibration WHERE what <> 'strokes') THEN
        RAISE EXCEPTION 'Stones or set tools were calibrated: the old table holds strokes alone.';
      END IF;
    END $$;
    CREATE TABLE stroke_reading (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      person_id integer NOT NULL REFERENCES person,
      strokes integer NOT NULL CHECK (strokes > 0),
      drop_mm double precision NOT NULL CHECK (drop_mm > 0 AND drop_mm <= 5),
      created_by integer NOT NULL REFERENCES person,
      created_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE INDEX stroke_reading_person ON stroke_reading (person_id);
    INSERT INTO stroke_reading (person_id, strokes, drop_mm, created_by, created_at)
      SELECT person_id, amount::int, did_mm, created_by, created_at FROM calibration ORDER BY id;
    DROP TABLE calibration;`,
};
