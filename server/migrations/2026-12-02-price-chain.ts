import type { Migration } from './migration';

/**
 * One chain of a ticket's price: every word said of it is a row, added and never changed; who gave a word, and what was
 * noted beside it, stands in a table of its own, where it can be taken out. Tickets of before bring along what is known
 * of them: the counter's estimate, the plans' prices, what was charged. `held_from` is the first stop that may not be
 * begun at the vise until the customer or the owner has spoken.
 *
 * Down again a ticket has its estimate and its charge, and every other word is forgotten.
 */
export const priceChain: Migration = {
  name: '2026-12-02-price-chain',
  up: `
    CREATE TABLE price_word (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      key uuid NOT NULL UNIQUE DEFAULT gen_random_uuid(),
      ticket_id integer NOT NULL REFERENCES ticket,
      kind text NOT NULL CHECK (kind IN ('estimate', 'plan', 'asked', 'agreed', 'refused', 'waived', 'charged')),
      low double precision NOT NULL CHECK (low >= 0),
      high double precision NOT NULL CHECK (high >= low AND high <= 1000000),
      minutes_low double precision CHECK (minutes_low >= 0),
      minutes_high double precision CHECK (minutes_high >= minutes_low),
      minutes_likely double precision CHECK (minutes_likely >= 0),
      plan_id integer REFERENCES plan,
      quote text CHECK (length(quote) BETWEEN 1 AND 20),
      word_by text CHECK (word_by IN ('counter', 'telephone', 'writing')),
      person_id integer NOT NULL REFERENCES person,
      at timestamptz NOT NULL DEFAULT now(),
      CONSTRAINT price_word_one_sum CHECK (kind = 'estimate' OR low = high),
      CONSTRAINT price_word_of_plan CHECK (kind <> 'plan' OR plan_id IS NOT NULL),
      CONSTRAINT price_word_quote CHECK ((kind IN ('estimate', 'asked')) = (quote IS NOT NULL)),
      CONSTRAINT price_word_came CHECK ((kind IN ('agreed', 'refused')) = (word_by IS NOT NULL))
    );
    CREATE INDEX price_word_ticket ON price_word (ticket_id, id);
    CREATE UNIQUE INDEX one_estimate_a_ticket ON price_word (ticket_id) WHERE kind = 'estimate';
    CREATE UNIQUE INDEX one_charge_a_ticket ON price_word (ticket_id) WHERE kind = 'charged';
    CREATE UNIQUE INDEX one_price_a_plan ON price_word (plan_id) WHERE kind = 'plan';
    CREATE UNIQUE INDEX price_word_quoted ON price_word (quote);
    CREATE TRIGGER price_word_is_kept BEFORE UPDATE OR DELETE ON price_word FOR EACH ROW EXECUTE FUNCTION refuse_change();
    CREATE TABLE price_said (
      price_word_id integer PRIMARY KEY REFERENCES price_word,
      said text NOT NULL DEFAULT '' CHECK (length(said) <= 200),
      note text NOT NULL DEFAULT '' CHECK (length(note) <= 1000)
    );
    INSERT INTO price_word (ticket_id, kind, low, high, minutes_low, minutes_high, minutes_likely, quote, person_id, at)
      SELECT id, 'estimate', quote_low, quote_high, minutes_low, minutes_high, (minutes_low + minutes_high) / 2, number::text,
             opened_by, opened_at FROM ticket ORDER BY id;
    INSERT INTO price_word (ticket_id, kind, low, high, minutes_low, minutes_high, minutes_likely, plan_id, person_id, at)
      SELECT ticket_id, 'plan', amount, amount, minutes, minutes, minutes, id, accepted_by, accepted_at
        FROM (SELECT p.*, COALESCE(p.body->'price'->>'amount', p.body->'plan'->'price'->>'amount')::float8 AS amount FROM plan p) told
       WHERE amount IS NOT NULL AND amount >= 0 ORDER BY id;
    INSERT INTO price_word (ticket_id, kind, low, high, person_id, at)
      SELECT id, 'charged', charged, charged, closed_by, closed_at FROM ticket
       WHERE charged IS NOT NULL AND closed_by IS NOT NULL ORDER BY id;
    ALTER TABLE ticket DROP COLUMN quote_low, DROP COLUMN quote_high, DROP COLUMN minutes_low, DROP COLUMN minutes_high,
      DROP COLUMN charged, ADD COLUMN held_from integer CHECK (held_from >= 0);
    ALTER TABLE message DROP CONSTRAINT message_kind_check, DROP CONSTRAINT message_state_check,
      ADD CONSTRAINT message_kind_check CHECK (kind IN ('ready', 'question', 'refusal', 'price')),
      ADD CONSTRAINT message_state_check CHECK (state IN ('waiting', 'sent', 'overtaken')),
      ADD COLUMN price_word_id integer REFERENCES price_word;`,
  down: `
    DELETE FROM message WHERE kind = 'price';
    UPDATE message SET state = 'sent', sent_at = COALESCE(sent_at, written_at) WHERE state = 'overtaken';
    ALTER TABLE message DROP CONSTRAINT message_kind_check, DROP CONSTRAINT message_state_check,
      ADD CONSTRAINT message_kind_check CHECK (kind IN ('ready', 'question', 'refusal')),
      ADD CONSTRAINT message_state_check CHECK (state IN ('waiting', 'sent')), DROP COLUMN price_word_id;
    ALTER TABLE ticket DROP COLUMN held_from, ADD COLUMN quote_low double precision, ADD COLUMN quote_high double precision,
      ADD COLUMN minutes_low double precision, ADD COLUMN minutes_high double precision,
      ADD COLUMN charged double precision CHECK (charged >= 0);
    UPDATE ticket t SET quote_low = w.low, quote_high = w.high, minutes_low = w.minutes_low, minutes_high = w.minutes_high
      FROM price_word w WHERE w.ticket_id = t.id AND w.kind = 'estimate';
    UPDATE ticket t SET charged = w.high FROM price_word w WHERE w.ticket_id = t.id AND w.kind = 'charged';
    ALTER TABLE ticket ALTER COLUMN quote_low SET NOT NULL, ALTER COLUMN quote_high SET NOT NULL,
      ADD CONSTRAINT ticket_quote_low_check CHECK (quote_low >= 0), ADD CONSTRAINT ticket_quote_check CHECK (quote_high >= quote_low);
    DROP TABLE price_said;
    DROP TABLE price_word;`,
};
