import type { Migration } from './migration';

/**
 * Pull saws are planned: an order may be of their top bevels alone, and a two-edged one tells its rip
 * edge's pitch and which edge is hardened. Down it refuses once such an order was accepted; what was
 * told of the edges is forgotten.
 */
export const pullEdges: Migration = {
  name: '2026-11-29-pull-edges',
  up: `
    ALTER TABLE plan DROP CONSTRAINT plan_work_known,
      ADD CONSTRAINT plan_work_known CHECK (work IN ('sharpen', 'tune', 'convert', 'retooth', 'by-hand', 'top-bevels'));
    ALTER TABLE saw ADD CONSTRAINT saw_pull_edges CHECK (NOT (shape ? 'ripPitchMm' OR shape ? 'hardEdge') OR COALESCE(
      family = 'pull' AND (shape->>'edges')::int = 2
        AND (NOT shape ? 'ripPitchMm' OR (shape->>'ripPitchMm')::float8 BETWEEN 0.5 AND 60)
        AND (NOT shape ? 'hardEdge' OR shape->>'hardEdge' IN ('rip', 'crosscut')), false));`,
  down: `
    DO $$ BEGIN
      IF EXISTS (SELECT 1 FROM plan WHERE work = 'top-bevels') THEN
        RAISE EXCEPTION 'Orders of top bevels were accepted: the old form does not know them.';
      END IF;
    END $$;
    ALTER TABLE plan DROP CONSTRAINT plan_work_known,
      ADD CONSTRAINT plan_work_known CHECK (work IN ('sharpen', 'tune', 'convert', 'retooth', 'by-hand'));
    ALTER TABLE saw DROP CONSTRAINT saw_pull_edges;
    UPDATE saw SET shape = shape - 'ripPitchMm' - 'hardEdge' WHERE family = 'pull';`,
};
