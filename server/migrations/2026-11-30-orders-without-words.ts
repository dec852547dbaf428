import type { Migration } from './migration';

const bare = (path: string): string => `
    UPDATE plan SET body = jsonb_set(body, '${path}', (
      SELECT coalesce(jsonb_agg(r - 'note' ORDER BY n), '[]')
        FROM jsonb_array_elements(body #> '${path}') WITH ORDINALITY AS all_of(r, n)))
      WHERE jsonb_typeof(body #> '${path}') = 'array';`;

/**
 * Notes at single teeth stay with their readings and are frozen in no order any more: of somebody who is taken out
 * of the book nothing may be left. Down nothing comes back: the notes are where they were taken.
 */
export const ordersWithoutWords: Migration = {
  name: '2026-11-30-orders-without-words',
  up: `
    ALTER TABLE plan DISABLE TRIGGER plan_is_frozen;
    ${bare('{inputs,readings}')}
    ${bare('{beside,inputs,readings}')}
    ALTER TABLE plan ENABLE TRIGGER plan_is_frozen;`,
  down: 'SELECT 1;',
};
