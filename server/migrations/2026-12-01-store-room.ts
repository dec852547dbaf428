import type { Migration } from './migration';

/**
 * The Store: kinds of tools, what happened to them, and what every accepted order does with which tool, out of its
 * body. Orders of before are read once, those in today's form; older ones are long done. Down all of it is forgotten.
 */
export const storeRoom: Migration = {
  name: '2026-12-01-store-room',
  up: `
    CREATE TABLE tool (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      key uuid NOT NULL UNIQUE,
      kind text NOT NULL CHECK (kind IN ('file', 'stone', 'set-tool', 'hammer', 'jointer', 'gauge')),
      name text NOT NULL CHECK (length(btrim(name)) > 0 AND length(name) <= 60),
      note text NOT NULL DEFAULT '' CHECK (length(note) <= 200),
      corners integer CHECK (corners BETWEEN 1 AND 4),
      corner_strokes integer CHECK (corner_strokes BETWEEN 20 AND 50000),
      created_by integer NOT NULL REFERENCES person,
      created_at timestamptz NOT NULL DEFAULT now(),
      CONSTRAINT tool_corners CHECK ((kind = 'file') = (corners IS NOT NULL AND corner_strokes IS NOT NULL)
        AND (corners IS NULL) = (corner_strokes IS NULL))
    );
    CREATE UNIQUE INDEX tool_name ON tool (kind, lower(name));
    CREATE TABLE tool_deed (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      key uuid NOT NULL UNIQUE,
      tool_id integer NOT NULL REFERENCES tool,
      what text NOT NULL CHECK (what IN ('bought', 'counted', 'begun', 'turned', 'spent', 'put-away', 'fetched')),
      pieces integer CHECK (pieces BETWEEN 0 AND 999),
      strokes integer CHECK (strokes >= 0),
      person_id integer NOT NULL REFERENCES person,
      at timestamptz NOT NULL DEFAULT now(),
      CONSTRAINT tool_deed_pieces CHECK ((what IN ('bought', 'counted')) = (pieces IS NOT NULL) AND (what <> 'bought' OR pieces > 0))
    );
    CREATE INDEX tool_deed_tool ON tool_deed (tool_id, id);
    CREATE TRIGGER tool_deed_is_kept BEFORE UPDATE OR DELETE ON tool_deed FOR EACH ROW EXECUTE FUNCTION refuse_change();
    CREATE TABLE plan_tool (
      plan_id integer NOT NULL REFERENCES plan,
      kind text NOT NULL CHECK (kind IN ('file', 'stone', 'set-tool', 'hammer', 'jointer', 'gauge')),
      name text NOT NULL,
      stops integer[] NOT NULL,
      amounts integer[] NOT NULL CHECK (cardinality(amounts) = cardinality(stops)),
      total integer NOT NULL CHECK (total >= 0),
      PRIMARY KEY (plan_id, kind, name),
      CONSTRAINT plan_tool_named CHECK ((kind = 'file') = (name <> ''))
    );
    CREATE TRIGGER plan_tool_is_frozen BEFORE UPDATE OR DELETE ON plan_tool FOR EACH ROW EXECUTE FUNCTION refuse_change();
    INSERT INTO plan_tool (plan_id, kind, name, stops, amounts, total)
      SELECT plan_id, kind, name, array_agg(n ORDER BY n), array_agg(amount ORDER BY n), sum(amount) FROM (
        SELECT plan_id, n, kind, CASE kind WHEN 'file' THEN step->>'tool' ELSE '' END AS name,
               CASE kind WHEN 'file' THEN strokes
                         WHEN 'set-tool' THEN COALESCE((stop->>'to')::int, (stop->>'at')::int) - (stop->>'at')::int + 1
                         ELSE greatest(1, COALESCE((step->>'passes')::int, 1)) END AS amount
          FROM (
            SELECT p.id AS plan_id, step, stop, (stop->>'strokes')::int AS strokes,
                   (row_number() OVER (PARTITION BY p.id ORDER BY s.n, o.n) - 1)::int AS n,
                   CASE WHEN step->>'kind' = 'set' THEN 'set-tool'
                        WHEN step->>'kind' = 'stone' THEN 'stone'
                        WHEN step->>'kind' IN ('joint', 'joint-again') THEN 'jointer'
                        WHEN step->>'kind' = 'straighten' THEN 'hammer'
                        WHEN step->>'tool' IS NOT NULL AND (stop->>'strokes')::int > 0 THEN 'file' END AS kind
              FROM plan p
              CROSS JOIN jsonb_array_elements(CASE WHEN jsonb_typeof(p.body->'steps') = 'array' AND p.body->>'version' = '1' THEN p.body->'steps' ELSE '[]'::jsonb END) WITH ORDINALITY AS s(step, n)
              CROSS JOIN jsonb_array_elements(step->'stops') WITH ORDINALITY AS o(stop, n)
          ) walked WHERE kind IS NOT NULL
      ) used GROUP BY plan_id, kind, name;`,
  down: `
    DROP TABLE plan_tool;
    DROP TABLE tool_deed;
    DROP TABLE tool;`,
};
