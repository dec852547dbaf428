import type { Migration } from './migration';

/**
 * A line of cutters and rakers may begin within its pattern. Down again that is forgotten: the saws
 * stay, as of whole groups from the heel.
 */
export const patternOffset: Migration = {
  name: '2026-11-29-pattern-offset',
  up: `
    ALTER TABLE saw ADD CONSTRAINT saw_pattern_offset CHECK (NOT shape ? 'patternOffset' OR COALESCE(
      family = 'crosscut' AND (shape->>'patternOffset')::int BETWEEN 0 AND length(shape->>'pattern') - 1, false));`,
  down: `
    ALTER TABLE saw DROP CONSTRAINT saw_pattern_offset;
    UPDATE saw SET shape = shape - 'patternOffset';`,
};
