import * as z from 'zod';
import { ROUND_DIAMETERS_MM, roundSheets, RULER_MM } from '@odontis/core/photograph/measuring-strip';
import { bounded, requiredText } from './fields';

/** Sheets of straight strips: nine strips are 2.4 m of line. */
const STRAIGHT_SHEETS = 3;
const { least, most } = ROUND_DIAMETERS_MM;
const diameterWords = `Round strips are made for a blade of ${least} to ${most} mm: say its diameter in whole mm.`;
const sheetWords = 'Sheets are numbered from 1.';

const sheetsOf = (kind: string, diameterMm: number | undefined): number =>
  kind === 'round' && diameterMm !== undefined ? roundSheets(diameterMm).sheets : STRAIGHT_SHEETS;

/** Which measuring sheet is to be printed. */
export const measuringSheet = z
  .object({
    paper: z.enum(['a4', 'letter'], { error: 'The paper is a4 or letter.' }).default('a4'),
    kind: z
      .enum(['line', 'short', 'round'], { error: 'A sheet of strips is for a line, short, or round.' })
      .default('line'),
    sheet: z.coerce.number({ error: sheetWords }).int(sheetWords).min(1, sheetWords).default(1),
    /** Of round strips: the blade's, mm. */
    diameter: z.coerce
      .number({ error: diameterWords })
      .int(diameterWords)
      .min(least, diameterWords)
      .max(most, diameterWords)
      .optional(),
  })
  .refine((asked) => asked.kind !== 'round' || asked.diameter !== undefined, {
    error: diameterWords,
    path: ['diameter'],
  })
  .superRefine(({ kind, diameter, sheet }, context) => {
    const sheets = sheetsOf(kind, diameter);
    if (sheet > sheets)
      context.addIssue({ code: 'custom', path: ['sheet'], message: `Sheets are numbered from 1 to ${sheets}.` });
  });
export type MeasuringSheet = z.infer<typeof measuringSheet>;

/** A printer, and how long its two rulers came out. */
export const stripPrinter = z.object({
  name: requiredText(40, 'The printer’s name'),
  alongMm: bounded(0.95 * RULER_MM.along, 1.05 * RULER_MM.along, `The ruler of ${RULER_MM.along} mm`, 'mm'),
  acrossMm: bounded(0.95 * RULER_MM.across, 1.05 * RULER_MM.across, `The ruler of ${RULER_MM.across} mm`, 'mm'),
});
export type StripPrinter = z.infer<typeof stripPrinter>;
