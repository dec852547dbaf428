import { z } from 'zod';
import { RULER_MM } from '@odontis/core/photograph/measuring-strip';
import { bounded, requiredText } from './fields';

/** Which measuring sheet is to be printed. */
export const measuringSheet = z.object({
  paper: z.enum(['a4', 'letter'], { error: 'The paper is a4 or letter.' }).default('a4'),
  kind: z.enum(['line', 'short'], { error: 'A sheet of strips is for a line, or short.' }).default('line'),
  sheet: z.coerce
    .number({ error: 'Sheets are numbered from 1 to 3.' })
    .int('Sheets are numbered from 1 to 3.')
    .min(1, 'Sheets are numbered from 1 to 3.')
    .max(3, 'Sheets are numbered from 1 to 3.')
    .default(1),
});
export type MeasuringSheet = z.infer<typeof measuringSheet>;

/** A printer, and how long its two rulers came out. */
export const stripPrinter = z.object({
  name: requiredText(40, 'The printer’s name'),
  alongMm: bounded(0.95 * RULER_MM.along, 1.05 * RULER_MM.along, `The ruler of ${RULER_MM.along} mm`, 'mm'),
  acrossMm: bounded(0.95 * RULER_MM.across, 1.05 * RULER_MM.across, `The ruler of ${RULER_MM.across} mm`, 'mm'),
});
export type StripPrinter = z.infer<typeof stripPrinter>;
