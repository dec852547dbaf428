import type { Migration } from './migration';

/** The first tables: people, shop book, customers, saws, tickets and what is recorded of each. */
export const createShopTables: Migration = {
  name: '2026-11-23-create-shop-tables',
  up: `
    CREATE TABLE person (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      name text NOT NULL CHECK (length(btrim(name)) > 0),
      initials text NOT NULL CHECK (length(initials) BETWEEN 1 AND 4),
      created_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE TABLE shop (
      id integer PRIMARY KEY CHECK (id = 1),
      version integer NOT NULL CHECK (version >= 1),
      book jsonb NOT NULL,
      changed_by integer REFERENCES person,
      changed_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE TABLE stroke_reading (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      person_id integer NOT NULL REFERENCES person,
      strokes integer NOT NULL CHECK (strokes > 0),
      drop_mm double precision NOT NULL CHECK (drop_mm > 0 AND drop_mm <= 5),
      created_by integer NOT NULL REFERENCES person,
      created_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE INDEX stroke_reading_person ON stroke_reading (person_id);
    CREATE TABLE customer (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      name text NOT NULL CHECK (length(btrim(name)) > 0),
      phone text NOT NULL DEFAULT '',
      email text NOT NULL DEFAULT '',
      created_by integer NOT NULL REFERENCES person,
      created_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE TABLE saw (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      customer_id integer NOT NULL REFERENCES customer,
      name text NOT NULL CHECK (length(btrim(name)) > 0),
      family text NOT NULL CHECK (family IN ('hand', 'back')),
      filing text NOT NULL CHECK (filing IN ('rip', 'crosscut')),
      pitch_mm double precision NOT NULL CHECK (pitch_mm > 0 AND pitch_mm < 60),
      convention text NOT NULL CHECK (convention IN ('points', 'teeth')),
      tooth_line_mm double precision NOT NULL CHECK (tooth_line_mm >= 50),
      plate_thickness_mm double precision NOT NULL CHECK (plate_thickness_mm > 0),
      plate_depth_heel_mm double precision NOT NULL CHECK (plate_depth_heel_mm > 0),
      plate_depth_toe_mm double precision NOT NULL CHECK (plate_depth_toe_mm > 0),
      back_fixing text NOT NULL CHECK (back_fixing IN ('folded', 'slotted', 'none')),
      marks_on_it text NOT NULL DEFAULT '',
      created_by integer NOT NULL REFERENCES person,
      created_at timestamptz NOT NULL DEFAULT now(),
      CHECK ((family = 'hand') = (back_fixing = 'none'))
    );
    CREATE INDEX saw_customer ON saw (customer_id);
    CREATE SEQUENCE ticket_number START 1001;
    CREATE TABLE ticket (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      number integer NOT NULL UNIQUE DEFAULT nextval('ticket_number'),
      saw_id integer NOT NULL REFERENCES saw,
      stage text NOT NULL CHECK (stage IN ('measure', 'plan', 'bench', 'check', 'handover', 'closed', 'declined')),
      version integer NOT NULL DEFAULT 1 CHECK (version >= 1),
      wood text NOT NULL CHECK (wood IN ('dry-hard', 'dry-soft', 'green')),
      use_rate text NOT NULL CHECK (use_rate IN ('daily', 'weekly', 'seldom')),
      complaint text NOT NULL DEFAULT '',
      hardened text NOT NULL CHECK (hardened IN ('no', 'yes', 'unsure')),
      marks jsonb NOT NULL DEFAULT '[]',
      consent boolean NOT NULL DEFAULT false,
      override_reason text NOT NULL DEFAULT '',
      verdict text NOT NULL CHECK (verdict IN ('take', 'take-if', 'decline')),
      reasons jsonb NOT NULL,
      promised_on date NOT NULL,
      quote_low double precision NOT NULL CHECK (quote_low >= 0),
      quote_high double precision NOT NULL CHECK (quote_high >= quote_low),
      currency text NOT NULL,
      opened_by integer NOT NULL REFERENCES person,
      opened_at timestamptz NOT NULL DEFAULT now(),
      closed_by integer REFERENCES person,
      closed_at timestamptz,
      charged double precision CHECK (charged >= 0),
      handover_note text,
      CHECK ((stage IN ('closed', 'declined')) = (closed_at IS NOT NULL)),
      CHECK ((closed_at IS NULL) = (closed_by IS NULL))
    );
    CREATE UNIQUE INDEX one_open_ticket_a_saw ON ticket (saw_id) WHERE closed_at IS NULL;
    CREATE INDEX ticket_open_by_day ON ticket (promised_on, number) WHERE closed_at IS NULL;
    CREATE INDEX ticket_saw ON ticket (saw_id);
    CREATE TABLE measuring (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      ticket_id integer NOT NULL REFERENCES ticket,
      kind text NOT NULL CHECK (kind IN ('before', 'after')),
      round integer NOT NULL CHECK (round >= 1),
      version integer NOT NULL CHECK (version >= 1),
      finished boolean NOT NULL DEFAULT false,
      changed_by integer NOT NULL REFERENCES person,
      changed_at timestamptz NOT NULL DEFAULT now(),
      UNIQUE (ticket_id, kind, round)
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
    CREATE TABLE plan (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      ticket_id integer NOT NULL REFERENCES ticket,
      number integer NOT NULL CHECK (number >= 1),
      inputs jsonb NOT NULL,
      plan jsonb NOT NULL,
      stops integer NOT NULL CHECK (stops >= 1),
      minutes double precision NOT NULL,
      accepted_by integer NOT NULL REFERENCES person,
      accepted_at timestamptz NOT NULL DEFAULT now(),
      UNIQUE (ticket_id, number)
    );
    CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN RAISE EXCEPTION 'an accepted plan is never changed' USING ERRCODE = 'integrity_constraint_violation'; END $$;
    CREATE TRIGGER plan_is_frozen BEFORE UPDATE OR DELETE ON plan FOR EACH ROW EXECUTE FUNCTION refuse_change();
    CREATE TABLE bench_event (
      id uuid PRIMARY KEY,
      plan_id integer NOT NULL REFERENCES plan,
      stop integer NOT NULL CHECK (stop >= 0),
      action text NOT NULL CHECK (action IN ('done', 'back')),
      person_id integer NOT NULL REFERENCES person,
      happened_at timestamptz NOT NULL,
      received_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE TABLE bench_mark (
      plan_id integer NOT NULL REFERENCES plan,
      stop integer NOT NULL CHECK (stop >= 0),
      event_id uuid NOT NULL REFERENCES bench_event,
      PRIMARY KEY (plan_id, stop)
    );
    CREATE TABLE check_round (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      ticket_id integer NOT NULL REFERENCES ticket,
      number integer NOT NULL CHECK (number >= 1),
      runs text NOT NULL CHECK (runs IN ('true', 'left', 'right')),
      binds boolean NOT NULL,
      chatters boolean NOT NULL,
      note text NOT NULL DEFAULT '',
      verdict text NOT NULL CHECK (verdict IN ('pass', 'again')),
      set_left_mm double precision,
      set_right_mm double precision,
      stone_side text NOT NULL CHECK (stone_side IN ('left', 'right', 'both', 'none')),
      stone_passes integer NOT NULL CHECK (stone_passes >= 0),
      advice jsonb NOT NULL,
      person_id integer NOT NULL REFERENCES person,
      at timestamptz NOT NULL DEFAULT now(),
      UNIQUE (ticket_id, number)
    );
  `,
  down: `
    DROP TABLE check_round, bench_mark, bench_event, plan, reading, measuring, ticket, saw, customer, stroke_reading, shop, person;
    DROP FUNCTION refuse_change;
    DROP SEQUENCE ticket_number;
  `,
};
