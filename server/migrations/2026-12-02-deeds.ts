import type { Migration } from './migration';

/**
 * Deeds as they are: a stop may be skipped, with a reason; work on the whole saw has its real minutes and whether it
 * came out. Presses held back by the price are refused. Presses that happened before a newer plan was accepted, or
 * before the ticket went on or ended, are kept of the plan they were made by, however late they come.
 *
 * Passes of the stone are kept as they were made. Of a check a finding is null where nobody looked, and a cut that was looked at in part is open. An ended ticket says
 * how it ended, at which stage, and what was tried. Down again a finding nobody made is told as nothing found, what was
 * skipped as done, and how a ticket ended is forgotten.
 */
export const deeds: Migration = {
  name: '2026-12-02-deeds',
  up: `
    ALTER TABLE bench_event DROP CONSTRAINT bench_event_action_check,
      ADD CONSTRAINT bench_event_action_check CHECK (action IN ('done', 'back', 'skipped')),
      ADD COLUMN reason text NOT NULL DEFAULT '' CHECK (length(reason) <= 300),
      ADD COLUMN result text CHECK (result IN ('came-out', 'did-not')),
      ADD COLUMN minutes double precision CHECK (minutes >= 0 AND minutes <= 10000),
      ADD CONSTRAINT bench_event_skipped CHECK (action <> 'skipped' OR (result IS NULL AND minutes IS NULL)),
      ADD CONSTRAINT bench_event_back CHECK (action <> 'back' OR (reason = '' AND result IS NULL AND minutes IS NULL));
    ALTER TABLE bench_mark ADD COLUMN skipped boolean NOT NULL DEFAULT false;
    DROP FUNCTION keep_presses(integer, integer, jsonb, integer);
    ${keepPresses(true)}
    ALTER TABLE check_round ALTER COLUMN runs DROP NOT NULL, ALTER COLUMN binds DROP NOT NULL, ALTER COLUMN chatters DROP NOT NULL,
      DROP CONSTRAINT check_round_verdict_check,
      ADD CONSTRAINT check_round_verdict_check CHECK (verdict IN ('pass', 'again', 'open')),
      ADD COLUMN stoned_side text CHECK (stoned_side IN ('left', 'right', 'both')),
      ADD COLUMN stoned_passes integer CHECK (stoned_passes BETWEEN 1 AND 99),
      ADD CONSTRAINT check_round_stoned CHECK ((stoned_side IS NULL) = (stoned_passes IS NULL)),
      ADD CONSTRAINT check_round_passed CHECK (verdict <> 'pass' OR (runs IS NOT NULL AND binds IS NOT NULL AND chatters IS NOT NULL));
    ALTER TABLE ticket
      ADD COLUMN ended_as text CHECK (ended_as IN ('refused', 'cancelled', 'returned', 'given-up', 'lost', 'swapped')),
      ADD COLUMN ended_from text CHECK (ended_from IN ('measure', 'plan', 'bench', 'check', 'handover')),
      ADD COLUMN tried text NOT NULL DEFAULT '' CHECK (length(tried) <= 2000);`,
  down: `
    ALTER TABLE ticket DROP COLUMN ended_as, DROP COLUMN ended_from, DROP COLUMN tried;
    UPDATE check_round SET runs = COALESCE(runs, 'true'), binds = COALESCE(binds, false), chatters = COALESCE(chatters, false),
           verdict = CASE verdict WHEN 'open' THEN 'again' ELSE verdict END;
    ALTER TABLE check_round ALTER COLUMN runs SET NOT NULL, ALTER COLUMN binds SET NOT NULL, ALTER COLUMN chatters SET NOT NULL,
      DROP CONSTRAINT check_round_verdict_check,
      ADD CONSTRAINT check_round_verdict_check CHECK (verdict IN ('pass', 'again')),
      DROP CONSTRAINT check_round_passed, DROP COLUMN stoned_side, DROP COLUMN stoned_passes;
    DROP FUNCTION keep_presses(integer, integer, jsonb, integer);
    ${keepPresses(false)}
    ALTER TABLE bench_mark DROP COLUMN skipped;
    UPDATE bench_event SET action = 'done' WHERE action = 'skipped';
    ALTER TABLE bench_event DROP CONSTRAINT bench_event_action_check, DROP CONSTRAINT bench_event_skipped, DROP CONSTRAINT bench_event_back,
      ADD CONSTRAINT bench_event_action_check CHECK (action IN ('done', 'back')),
      DROP COLUMN reason, DROP COLUMN result, DROP COLUMN minutes;`,
};

/**
 * A run of presses in one call, as it was before (2026-11-30-presses-at-once and -place-kept), and with deeds: of a
 * stop's presses the last counts, one done stands over one skipped. NULL where it is to be refused.
 */
