import type { Migration } from './migration';

const gauges = (known: string): string => `
    ALTER TABLE evidence DROP CONSTRAINT evidence_gauge_check;
    ALTER TABLE evidence ADD CONSTRAINT evidence_gauge_check CHECK (gauge IN (${known}));`;

/** Lengths are read from photographs, too, which tell less finely than scans. No way back where some were. */
export const photographsMeasure: Migration = {
  name: '2026-11-30-photographs-measure',
  up: gauges(`'straight-edge', 'caliper', 'indicator', 'scan', 'photograph', 'eye', 'file', 'bevel'`),
  down: `
    DO $$ BEGIN
      IF EXISTS (SELECT FROM evidence WHERE gauge = 'photograph') THEN
        RAISE EXCEPTION 'There are readings from photographs, which the older form does not know: there is no way back.';
      END IF;
    END $$;
    ${gauges(`'straight-edge', 'caliper', 'indicator', 'scan', 'eye', 'file', 'bevel'`)}`,
};
