import type { Migration } from './migration';

/**
 * Turns a saw's life takes. What was put right of a saw, with what it was before, by whom and why; why a reading was
 * corrected or taken out after its session was closed. Work sent to a grinder, under which number, until when, at what
 * price; and that it came back, how, and for what it was charged. All of it is added and never changed; words about a
 * customer's saw go when the customer is forgotten.
 *
 * At the vise somebody stops for the day, or goes on with another file: presses that do no stop.
 *
 * Down again all that is forgotten.
 */
export const turns: Migration = {
  name: '2026-12-02-turns',
  up: `
    CREATE TABLE saw_correction (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      key uuid NOT NULL UNIQUE,
      saw_id integer NOT NULL REFERENCES saw,
      ticket_id integer NOT NULL REFERENCES ticket,
      before jsonb NOT NULL CHECK (jsonb_typeof(before) = 'object'),
      after jsonb NOT NULL CHECK (jsonb_typeof(after) = 'object' AND after <> before),
      why text NOT NULL CHECK (length(why) <= 300),
      person_id integer NOT NULL REFERENCES person,
      at timestamptz NOT NULL DEFAULT now()
    );
    CREATE INDEX saw_correction_saw ON saw_correction (saw_id, id);
    CREATE TRIGGER saw_correction_is_kept BEFORE UPDATE ON saw_correction FOR EACH ROW EXECUTE FUNCTION refuse_change();
    CREATE TABLE reading_reason (
      evidence_key uuid PRIMARY KEY REFERENCES evidence (key) ON DELETE CASCADE,
      why text NOT NULL CHECK (length(why) BETWEEN 1 AND 300)
    );
    CREATE TRIGGER reading_reason_is_kept BEFORE UPDATE ON reading_reason FOR EACH ROW EXECUTE FUNCTION refuse_change();
    CREATE TABLE outwork (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      key uuid NOT NULL UNIQUE,
      ticket_id integer NOT NULL REFERENCES ticket,
      number integer NOT NULL CHECK (number >= 1),
      grinder text NOT NULL CHECK (length(grinder) BETWEEN 1 AND 120),
      work text NOT NULL CHECK (length(work) BETWEEN 1 AND 300),
      due_on date NOT NULL,
      amount double precision CHECK (amount >= 0 AND amount <= 100000),
      person_id integer NOT NULL REFERENCES person,
      at timestamptz NOT NULL DEFAULT now(),
      UNIQUE (ticket_id, number)
    );
    CREATE TRIGGER outwork_is_kept BEFORE UPDATE OR DELETE ON outwork FOR EACH ROW EXECUTE FUNCTION refuse_change();
    CREATE TABLE outwork_back (
      outwork_id integer PRIMARY KEY REFERENCES outwork,
      key uuid NOT NULL UNIQUE,
      result text NOT NULL CHECK (result IN ('came-out', 'did-not')),
      amount double precision NOT NULL CHECK (amount >= 0 AND amount <= 100000),
      person_id integer NOT NULL REFERENCES person,
      at timestamptz NOT NULL DEFAULT now()
    );
    CREATE TRIGGER outwork_back_is_kept BEFORE UPDATE OR DELETE ON outwork_back FOR EACH ROW EXECUTE FUNCTION refuse_change();
    ALTER TABLE price_word DROP CONSTRAINT price_word_kind_check,
      ADD CONSTRAINT price_word_kind_check CHECK (kind IN ('estimate', 'plan', 'outwork', 'asked', 'agreed', 'refused', 'waived', 'charged')),
      ADD COLUMN outwork_id integer REFERENCES outwork,
      ADD CONSTRAINT price_word_of_outwork CHECK ((kind = 'outwork') = (outwork_id IS NOT NULL));
    ALTER TABLE bench_event DROP CONSTRAINT bench_event_action_check,
      ADD CONSTRAINT bench_event_action_check CHECK (action IN ('done', 'back', 'skipped', 'stopped', 'file')),
      DROP CONSTRAINT bench_event_back,
      ADD CONSTRAINT bench_event_back CHECK (action = 'done' OR (result IS NULL AND minutes IS NULL AND (action <> 'back' OR reason = ''))),
      ADD CONSTRAINT bench_event_file CHECK (action <> 'file' OR reason <> '');
    CREATE INDEX bench_event_file_used ON bench_event (plan_id, happened_at) WHERE action = 'file';
    ${marksBy("e.action <> 'back' AND e.n", "e.action IN ('done', 'skipped') AND e.n")}`,
  down: `
    ${marksBy("e.action IN ('done', 'skipped') AND e.n", "e.action <> 'back' AND e.n")}
    DROP INDEX bench_event_file_used;
    DELETE FROM bench_event WHERE action IN ('stopped', 'file');
    ALTER TABLE bench_event DROP CONSTRAINT bench_event_action_check, DROP CONSTRAINT bench_event_file,
      DROP CONSTRAINT bench_event_back,
      ADD CONSTRAINT bench_event_back CHECK (action <> 'back' OR (reason = '' AND result IS NULL AND minutes IS NULL)),
      ADD CONSTRAINT bench_event_action_check CHECK (action IN ('done', 'back', 'skipped'));
    ALTER TABLE price_word DISABLE TRIGGER price_word_is_kept;
    DELETE FROM price_said WHERE price_word_id IN (SELECT id FROM price_word WHERE kind = 'outwork');
    UPDATE message SET price_word_id = NULL WHERE price_word_id IN (SELECT id FROM price_word WHERE kind = 'outwork');
    DELETE FROM price_word WHERE kind = 'outwork';
    ALTER TABLE price_word ENABLE TRIGGER price_word_is_kept;
    ALTER TABLE price_word DROP CONSTRAINT price_word_of_outwork, DROP COLUMN outwork_id, DROP CONSTRAINT price_word_kind_check,
      ADD CONSTRAINT price_word_kind_check CHECK (kind IN ('estimate', 'plan', 'asked', 'agreed', 'refused', 'waived', 'charged'));
    DROP TABLE outwork_back;
    DROP TABLE outwork;
    DROP TABLE reading_reason;
    DROP TABLE saw_correction;`,
};

/** Which presses make a mark: `keep_presses` as it stands, with one condition in place of another. */
function marksBy(was: string, is: string): string {
  return `DO $do$ BEGIN
      EXECUTE replace(pg_get_functiondef('keep_presses(integer, integer, jsonb, integer)'::regprocedure), $w$${was}$w$, $w$${is}$w$);
    END $do$;`;
}
