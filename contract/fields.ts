import { z } from 'zod';

/** Text as typed: trimmed, any script, never longer than a person writes. */
export const text = (most: number, what: string) =>
  z
    .string({ error: `${what} must be text.` })
    .trim()
    .max(most, `${what} is longer than ${most} characters.`)
    .refine((value) => !value.includes('\u0000'), `${what} holds a character that cannot be kept.`);

export const requiredText = (most: number, what: string) => text(most, what).min(1, `${what} is missing.`);

/** A finite number inside bounds, with a sentence saying what would be right. */
export const bounded = (low: number, high: number, what: string, unit: string) => {
  const sentence = `${what} must lie between ${low} and ${high} ${unit}.`;
  return z.number({ error: sentence }).min(low, sentence).max(high, sentence);
};

export const recordId = z.coerce
  .number({ error: 'The number in the address is not one.' })
  .int()
  .positive()
  .max(2_147_483_647);
export const version = z.number({ error: 'The version that was edited is missing.' }).int().nonnegative();
/** A calendar day, such as 2026-05-04. */
export const isoDay = z.iso.date('The day must be written year-month-day, such as 2026-05-04.');
export const instant = z.string();
