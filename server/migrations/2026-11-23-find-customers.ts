import type { Migration } from './migration';

/**
 * Customers found as they are typed: without accents and case, through slips of the finger, by
 * telephone digits, by what they once brought. Both extensions come with PostgreSQL and may be
 * created by a database's own owner.
 */
export const findCustomers: Migration = {
  name: '2026-11-23-find-customers',
  up: `
    CREATE EXTENSION IF NOT EXISTS pg_trgm;
    CREATE EXTENSION IF NOT EXISTS unaccent;
    -- unaccent is only stable because a dictionary could be changed; ours is named and is not.
    CREATE FUNCTION plain_text(words text) RETURNS text LANGUAGE sql IMMUTABLE STRICT PARALLEL SAFE
      AS $$ SELECT lower(unaccent('unaccent', words)) $$;
    ALTER TABLE customer
      ADD COLUMN plain_name text NOT NULL GENERATED ALWAYS AS (plain_text(name)) STORED,
      ADD COLUMN phone_digits text NOT NULL GENERATED ALWAYS AS (regexp_replace(phone, '\\D', '', 'g')) STORED;
    ALTER TABLE saw
      ADD COLUMN plain_marks text NOT NULL GENERATED ALWAYS AS (plain_text(name || ' ' || marks_on_it)) STORED;
    CREATE INDEX customer_plain_name ON customer USING gin (plain_name gin_trgm_ops);
    CREATE INDEX customer_plain_start ON customer (plain_name text_pattern_ops);
    CREATE INDEX customer_phone_digits ON customer USING gin (phone_digits gin_trgm_ops);
    CREATE INDEX saw_plain_marks ON saw USING gin (plain_marks gin_trgm_ops);
  `,
  down: `
    DROP INDEX saw_plain_marks, customer_phone_digits, customer_plain_start, customer_plain_name;
    ALTER TABLE saw DROP COLUMN plain_marks;
    ALTER TABLE customer DROP COLUMN phone_digits, DROP COLUMN plain_name;
    DROP FUNCTION plain_text(text);
    DROP EXTENSION unaccent;
    DROP EXTENSION pg_trgm;
  `,
};
