import type { Migration } from './migration';

/**
 * Saws of every family at the counter: a family's own facts beside the common
 * measures, what was asked and agreed to, several saws on one arrival, photographs,
 * notes to customers and labels printed.
 */
export const takeInEveryFamily: Migration = {
  name: '2026-11-23-take-in-every-family',
  up: `
    ALTER TABLE saw
      DROP CONSTRAINT saw_family_check, DROP CONSTRAINT saw_filing_check, DROP CONSTRAINT saw_pitch_mm_check, DROP CONSTRAINT saw_check,
      ADD COLUMN shape jsonb NOT NULL DEFAULT '{}' CHECK (jsonb_typeof(shape) = 'object'),
      ADD CONSTRAINT saw_family_known CHECK (family IN ('hand', 'back', 'pull', 'crosscut', 'band', 'circular', 'dado')),
      ADD CONSTRAINT saw_filing_known CHECK (filing IN ('rip', 'crosscut', 'combination')),
      ADD CONSTRAINT saw_filing_fits CHECK (filing <> 'combination' OR family IN ('circular', 'dado')),
      ADD CONSTRAINT saw_pitch_sane CHECK (pitch_mm > 0 AND pitch_mm < 4000),
      ADD CONSTRAINT saw_back_fits CHECK (CASE WHEN family = 'back' THEN back_fixing <> 'none' WHEN family = 'pull' THEN true ELSE back_fixing = 'none' END),
      ADD CONSTRAINT saw_shape_fits CHECK (COALESCE(CASE family
        WHEN 'pull' THEN (shape->>'edges')::int IN (1, 2)
        WHEN 'crosscut' THEN shape->>'kind' IN ('one-man', 'two-man', 'buck', 'frame') AND shape->>'pattern' ~ '^[CR]{1,40}$'
        WHEN 'band' THEN shape->>'set' IN ('alternate', 'left-right-straight')
        WHEN 'circular' THEN (shape->>'diameterMm')::float8 > (shape->>'boreMm')::float8 AND shape->>'tipped' IN ('steel', 'carbide')
        WHEN 'dado' THEN (shape->>'diameterMm')::float8 > (shape->>'boreMm')::float8 AND shape->>'tipped' IN ('steel', 'carbide')
                         AND jsonb_array_length(shape->'parts') BETWEEN 2 AND 14
        ELSE shape = '{}' END, false));
    CREATE INDEX saw_identity ON saw (family, tooth_line_mm);
    CREATE TABLE arrival (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      customer_id integer NOT NULL REFERENCES customer,
      opened_by integer NOT NULL REFERENCES person,
      opened_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE INDEX arrival_customer ON arrival (customer_id);
    ALTER TABLE ticket
      ADD COLUMN arrival_id integer REFERENCES arrival,
      ADD COLUMN intake_key uuid UNIQUE,
      ADD COLUMN line_look text NOT NULL DEFAULT 'not-looked' CHECK (line_look IN ('not-looked', 'even', 'hollow', 'uneven')),
      ADD COLUMN grain text NOT NULL DEFAULT 'unsaid' CHECK (grain IN ('unsaid', 'along', 'across', 'both')),
      ADD COLUMN wants_filing text NOT NULL DEFAULT 'as-it-is' CHECK (wants_filing IN ('as-it-is', 'rip', 'crosscut')),
      ADD COLUMN etch boolean NOT NULL DEFAULT false,
      ADD COLUMN collectible boolean NOT NULL DEFAULT false,
      ADD COLUMN replacement double precision CHECK (replacement > 0),
      ADD COLUMN consents jsonb NOT NULL DEFAULT '[]' CHECK (jsonb_typeof(consents) = 'array'),
      ADD COLUMN minutes_low double precision CHECK (minutes_low >= 0),
      ADD COLUMN minutes_high double precision CHECK (minutes_high >= minutes_low),
      ADD COLUMN minutes_taken double precision CHECK (minutes_taken > 0),
      ADD COLUMN work_done text NOT NULL DEFAULT '',
      ADD COLUMN worked_by integer REFERENCES person,
      DROP CONSTRAINT ticket_waits_for_check,
      ADD CONSTRAINT ticket_waits_for_known CHECK (waits_for IN ('customer', 'part', 'grinder')),
      ADD CONSTRAINT work_done_by_somebody CHECK ((work_done = '') = (minutes_taken IS NULL) AND (minutes_taken IS NULL) = (worked_by IS NULL));
    UPDATE ticket SET consents = (SELECT COALESCE(jsonb_agg(r->>'rule'), '[]') FROM jsonb_array_elements(reasons) AS r WHERE (r->>'needsConsent')::boolean)
     WHERE consent;
    ALTER TABLE ticket DROP COLUMN consent;
    ALTER TABLE arrival ADD COLUMN from_ticket integer;
    INSERT INTO arrival (customer_id, opened_by, opened_at, from_ticket)
      SELECT s.customer_id, t.opened_by, t.opened_at, t.id FROM ticket t JOIN saw s ON s.id = t.saw_id;
    UPDATE ticket SET arrival_id = a.id FROM arrival a WHERE a.from_ticket = ticket.id;
    ALTER TABLE arrival DROP COLUMN from_ticket;
    ALTER TABLE ticket ALTER COLUMN arrival_id SET NOT NULL;
    CREATE INDEX ticket_arrival ON ticket (arrival_id);
    CREATE TABLE photograph (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      ticket_id integer NOT NULL REFERENCES ticket,
      caption text NOT NULL DEFAULT '',
      bytes bytea NOT NULL CHECK (octet_length(bytes) BETWEEN 100 AND 4000000),
      width_px integer NOT NULL CHECK (width_px BETWEEN 1 AND 4000),
      height_px integer NOT NULL CHECK (height_px BETWEEN 1 AND 4000),
      taken_by integer NOT NULL REFERENCES person,
      taken_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE INDEX photograph_ticket ON photograph (ticket_id);
    CREATE TABLE message (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      ticket_id integer NOT NULL REFERENCES ticket,
      kind text NOT NULL CHECK (kind IN ('ready', 'question', 'refusal')),
      sent_to text NOT NULL CHECK (length(btrim(sent_to)) > 0),
      body text NOT NULL CHECK (length(btrim(body)) > 0),
      state text NOT NULL DEFAULT 'waiting' CHECK (state IN ('waiting', 'sent')),
      written_by integer NOT NULL REFERENCES person,
      written_at timestamptz NOT NULL DEFAULT now(),
      sent_at timestamptz,
      CHECK ((state = 'sent') = (sent_at IS NOT NULL))
    );
    CREATE INDEX message_ticket ON message (ticket_id);
    CREATE TABLE label_roll (
      id integer PRIMARY KEY CHECK (id = 1),
      labels_left integer NOT NULL CHECK (labels_left >= 0)
    );
    INSERT INTO label_roll VALUES (1, 200);
    CREATE TABLE label_printed (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      ticket_id integer NOT NULL REFERENCES ticket,
      drawing text NOT NULL,
      printed_by integer NOT NULL REFERENCES person,
      printed_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE INDEX label_printed_ticket ON label_printed (ticket_id);
  `,
  down: `
    DROP TABLE label_printed, label_roll, message, photograph;
    ALTER TABLE ticket ADD COLUMN consent boolean NOT NULL DEFAULT false;
    UPDATE ticket SET consent = consents <> '[]';
    ALTER TABLE ticket
      DROP CONSTRAINT work_done_by_somebody, DROP CONSTRAINT ticket_waits_for_known,
      ADD CONSTRAINT ticket_waits_for_check CHECK (waits_for IN ('customer', 'part')),
      DROP COLUMN worked_by, DROP COLUMN work_done, DROP COLUMN minutes_taken, DROP COLUMN minutes_high, DROP COLUMN minutes_low, DROP COLUMN consents,
      DROP COLUMN replacement, DROP COLUMN collectible, DROP COLUMN etch, DROP COLUMN wants_filing, DROP COLUMN grain,
      DROP COLUMN line_look, DROP COLUMN intake_key, DROP COLUMN arrival_id;
    DROP TABLE arrival;
    DROP INDEX saw_identity;
    ALTER TABLE saw
      DROP CONSTRAINT saw_family_known, DROP CONSTRAINT saw_filing_known, DROP CONSTRAINT saw_filing_fits, DROP CONSTRAINT saw_pitch_sane,
      DROP CONSTRAINT saw_back_fits, DROP CONSTRAINT saw_shape_fits, DROP COLUMN shape,
      ADD CONSTRAINT saw_family_check CHECK (family IN ('hand', 'back')),
      ADD CONSTRAINT saw_filing_check CHECK (filing IN ('rip', 'crosscut')),
      ADD CONSTRAINT saw_pitch_mm_check CHECK (pitch_mm > 0 AND pitch_mm < 60),
      ADD CONSTRAINT saw_check CHECK ((family = 'hand') = (back_fixing = 'none'));
  `,
};
