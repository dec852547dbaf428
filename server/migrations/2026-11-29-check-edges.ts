import type { Migration } from './migration';

/**
 * A cut tests one line of teeth: of a two-edged saw it says which. Earlier rounds tested the first. A band
 * that beats says at which tooth. Down again both are forgotten.
 */
export const checkEdges: Migration = {
  name: '2026-11-29-check-edges',
  up: `
    ALTER TABLE check_round ADD COLUMN edge text CHECK (edge IN ('rip', 'crosscut')),
      ADD COLUMN beat_at integer CHECK (beat_at >= 1);
    UPDATE check_round c SET edge = p.body->'inputs'->'pull'->>'edge'
      FROM (SELECT DISTINCT ON (ticket_id) ticket_id, body FROM plan ORDER BY ticket_id, number DESC) p
     WHERE p.ticket_id = c.ticket_id AND p.body->'inputs'->'pull'->>'edge' IS NOT NULL;`,
  down: 'ALTER TABLE check_round DROP COLUMN edge, DROP COLUMN beat_at;',
};
