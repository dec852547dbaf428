import type { Migration } from './migration';

/** An order may be new teeth. Down it refuses once one was accepted: the older check does not know it. */
export const retooth: Migration = {
  name: '2026-11-29-retooth',
  up: `
    ALTER TABLE plan DROP CONSTRAINT plan_work_known,
      ADD CONSTRAINT plan_work_known CHECK (work IN ('sharpen', 'tune', 'convert', 'retooth', 'by-hand'));`,
  down: `
    DO $$ BEGIN
      IF EXISTS (SELECT 1 FROM plan WHERE work = 'retooth') THEN
        RAISE EXCEPTION 'Orders of new teeth were accepted: the old form does not know them.';
      END IF;
    END $$;
    ALTER TABLE plan DROP CONSTRAINT plan_work_known,
      ADD CONSTRAINT plan_work_known CHECK (work IN ('sharpen', 'tune', 'convert', 'by-hand'));`,
};
