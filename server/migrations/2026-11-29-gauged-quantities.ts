import type { Migration } from './migration';

const KNOWN = (quantities: string): string => `
    ALTER TABLE evidence DROP CONSTRAINT evidence_quantity_check;
    ALTER TABLE evidence ADD CONSTRAINT evidence_quantity_check CHECK (quantity IN (${quantities}));`;
const BEFORE = `'place', 'height', 'set', 'raker-depth', 'runout', 'chipper-height', 'thickness', 'bow',
        'gullet-depth', 'rust', 'pitting', 'kind', 'lean', 'note', 'angles', 'raker-width'`;

/**
 * A breast is gauged under a straight edge, a blade read turned on its arbor, its hook by a straight edge on
 * a face and its bevel by its fall, a set by its test groove. Nothing that was read is ever taken away: down it goes only
 * while none was.
 */
export const gaugedQuantities: Migration = {
  name: '2026-11-29-gauged-quantities',
  up: KNOWN(`${BEFORE}, 'breast', 'runout-turned', 'face-line', 'bevel-fall', 'groove-step'`),
  down: KNOWN(BEFORE),
};
