import type { Migration } from './migration';
import { pressesAtOnce } from './2026-11-30-presses-at-once';

/**
 * How a stop came to count as done, with its press; and of every person how they keep the place at the vise. The
 * presses of before were each at its gullet. Down again both are forgotten.
 */
export const placeKept: Migration = {
  name: '2026-11-30-place-kept',
  up: `
    ALTER TABLE bench_event ADD COLUMN how text NOT NULL DEFAULT 'gullet'
      CHECK (how IN ('gullet', 'window', 'ear', 'pace', 'card'));
    ALTER TABLE person
      ADD COLUMN place_way text NOT NULL DEFAULT 'gullet' CHECK (place_way IN ('gullet', 'window', 'ear', 'pace')),
      ADD COLUMN place_window integer NOT NULL DEFAULT 20 CHECK (place_window BETWEEN 2 AND 100);
    DROP FUNCTION keep_presses(integer, integer, jsonb, integer);
    ${withHow(pressesAtOnce.up)}`,
  down: `
    DROP FUNCTION keep_presses(integer, integer, jsonb, integer);
    ${pressesAtOnce.up}
    ALTER TABLE bench_event DROP COLUMN how;
    ALTER TABLE person DROP COLUMN place_way, DROP COLUMN place_window;`,
};

/** The function as it was, with the one column more that it keeps. */
function withHow(created: string): string {
  return created
    .replace(
      '(id, plan_id, stop, action, person_id, happened_at)',
      '(id, plan_id, stop, action, person_id, happened_at, how)',
    )
    .replace('e.stop, e.action, pressed_by, e.at', "e.stop, e.action, pressed_by, e.at, coalesce(e.how, 'gullet')")
    .replace(
      '(id uuid, stop integer, action text, at timestamptz))',
      '(id uuid, stop integer, action text, at timestamptz, how text))',
    )
    .replace('AS e(id, stop, action, at, n)', 'AS e(id, stop, action, at, how, n)');
}
