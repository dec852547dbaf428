import type { Migration } from './migration';

/**
 * A run of presses at the vise in one call of the database: it holds the ticket, keeps what is fresh, takes back
 * and sets marks, and says what stands. Between the shop's server and its database each word costs more than the
 * work. NULL where it is to be refused: nothing was kept then, and the server says why.
 *
 * Of a stop's presses the last counts: those undone at some time lose the mark they had, and one done after the
 * last undoing, or never undone, has its mark of the first press that did it. Presses received before are none.
 */
export const pressesAtOnce: Migration = {
  name: '2026-11-30-presses-at-once',
  up: `
    CREATE FUNCTION keep_presses(the_ticket integer, the_plan integer, presses jsonb, pressed_by integer)
      RETURNS jsonb LANGUAGE plpgsql AS $$
      DECLARE
        held record;
        newest record;
        fresh uuid[];
        marks integer[];
        next_stage text;
      BEGIN
        SELECT stage, version INTO held FROM ticket WHERE id = the_ticket FOR UPDATE;
        IF NOT FOUND OR held.stage NOT IN ('bench', 'check') THEN RETURN NULL; END IF;
        SELECT id, stops INTO newest FROM plan WHERE ticket_id = the_ticket ORDER BY number DESC LIMIT 1;
        IF NOT FOUND OR newest.id <> the_plan THEN RETURN NULL; END IF;
        IF EXISTS (SELECT 1 FROM jsonb_to_recordset(presses) AS e(stop integer) WHERE e.stop >= newest.stops)
          THEN RETURN NULL; END IF;
        WITH kept AS (
          INSERT INTO bench_event (id, plan_id, stop, action, person_id, happened_at)
          SELECT DISTINCT ON (e.id) e.id, the_plan, e.stop, e.action, pressed_by, e.at
            FROM ROWS FROM (jsonb_to_recordset(presses) AS (id uuid, stop integer, action text, at timestamptz))
              WITH ORDINALITY AS e(id, stop, action, at, n)
           ORDER BY e.id, e.n
          ON CONFLICT (id) DO NOTHING RETURNING id)
        SELECT coalesce(array_agg(id), '{}') INTO fresh FROM kept;
        IF cardinality(fresh) > 0 THEN
          DELETE FROM bench_mark m USING jsonb_to_recordset(presses) AS e(id uuid, stop integer, action text)
           WHERE m.plan_id = the_plan AND m.stop = e.stop AND e.action = 'back' AND e.id = ANY(fresh);
          INSERT INTO bench_mark (plan_id, stop, event_id)
          SELECT DISTINCT ON (e.stop) the_plan, e.stop, e.id
            FROM (SELECT p.*, max(p.n) FILTER (WHERE p.action = 'back') OVER (PARTITION BY p.stop) AS undone_at
                    FROM (SELECT DISTINCT ON (r.id) r.*
                            FROM ROWS FROM (jsonb_to_recordset(presses) AS (id uuid, stop integer, action text))
                              WITH ORDINALITY AS r(id, stop, action, n)
                           WHERE r.id = ANY(fresh) ORDER BY r.id, r.n) p) e
           WHERE e.action = 'done' AND e.n > coalesce(e.undone_at, 0)
           ORDER BY e.stop, e.n
          ON CONFLICT DO NOTHING;
        END IF;
        SELECT coalesce(array_agg(stop ORDER BY stop), '{}') INTO marks FROM bench_mark WHERE plan_id = the_plan;
        next_stage := CASE WHEN cardinality(marks) = newest.stops THEN 'check' ELSE 'bench' END;
        IF next_stage <> held.stage THEN
          UPDATE ticket SET stage = next_stage, version = version + 1 WHERE id = the_ticket
            RETURNING version INTO held.version;
        END IF;
        RETURN jsonb_build_object('planId', the_plan, 'done', to_jsonb(marks), 'stage', next_stage,
                                  'version', held.version);
      END $$;`,
  down: 'DROP FUNCTION keep_presses(integer, integer, jsonb, integer);',
};
