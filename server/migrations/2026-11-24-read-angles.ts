import type { Migration } from './migration';

/** Angles of teeth, read in the same sessions as gauge readings and as unchangeable: each way has its own columns filled. */
export const readAngles: Migration = {
  name: '2026-11-24-read-angles',
  up: `
    CREATE TABLE angle_read (
      key uuid PRIMARY KEY,
      taken integer GENERATED ALWAYS AS IDENTITY,
      gauging_id integer NOT NULL REFERENCES gauging ON DELETE CASCADE,
      part text,
      tooth integer NOT NULL CHECK (tooth BETWEEN 1 AND 5000),
      way text NOT NULL CHECK (way IN ('file', 'bevel', 'scan', 'eye')),
      section text CHECK (section IN ('taper', 'feather', 'square')),
      roll_deg double precision CHECK (roll_deg BETWEEN -89 AND 89),
      slope_deg double precision CHECK (slope_deg BETWEEN 0 AND 89),
      handle text CHECK (handle IN ('left', 'right')),
      turn_deg double precision CHECK (turn_deg BETWEEN -89 AND 89),
      rake_deg double precision CHECK (rake_deg BETWEEN -89 AND 89),
      back_deg double precision CHECK (back_deg BETWEEN -89 AND 89),
      point text CHECK (point IN ('left', 'right', 'none')),
      set_aside boolean NOT NULL,
      corrects uuid UNIQUE REFERENCES angle_read,
      taken_by integer NOT NULL REFERENCES person,
      taken_at timestamptz NOT NULL DEFAULT now(),
      CHECK (corrects <> key),
      CHECK (CASE way
        WHEN 'file' THEN num_nonnulls(section, roll_deg, slope_deg, handle, turn_deg) = 5 AND num_nonnulls(rake_deg, back_deg, point) = 0
        WHEN 'bevel' THEN num_nonnulls(rake_deg, back_deg, turn_deg) > 0 AND num_nonnulls(section, roll_deg, slope_deg, handle, point) = 0
        WHEN 'scan' THEN num_nonnulls(rake_deg, back_deg) > 0 AND num_nonnulls(section, roll_deg, slope_deg, handle, turn_deg, point) = 0
        ELSE point IS NOT NULL AND num_nonnulls(section, roll_deg, slope_deg, handle, turn_deg, rake_deg, back_deg) = 0
      END)
    );
    CREATE INDEX angle_read_session ON angle_read (gauging_id, taken);
    CREATE TRIGGER angle_read_never_changed BEFORE UPDATE ON angle_read FOR EACH ROW EXECUTE FUNCTION never_changed();
  `,
  down: `DROP TABLE angle_read;`,
};
