import * as z from 'zod';
import { uuid } from '@odontis/core/units/fields';
export { bounded, counted, requiredText, text, uuid } from '@odontis/core/units/fields';

/** Years of days and times that a shop writes; a calendar knows more. */
const YEARS = { first: 1990, last: 2200 } as const;
const inOurTimes = (text: string): boolean =>
  Number(text.slice(0, 4)) >= YEARS.first && Number(text.slice(0, 4)) <= YEARS.last;
/** Clocks on earth are at most so far from Greenwich. Hours. */
const FARTHEST_OFFSET_H = 14;

const NO_RECORD = 'The number in the address is not one.';
const LAST_RECORD = 2_147_483_647;
/** The number of a record, as a number or as it stands in an address: plain digits. */
export const recordId = z
  .union(
    [
      z.int(),
      z
        .string()
        .regex(/^[1-9]\d{0,9}$/)
        .transform(Number),
    ],
    { error: NO_RECORD },
  )
  .refine((id) => id >= 1 && id <= LAST_RECORD, { error: NO_RECORD });
export const version = z.number({ error: 'The version that was edited is missing.' }).int().nonnegative();
/**
 * What is made carries a key that was made where it was typed: sent again after a lost answer it is the same one,
 * and is not made twice.
 */
export const keyed = <S extends z.ZodRawShape>(creation: z.ZodObject<S>) =>
  creation.extend({ key: uuid('What is made needs a key of its own.') });
/** A calendar day, such as 2026-05-04. */
export const isoDay = z.iso
  .date('The day must be written year-month-day, such as 2026-05-04.')
  .refine(inOurTimes, { error: 'That day is in no year a shop plans for.' });
export const instant = z.string();
/** A moment with its offset from Greenwich, as a device writes it. */
export const moment = z.iso
  .datetime({ offset: true, error: 'A time is written as 2031-05-01T09:00:00Z.' })
  .refine(inOurTimes, { error: 'That time is in no year a shop works in.' })
  .refine((text) => Number(/[+-](\d\d):?\d\d$/.exec(text)?.[1] ?? 0) <= FARTHEST_OFFSET_H, {
    error: 'No place on earth is so far from Greenwich.',
  });
