import type { Migration } from './migration';

/**
 * One record of everything read of a saw. Lines that were kept whole, with the values that
 * corrections put out of force beside them, become sessions whose readings correct one
 * another; gauge readings and angles move over as they are. Kept in SQL: frozen once landed.
 */
const EVIDENCE = `
    CREATE TABLE evidence (
      key uuid PRIMARY KEY,
      taken integer GENERATED ALWAYS AS IDENTITY,
      session_id integer NOT NULL REFERENCES session ON DELETE CASCADE,
      quantity text NOT NULL CHECK (quantity IN ('place', 'height', 'set', 'raker-depth', 'runout', 'chipper-height', 'thickness', 'bow',
        'gullet-depth', 'rust', 'pitting', 'kind', 'lean', 'note', 'angles')),
      part text,
      place double precision NOT NULL CHECK (place BETWEEN 0 AND 30000),
      value_mm double precision CHECK (value_mm BETWEEN -5000 AND 30000),
      value_word text CHECK (length(value_word) <= 500),
      value_angles jsonb CHECK (jsonb_typeof(value_angles) = 'object'),
      gauge text NOT NULL CHECK (gauge IN ('straight-edge', 'caliper', 'indicator', 'scan', 'eye', 'file', 'bevel')),
      set_aside boolean NOT NULL,
      corrects uuid UNIQUE REFERENCES evidence,
      simulated boolean NOT NULL DEFAULT false,
      taken_by integer NOT NULL REFERENCES person,
      taken_at timestamptz NOT NULL DEFAULT now(),
      CHECK (corrects <> key),
      CONSTRAINT evidence_value_fits CHECK (num_nonnulls(value_mm, value_word, value_angles) = 1 AND COALESCE(CASE quantity
        WHEN 'kind' THEN value_word IN ('tooth', 'broken', 'missing')
        WHEN 'lean' THEN value_word IN ('left', 'right')
        WHEN 'note' THEN value_word IS NOT NULL
        WHEN 'angles' THEN value_angles->>'way' = gauge AND COALESCE(CASE gauge
          WHEN 'file' THEN value_angles->>'section' IN ('taper', 'feather', 'square') AND value_angles->>'from' IN ('left', 'right')
            AND (value_angles->>'rollDeg')::float8 BETWEEN -89 AND 89 AND (value_angles->>'turnDeg')::float8 BETWEEN -89 AND 89
            AND (value_angles->>'slopeDeg')::float8 BETWEEN 0 AND 89
          WHEN 'bevel' THEN num_nonnulls(value_angles->>'rakeDeg', value_angles->>'backDeg', value_angles->>'turnDeg') > 0
          WHEN 'scan' THEN num_nonnulls(value_angles->>'rakeDeg', value_angles->>'backDeg') > 0
          WHEN 'eye' THEN value_angles->>'point' IN ('left', 'right', 'none')
          ELSE false END, false)
        ELSE value_mm IS NOT NULL AND gauge NOT IN ('file', 'bevel') END, false))
    );
    CREATE INDEX evidence_session ON evidence (session_id, taken);
    CREATE TRIGGER evidence_never_changed BEFORE UPDATE ON evidence FOR EACH ROW EXECUTE FUNCTION never_changed();`;

