import * as z from 'zod';
import { POINT_CONVENTIONS } from '@odontis/core/units/points';
import { learned, LESSONS } from '@odontis/core/learn/learned';
import { shopHabits } from '@odontis/core/work/habits';
import { judgement } from './judgement';
import { stripPrinter } from './measuring-sheet';
import { bounded, counted, requiredText, version } from './fields';

/** The shop book's first page: how this shop speaks and works. */
export const shopBook = z.object({
  name: requiredText(120, 'The shop’s name'),
  lengthUnit: z.enum(['thou', 'mm']),
  pointConvention: z.enum(POINT_CONVENTIONS),
  rakeSpeech: z.enum(['signed', 'lean-back']),
  fleamSpeech: z.enum(['off-square', 'to-plate']),
  habits: shopHabits,
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
  /** A screen locks after so many minutes without a hand on it; null, never; left out, after half an hour. */
  lockAfterMinutes: bounded(1, 1440, 'The minutes until a screen locks', 'minutes').nullable().optional(),
  /** So many copies of the shop are kept, the newest; left out, two weeks of nights. */
  copiesKept: bounded(1, 999, 'The copies kept', '').refine(Number.isInteger, 'Copies are kept whole.').optional(),
  /** Who grinds what is not filed here: how long they usually have it, and what they ask for a tooth and at the least. */
  grinders: z
    .array(
      z
        .object({
          name: requiredText(120, 'The grinder’s name'),
          days: counted(1, 365, 'The days a grinder has it', 'days'),
          perTooth: bounded(0, 1000, 'The price of a tooth', '').nullable(),
          least: bounded(0, 10_000, 'The least price', '').nullable(),
        })
        .readonly(),
    )
    .max(12, 'Twelve grinders at most.')
    .readonly()
    .optional(),
  /** Printers that measuring strips come from, the usual one first, with the rulers of their sheets as measured. */
  stripPrinters: z.array(stripPrinter).max(6, 'Six printers at most.').optional(),
  /** Where this shop judges otherwise than the trade's rules; left out, it does not. */
  judgement: judgement.optional(),
  /** What the shop learned and was put back to the table all the same; left out, nothing. */
  putBack: z.array(z.enum(LESSONS)).max(LESSONS.length).optional(),
});
export type ShopBook = z.infer<typeof shopBook>;

export const shop = z.object({
  version,
  book: shopBook,
  changedBy: z.string().nullable(),
  /** What is in force of what this shop learned; left out where it is not asked for. */
  learned: learned.optional(),
});
export type Shop = z.infer<typeof shop>;
export const shopChange = z.object({ version, book: shopBook });
export type ShopChange = z.infer<typeof shopChange>;
