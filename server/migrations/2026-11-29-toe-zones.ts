import type { Migration } from './migration';

/**
 * Hand and back saws may have teeth at the toe unlike the rest: up to three zones in their shape.
 * Down again they are forgotten: the saws stay, as of one pitch.
 */
const FITS = (straight: string): string => `
    ALTER TABLE saw ADD CONSTRAINT saw_shape_fits CHECK (COALESCE(CASE family
        WHEN 'pull' THEN (shape->>'edges')::int IN (1, 2)
        WHEN 'crosscut' THEN shape->>'kind' IN ('one-man', 'two-man', 'buck', 'frame') AND shape->>'pattern' ~ '^[CR]{1,40}$'
        WHEN 'band' THEN shape->>'set' IN ('alternate', 'left-right-straight')
        WHEN 'circular' THEN (shape->>'diameterMm')::float8 > (shape->>'boreMm')::float8 AND shape->>'tipped' IN ('steel', 'carbide')
        WHEN 'dado' THEN (shape->>'diameterMm')::float8 > (shape->>'boreMm')::float8 AND shape->>'tipped' IN ('steel', 'carbide')
                         AND jsonb_array_length(shape->'parts') BETWEEN 2 AND 14
        ELSE ${straight} END, false));`;

export const toeZones: Migration = {
  name: '2026-11-29-toe-zones',
  up: `
    ALTER TABLE saw DROP CONSTRAINT saw_shape_fits;${FITS(`shape - 'toeZones' = '{}'
                         AND (NOT shape ? 'toeZones' OR jsonb_array_length(shape->'toeZones') BETWEEN 1 AND 3)`)}`,
  down: `
    ALTER TABLE saw DROP CONSTRAINT saw_shape_fits;
    UPDATE saw SET shape = shape - 'toeZones' WHERE family IN ('hand', 'back');${FITS(`shape = '{}'`)}`,
};
