import { z } from 'zod';
import { FILE_DIRECTION_SCHOOLS } from '@odontis/core/file/direction';
import { POINT_CONVENTIONS } from '@odontis/core/saw/points';
import { judgement } from './judgement';
import { bounded, requiredText, version } from './fields';

const anglePair = z.object({
  rakeDeg: bounded(-45, 15, 'Rake', 'degrees'),
  fleamDeg: bounded(0, 45, 'Fleam', 'degrees'),
});

/** The shop book's first page: how this shop speaks and works. */
export const shopBook = z.object({
  name: requiredText(120, 'The shop’s name'),
  lengthUnit: z.enum(['thou', 'mm']),
  pointConvention: z.enum(POINT_CONVENTIONS),
  rakeSpeech: z.enum(['signed', 'lean-back']),
  fleamSpeech: z.enum(['off-square', 'to-plate']),
  habits: z.object({
    fileDirection: z.enum(FILE_DIRECTION_SCHOOLS),
    betweenStrokes: z.enum(['lift', 'draw-back']),
    startAt: z.enum(['heel', 'toe']),
    setOrder: z.enum(['before-filing', 'after-filing']),
    strokesPerGullet: bounded(1, 6, 'Strokes a gullet', 'strokes').int('Strokes come whole.'),
    shareOnLine: bounded(0.5, 1, 'The share of teeth on the line', '(0.95 is usual)'),
    evennessShare: bounded(0.01, 0.5, 'The spacing error allowed', 'of the pitch'),
    chaseSharpenings: bounded(0, 20, 'What even spacing may cost', 'sharpenings'),
    angles: z.object({ rip: anglePair, crosscutFine: anglePair, crosscutHand: anglePair }),
  }),
  rates: z.object({
    wagePerHour: bounded(0, 10_000, 'The wage an hour', ''),
    leastCharge: bounded(0, 10_000, 'The least charge', ''),
    currency: requiredText(8, 'The currency'),
  }),
  /** What the bench can do in a day and on which days; left out, the usual hours. */
  bench: z
    .object({
      minutesPerDay: bounded(10, 1440, 'The bench’s minutes a day', 'minutes'),
      days: z
        .array(z.number().int().min(1).max(7), { error: 'The days are numbers from Monday 1 to Sunday 7.' })
        .min(1, 'A bench works on one day of the week at least.')
        .max(7),
    })
    .optional(),
  /** Whether soft pull saws are filed here (trade section 9); left out, they are. */
  filesPullSaws: z.boolean().optional(),
  /** Where this shop judges otherwise than the trade's rules; left out, it does not. */
  judgement: judgement.optional(),
});
export type ShopBook = z.infer<typeof shopBook>;

export const shop = z.object({ version, book: shopBook, changedBy: z.string().nullable() });
export type Shop = z.infer<typeof shop>;
export const shopChange = z.object({ version, book: shopBook });
export type ShopChange = z.infer<typeof shopChange>;
