import type { Migration } from './migration';

/** A saw with rakers is judged by its shavings, and by its rakers as measured again. Down again both are forgotten. */
export const shavings: Migration = {
  name: '2026-11-29-shavings',
  up: `
    ALTER TABLE check_round ADD COLUMN shavings text CHECK (shavings IN ('ribbons', 'whiskers', 'dust'));
    ALTER TABLE check_round ADD COLUMN rakers jsonb CHECK (rakers IS NULL OR COALESCE(
      (rakers->>'read')::int BETWEEN 1 AND (rakers->>'of')::int AND (rakers->>'strokes')::int >= 0, false));`,
  down: `ALTER TABLE check_round DROP COLUMN shavings, DROP COLUMN rakers;`,
};