function keepPresses(deeds: boolean): string {
  const fields = `id uuid, stop integer, action text, at timestamptz, how text${deeds ? ', reason text, result text, minutes float8' : ''}`;
  const names = `id, stop, action, at, how${deeds ? ', reason, result, minutes' : ''}`;
  return `
    CREATE FUNCTION keep_presses(the_ticket integer, the_plan integer, presses jsonb, pressed_by integer)
      RETURNS jsonb LANGUAGE plpgsql AS $$
      DECLARE
        held record;
        own record;
        newest record;
        fresh uuid[];
        marks integer[];
        next_stage text;
      BEGIN
        SELECT stage, version${deeds ? ', closed_at, held_from' : ''} INTO held FROM ticket WHERE id = the_ticket FOR UPDATE;
        ${
          deeds
            ? `IF NOT FOUND THEN RETURN NULL; END IF;
        SELECT id, stops INTO own FROM plan WHERE ticket_id = the_ticket AND id = the_plan;
        IF NOT FOUND THEN RETURN NULL; END IF;
        SELECT id, stops, accepted_at INTO newest FROM plan WHERE ticket_id = the_ticket ORDER BY number DESC LIMIT 1;
        IF held.stage NOT IN ('bench', 'check') OR newest.id <> the_plan THEN
          -- Late: kept where it had happened before, and nothing of it takes anything back.
          IF jsonb_array_length(presses) = 0 THEN RETURN NULL; END IF;
          IF EXISTS (SELECT 1 FROM jsonb_to_recordset(presses) AS e(action text, at timestamptz)
                      WHERE e.action = 'back' OR e.at >= LEAST(COALESCE(held.closed_at, 'infinity'),
                            CASE WHEN newest.id <> the_plan THEN newest.accepted_at ELSE 'infinity' END,
                            CASE WHEN held.stage = 'handover' THEN (SELECT max(r.at) FROM check_round r WHERE r.ticket_id = the_ticket) ELSE 'infinity' END))
            THEN RETURN NULL; END IF;
        ELSIF held.held_from IS NOT NULL AND EXISTS (
            SELECT 1 FROM jsonb_to_recordset(presses) AS e(id uuid, stop integer, action text)
             WHERE e.action = 'done' AND e.stop >= held.held_from AND NOT EXISTS (SELECT 1 FROM bench_event b WHERE b.id = e.id))
          THEN RETURN NULL;
        END IF;`
            : `IF NOT FOUND OR held.stage NOT IN ('bench', 'check') THEN RETURN NULL; END IF;
        SELECT id, stops INTO newest FROM plan WHERE ticket_id = the_ticket ORDER BY number DESC LIMIT 1;
        IF NOT FOUND OR newest.id <> the_plan THEN RETURN NULL; END IF;
        own := newest;`
        }
        IF EXISTS (SELECT 1 FROM jsonb_to_recordset(presses) AS e(stop integer) WHERE e.stop >= own.stops)
          THEN RETURN NULL; END IF;
        WITH kept AS (
          INSERT INTO bench_event (id, plan_id, stop, action, person_id, happened_at, how${deeds ? ', reason, result, minutes' : ''})
          SELECT DISTINCT ON (e.id) e.id, the_plan, e.stop, e.action, pressed_by, e.at, coalesce(e.how, 'gullet')${deeds ? ", coalesce(e.reason, ''), e.result, e.minutes" : ''}
            FROM ROWS FROM (jsonb_to_recordset(presses) AS (${fields}))
              WITH ORDINALITY AS e(${names}, n)
           ORDER BY e.id, e.n
          ON CONFLICT (id) DO NOTHING RETURNING id)
        SELECT coalesce(array_agg(id), '{}') INTO fresh FROM kept;
        IF cardinality(fresh) > 0 THEN
          DELETE FROM bench_mark m USING jsonb_to_recordset(presses) AS e(id uuid, stop integer, action text)
           WHERE m.plan_id = the_plan AND m.stop = e.stop AND e.action = 'back' AND e.id = ANY(fresh);
          INSERT INTO bench_mark (plan_id, stop, event_id${deeds ? ', skipped' : ''})
          SELECT DISTINCT ON (e.stop) the_plan, e.stop, e.id${deeds ? ", e.action = 'skipped'" : ''}
            FROM (SELECT p.*, max(p.n) FILTER (WHERE p.action = 'back') OVER (PARTITION BY p.stop) AS undone_at
                    FROM (SELECT DISTINCT ON (r.id) r.*
                            FROM ROWS FROM (jsonb_to_recordset(presses) AS (id uuid, stop integer, action text))
                              WITH ORDINALITY AS r(id, stop, action, n)
                           WHERE r.id = ANY(fresh) ORDER BY r.id, r.n) p) e
           WHERE e.action <> 'back' AND e.n > coalesce(e.undone_at, 0)
           ORDER BY e.stop, ${deeds ? "e.action = 'skipped', " : ''}e.n
          ${
            deeds
              ? `ON CONFLICT (plan_id, stop) DO UPDATE SET event_id = EXCLUDED.event_id, skipped = false
                 WHERE bench_mark.skipped AND NOT EXCLUDED.skipped`
              : 'ON CONFLICT DO NOTHING'
          };
        END IF;
        SELECT coalesce(array_agg(stop ORDER BY stop), '{}') INTO marks FROM bench_mark WHERE plan_id = the_plan;
        next_stage := ${
          deeds
            ? `CASE WHEN held.stage NOT IN ('bench', 'check') OR newest.id <> the_plan THEN held.stage
                    WHEN cardinality(marks) = newest.stops THEN 'check' ELSE 'bench' END`
            : "CASE WHEN cardinality(marks) = newest.stops THEN 'check' ELSE 'bench' END"
        };
        IF next_stage <> held.stage THEN
          UPDATE ticket SET stage = next_stage, version = version + 1 WHERE id = the_ticket
            RETURNING version INTO held.version;
        END IF;
        RETURN jsonb_build_object('planId', the_plan, 'done', to_jsonb(marks), ${
          deeds
            ? "'skipped', to_jsonb(ARRAY(SELECT stop FROM bench_mark WHERE plan_id = the_plan AND skipped ORDER BY stop)), "
            : ''
        }'stage', next_stage, 'version', held.version);
      END $$;`;
}
