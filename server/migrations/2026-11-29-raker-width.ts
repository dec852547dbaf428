import type { Migration } from './migration';

const KNOWN = (quantities: string): string => `
    ALTER TABLE evidence DROP CONSTRAINT evidence_quantity_check;
    ALTER TABLE evidence ADD CONSTRAINT evidence_quantity_check CHECK (quantity IN (${quantities}));`;
const BEFORE = `'place', 'height', 'set', 'raker-depth', 'runout', 'chipper-height', 'thickness', 'bow',
        'gullet-depth', 'rust', 'pitting', 'kind', 'lean', 'note', 'angles'`;

/**
 * Rakers are measured across their tips. Nothing that was read is ever taken away: down it goes only
 * while no width was read.
 */
export const rakerWidth: Migration = {
  name: '2026-11-29-raker-width',
  up: KNOWN(`${BEFORE}, 'raker-width'`),
  down: KNOWN(BEFORE),
};