/** A line's teeth, old values first, each value in a row of its own: what changed from one to the next. */
const LINES = `
    CREATE TEMPORARY TABLE moved ON COMMIT DROP AS
    WITH line AS (
      SELECT m.*, s.pitch_mm, EXISTS (SELECT 1 FROM reading r WHERE r.measuring_id = m.id AND abs(r.x_mm - (r.tooth - 1) * s.pitch_mm) > 1e-6) AS placed
        FROM measuring m JOIN ticket t ON t.id = m.ticket_id JOIN saw s ON s.id = t.saw_id
    ), version AS (
      SELECT w.measuring_id, w.tooth, w.id AS nth, (w.was->>'xMm')::float8 AS x, (w.was->>'yMm')::float8 AS y, w.was->>'kind' AS kind,
             w.was->>'lean' AS lean, (w.was->>'setMm')::float8 AS set, w.was->>'note' AS note, w.changed_by AS by, w.changed_at AS at
        FROM reading_was w
      UNION ALL
      SELECT r.measuring_id, r.tooth, 2147483647, r.x_mm, r.y_mm, r.kind, r.lean, r.set_mm, r.note, l.changed_by, l.changed_at
        FROM reading r JOIN line l ON l.id = r.measuring_id
    ), told AS (
      SELECT v.measuring_id, v.tooth, v.nth, v.by, v.at, q.quantity, q.mm, q.word,
             bool_or(v.kind <> 'tooth') OVER (PARTITION BY v.measuring_id, v.tooth) AS marked, l.placed, l.gauge
        FROM version v JOIN line l ON l.id = v.measuring_id CROSS JOIN LATERAL (VALUES
          ('place', v.x, NULL), ('height', CASE WHEN v.kind <> 'missing' THEN v.y END, NULL), ('set', CASE WHEN v.kind <> 'missing' THEN v.set END, NULL),
          ('kind', NULL, v.kind), ('lean', NULL, v.lean), ('note', NULL, NULLIF(v.note, ''))) AS q (quantity, mm, word)
       WHERE q.quantity <> 'place' OR l.placed
    ), kept AS (
      SELECT *, lag(mm) OVER one AS mm_before, lag(word) OVER one AS word_before, lag(nth) OVER one AS nth_before FROM told
       WHERE quantity <> 'kind' OR marked WINDOW one AS (PARTITION BY measuring_id, tooth, quantity ORDER BY nth)
    ), changed AS (
      -- A value that was emptied is taken back: the old one again, set aside.
      SELECT measuring_id, tooth, nth, by, at, quantity, gauge, COALESCE(mm, mm_before) AS mm, COALESCE(word, word_before) AS word,
             mm IS NULL AND word IS NULL AS emptied
        FROM kept WHERE (mm IS DISTINCT FROM mm_before OR word IS DISTINCT FROM word_before)
                    AND num_nonnulls(mm, word, mm_before, word_before) > 0
    )
    SELECT gen_random_uuid() AS key, changed.* FROM changed;`;

