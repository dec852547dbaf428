import type { Migration } from './migration';

/**
 * Accepted plans become work orders with a version. What was kept is wrapped unchanged, as form
 * 0: `readOrder` reads every form. Work and depth stand beside the body for lists and statistics.
 * An order is still never changed; the trigger is taken away only while the rows are moved.
 */
export const oneOrder: Migration = {
  name: '2026-11-29-one-order',
  up: `
    DROP TRIGGER plan_is_frozen ON plan;
    ALTER TABLE plan ADD COLUMN body jsonb, ADD COLUMN work text, ADD COLUMN depth_mm double precision;
    UPDATE plan SET body = jsonb_build_object('version', 0, 'inputs', inputs, 'plan', plan),
                    work = plan->>'work', depth_mm = (plan->>'depthMm')::float8;
    ALTER TABLE plan ALTER COLUMN body SET NOT NULL, ALTER COLUMN work SET NOT NULL,
      ADD CONSTRAINT plan_is_an_order CHECK (COALESCE(jsonb_typeof(body->'version') = 'number', false)),
      ADD CONSTRAINT plan_work_known CHECK (work IN ('sharpen', 'tune', 'convert', 'by-hand')),
      ADD CONSTRAINT plan_depth_fits CHECK (depth_mm BETWEEN 0 AND 20),
      DROP COLUMN inputs, DROP COLUMN plan;
    CREATE TRIGGER plan_is_frozen BEFORE UPDATE OR DELETE ON plan FOR EACH ROW EXECUTE FUNCTION refuse_change();`,
  // The old form has no place for what today's orders say: with one of them accepted there is no way back.
  down: `
    DO $$ BEGIN
      IF EXISTS (SELECT 1 FROM plan WHERE (body->>'version')::int <> 0) THEN
        RAISE EXCEPTION 'Orders were accepted in today''s form: the old one cannot hold them.';
      END IF;
    END $$;
    DROP TRIGGER plan_is_frozen ON plan;
    ALTER TABLE plan ADD COLUMN inputs jsonb, ADD COLUMN plan jsonb;
    UPDATE plan SET inputs = body->'inputs', plan = body->'plan';
    ALTER TABLE plan ALTER COLUMN inputs SET NOT NULL, ALTER COLUMN plan SET NOT NULL,
      DROP COLUMN body, DROP COLUMN work, DROP COLUMN depth_mm;
    CREATE TRIGGER plan_is_frozen BEFORE UPDATE OR DELETE ON plan FOR EACH ROW EXECUTE FUNCTION refuse_change();`,
};
