import type { Migration } from './migration';

/**
 * Names are made plain wherever the database stands: a copy is read back without a path of schemas to look
 * through, and did not find `unaccent` by its bare name, so that customers and saws were missing from it.
 */
export const wordsOfACopy: Migration = {
  name: '2026-11-29-words-of-a-copy',
  up: `
    DO $do$
    DECLARE home text;
    BEGIN
      SELECT n.nspname INTO STRICT home
        FROM pg_extension e JOIN pg_namespace n ON n.oid = e.extnamespace WHERE e.extname = 'unaccent';
      EXECUTE format(
        'CREATE OR REPLACE FUNCTION plain_text(words text) RETURNS text LANGUAGE sql IMMUTABLE STRICT PARALLEL SAFE
           AS $body$ SELECT pg_catalog.lower(%1$I.unaccent(%2$L::pg_catalog.regdictionary, words)) $body$',
        home, quote_ident(home) || '.unaccent');
    END $do$;`,
  down: `
    CREATE OR REPLACE FUNCTION plain_text(words text) RETURNS text LANGUAGE sql IMMUTABLE STRICT PARALLEL SAFE
      AS $$ SELECT lower(unaccent('unaccent', words)) $$;`,
};