export const oneEvidence: Migration = {
  name: '2026-11-28-one-evidence',
  up: `
    ALTER TABLE gauging RENAME TO session;
    ALTER INDEX gauging_ticket RENAME TO session_ticket;
    ALTER TABLE session ADD COLUMN from_measuring integer;
    ${EVIDENCE}
    INSERT INTO session (key, ticket_id, kind, note, started_by, started_at, finished_at, from_measuring)
      SELECT gen_random_uuid(), m.ticket_id, m.kind, '', m.changed_by, m.changed_at,
             CASE WHEN m.finished OR EXISTS (SELECT 1 FROM measuring n WHERE n.ticket_id = m.ticket_id AND n.kind = m.kind AND (n.round, n.sitting) > (m.round, m.sitting))
                  THEN m.changed_at END, m.id
        FROM measuring m ORDER BY m.changed_at, m.round, m.sitting, m.id;
    ${LINES}
    INSERT INTO evidence (key, session_id, quantity, part, place, value_mm, value_word, gauge, set_aside, corrects, taken_by, taken_at)
      SELECT m.key, s.id, m.quantity, NULL, m.tooth, m.mm, m.word, m.gauge, m.emptied,
             lag(m.key) OVER (PARTITION BY m.measuring_id, m.tooth, m.quantity ORDER BY m.nth), m.by, m.at
        FROM moved m JOIN session s ON s.from_measuring = m.measuring_id ORDER BY m.measuring_id, m.nth, m.tooth, m.quantity;
    INSERT INTO evidence (key, session_id, quantity, part, place, value_mm, gauge, set_aside, corrects, taken_by, taken_at)
      SELECT key, gauging_id, quantity, part, place, value_mm, gauge, set_aside, corrects, taken_by, taken_at FROM gauged ORDER BY gauging_id, taken;
    INSERT INTO evidence (key, session_id, quantity, part, place, value_angles, gauge, set_aside, corrects, taken_by, taken_at)
      SELECT key, gauging_id, 'angles', part, tooth, CASE way
               WHEN 'file' THEN jsonb_build_object('way', way, 'section', section, 'rollDeg', roll_deg, 'turnDeg', turn_deg, 'slopeDeg', slope_deg, 'from', handle)
               WHEN 'bevel' THEN jsonb_build_object('way', way, 'rakeDeg', rake_deg, 'backDeg', back_deg, 'turnDeg', turn_deg)
               WHEN 'scan' THEN jsonb_build_object('way', way, 'rakeDeg', rake_deg, 'backDeg', back_deg)
               ELSE jsonb_build_object('way', way, 'point', point) END,
             way, set_aside, corrects, taken_by, taken_at
        FROM angle_read ORDER BY gauging_id, taken;
    ALTER TABLE session DROP COLUMN from_measuring;
    DROP TABLE angle_read, gauged, reading_was, reading, measuring;
  `,
  down: `
    CREATE TABLE measuring (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      ticket_id integer NOT NULL REFERENCES ticket,
      kind text NOT NULL CHECK (kind IN ('before', 'after')),
      round integer NOT NULL CHECK (round >= 1),
      version integer NOT NULL CHECK (version >= 1),
      finished boolean NOT NULL DEFAULT false,
      changed_by integer NOT NULL REFERENCES person,
      changed_at timestamptz NOT NULL DEFAULT now(),
      sitting integer NOT NULL DEFAULT 1 CHECK (sitting >= 1),
      gauge text NOT NULL DEFAULT 'straight-edge' CHECK (gauge IN ('straight-edge', 'caliper', 'indicator', 'scan', 'eye')),
      from_session integer,
      CONSTRAINT measuring_once UNIQUE (ticket_id, kind, round, sitting)
    );
    CREATE TABLE reading (
      measuring_id integer NOT NULL REFERENCES measuring ON DELETE CASCADE,
      tooth integer NOT NULL CHECK (tooth >= 1),
      x_mm double precision NOT NULL CHECK (x_mm BETWEEN -100 AND 5000),
      y_mm double precision NOT NULL CHECK (y_mm BETWEEN -50 AND 50),
      lean text CHECK (lean IN ('left', 'right')),
      set_mm double precision CHECK (set_mm BETWEEN -5 AND 5),
      kind text NOT NULL CHECK (kind IN ('tooth', 'broken', 'missing')),
      note text,
      PRIMARY KEY (measuring_id, tooth)
    );
    CREATE TABLE reading_was (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      measuring_id integer NOT NULL REFERENCES measuring ON DELETE CASCADE,
      tooth integer NOT NULL CHECK (tooth >= 1),
      was jsonb NOT NULL CHECK (jsonb_typeof(was) = 'object'),
      changed_by integer NOT NULL REFERENCES person,
      changed_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE INDEX reading_was_tooth ON reading_was (measuring_id, tooth);
    CREATE TRIGGER reading_was_never_changed BEFORE UPDATE ON reading_was FOR EACH ROW EXECUTE FUNCTION never_changed();
    CREATE TEMPORARY TABLE of_line ON COMMIT DROP AS
      SELECT DISTINCT s.id FROM session s JOIN evidence e ON e.session_id = s.id JOIN ticket t ON t.id = s.ticket_id JOIN saw w ON w.id = t.saw_id
       WHERE w.family IN ('hand', 'back') AND e.quantity IN ('place', 'height', 'kind');
    CREATE TEMPORARY TABLE counts ON COMMIT DROP AS
      SELECT e.* FROM evidence e WHERE NOT e.set_aside AND NOT EXISTS (SELECT 1 FROM evidence c WHERE c.corrects = e.key);
    INSERT INTO measuring (ticket_id, kind, round, sitting, version, finished, changed_by, changed_at, gauge, from_session)
      SELECT s.ticket_id, s.kind, 1, row_number() OVER (PARTITION BY s.ticket_id, s.kind ORDER BY s.started_at, s.id), 1, s.finished_at IS NOT NULL,
             s.started_by, COALESCE(s.finished_at, s.started_at),
             COALESCE((SELECT mode() WITHIN GROUP (ORDER BY c.gauge) FROM counts c WHERE c.session_id = s.id AND c.quantity = 'height'), 'straight-edge'), s.id
        FROM session s JOIN of_line l ON l.id = s.id;
    INSERT INTO reading (measuring_id, tooth, x_mm, y_mm, lean, set_mm, kind, note)
      SELECT m.id, c.place::int, COALESCE(avg(c.value_mm) FILTER (WHERE c.quantity = 'place'), (c.place - 1) * w.pitch_mm),
             COALESCE(avg(c.value_mm) FILTER (WHERE c.quantity = 'height'), 0), max(c.value_word) FILTER (WHERE c.quantity = 'lean'),
             avg(c.value_mm) FILTER (WHERE c.quantity = 'set'), COALESCE(max(c.value_word) FILTER (WHERE c.quantity = 'kind'), 'tooth'),
             max(c.value_word) FILTER (WHERE c.quantity = 'note')
        FROM counts c JOIN measuring m ON m.from_session = c.session_id JOIN ticket t ON t.id = m.ticket_id JOIN saw w ON w.id = t.saw_id
       WHERE c.quantity IN ('place', 'height', 'set', 'kind', 'lean', 'note') GROUP BY m.id, c.place, w.pitch_mm;
    INSERT INTO reading_was (measuring_id, tooth, was, changed_by, changed_at)
      SELECT r.measuring_id, r.tooth, jsonb_build_object('tooth', r.tooth, 'kind', COALESCE(CASE WHEN e.quantity = 'kind' THEN e.value_word END, r.kind),
             'xMm', CASE WHEN e.quantity = 'place' THEN e.value_mm ELSE r.x_mm END, 'yMm', CASE WHEN e.quantity = 'height' THEN e.value_mm ELSE r.y_mm END,
             'setMm', CASE WHEN e.quantity = 'set' THEN e.value_mm ELSE r.set_mm END, 'lean', CASE WHEN e.quantity = 'lean' THEN e.value_word ELSE r.lean END,
             'note', CASE WHEN e.quantity = 'note' THEN e.value_word ELSE r.note END), c.taken_by, c.taken_at
        FROM evidence e JOIN evidence c ON c.corrects = e.key JOIN measuring m ON m.from_session = e.session_id
        JOIN reading r ON r.measuring_id = m.id AND r.tooth = e.place::int
       WHERE e.quantity IN ('place', 'height', 'set', 'kind', 'lean', 'note') AND NOT e.set_aside ORDER BY e.taken;
    ALTER TABLE measuring DROP COLUMN from_session;
    ALTER TABLE session RENAME TO gauging;
    ALTER INDEX session_ticket RENAME TO gauging_ticket;
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
    INSERT INTO gauged (key, gauging_id, quantity, part, place, value_mm, gauge, set_aside, corrects, taken_by, taken_at)
      SELECT key, session_id, quantity, part, place, value_mm, gauge, set_aside, corrects, taken_by, taken_at FROM evidence
       WHERE value_mm IS NOT NULL AND quantity <> 'place' AND (session_id NOT IN (SELECT id FROM of_line) OR quantity NOT IN ('height', 'set')) ORDER BY taken;
    INSERT INTO angle_read (key, gauging_id, part, tooth, way, section, roll_deg, slope_deg, handle, turn_deg, rake_deg, back_deg, point, set_aside, corrects, taken_by, taken_at)
      SELECT key, session_id, part, place::int, gauge, value_angles->>'section', (value_angles->>'rollDeg')::float8, (value_angles->>'slopeDeg')::float8,
             value_angles->>'from', (value_angles->>'turnDeg')::float8, (value_angles->>'rakeDeg')::float8, (value_angles->>'backDeg')::float8,
             value_angles->>'point', set_aside, corrects, taken_by, taken_at
        FROM evidence WHERE quantity = 'angles' ORDER BY taken;
    CREATE TRIGGER gauged_never_changed BEFORE UPDATE ON gauged FOR EACH ROW EXECUTE FUNCTION never_changed();
    CREATE TRIGGER angle_read_never_changed BEFORE UPDATE ON angle_read FOR EACH ROW EXECUTE FUNCTION never_changed();
    DELETE FROM gauging g WHERE g.id IN (SELECT id FROM of_line)
      AND NOT EXISTS (SELECT 1 FROM gauged WHERE gauging_id = g.id) AND NOT EXISTS (SELECT 1 FROM angle_read WHERE gauging_id = g.id);
    DROP TABLE evidence CASCADE;
  `,
};
