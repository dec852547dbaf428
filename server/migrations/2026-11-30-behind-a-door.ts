import type { Migration } from './migration';

/**
 * People are let in: what each does in the shop, their passwords and codes (hashes, apart from their names), the
 * screens that were let in, who sat at them when, and a log of who changed what that nothing takes back. In a
 * shop that is older than its door the first of its people is its owner.
 */
export const behindADoor: Migration = {
  name: '2026-11-30-behind-a-door',
  up: `
    ALTER TABLE person
      ADD COLUMN role text NOT NULL DEFAULT 'filer' CHECK (role IN ('counter', 'filer', 'owner')),
      ADD COLUMN left_at timestamptz;
    UPDATE person SET role = 'owner' WHERE id = (SELECT min(id) FROM person);
    ALTER TABLE person ALTER COLUMN role DROP DEFAULT;
    ALTER TABLE shop ADD COLUMN demo boolean NOT NULL DEFAULT false;
    CREATE TABLE secret (
      person_id integer PRIMARY KEY REFERENCES person,
      password_hash text CHECK (password_hash LIKE '$argon2id$%'),
      code_hash text CHECK (code_hash LIKE '$argon2id$%'),
      changed_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE TABLE device (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      name text NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
      token_hash bytea NOT NULL UNIQUE CHECK (length(token_hash) = 32),
      former_hash bytea UNIQUE CHECK (length(former_hash) = 32),
      turned_at timestamptz NOT NULL DEFAULT now(),
      trusted_by integer NOT NULL REFERENCES person,
      trusted_at timestamptz NOT NULL DEFAULT now(),
      seen_at timestamptz NOT NULL DEFAULT now(),
      ended_at timestamptz,
      ended_by integer REFERENCES person,
      CHECK ((ended_at IS NULL) = (ended_by IS NULL))
    );
    CREATE TABLE sitting (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      key uuid NOT NULL UNIQUE,
      device_id integer NOT NULL REFERENCES device,
      person_id integer NOT NULL REFERENCES person,
      began_at timestamptz NOT NULL DEFAULT now(),
      locked_at timestamptz,
      ended_at timestamptz CHECK (ended_at >= began_at)
    );
    CREATE UNIQUE INDEX sitting_open ON sitting (device_id) WHERE ended_at IS NULL;
    CREATE INDEX sitting_person ON sitting (person_id);
    CREATE TABLE door_try (
      key varchar(255) PRIMARY KEY,
      points integer NOT NULL DEFAULT 0,
      expire bigint
    );
    CREATE TABLE change_log (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      at timestamptz NOT NULL DEFAULT now(),
      kind text NOT NULL CHECK (length(kind) BETWEEN 1 AND 40),
      by_person integer REFERENCES person,
      device_id integer REFERENCES device,
      about text NOT NULL CHECK (length(about) <= 200),
      before jsonb,
      after jsonb
    );
    CREATE FUNCTION never_taken_back() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        RAISE EXCEPTION 'the log of changes is only added to' USING ERRCODE = 'restrict_violation';
      END $$;
    CREATE TRIGGER change_log_kept BEFORE UPDATE OR DELETE ON change_log
      FOR EACH ROW EXECUTE FUNCTION never_taken_back();
    CREATE TRIGGER change_log_not_emptied BEFORE TRUNCATE ON change_log
      FOR EACH STATEMENT EXECUTE FUNCTION never_taken_back();`,
  down: `
    DROP TABLE change_log;
    DROP FUNCTION never_taken_back();
    DROP TABLE door_try;
    DROP TABLE sitting;
    DROP TABLE device;
    DROP TABLE secret;
    ALTER TABLE shop DROP COLUMN demo;
    ALTER TABLE person DROP COLUMN left_at, DROP COLUMN role;`,
};
