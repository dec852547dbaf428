import * as z from 'zod';

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
  const sentence = `${what} must lie between ${low} and ${high}${unit === '' ? '' : ` ${unit}`}.`;
  return z.number({ error: sentence }).min(low, sentence).max(high, sentence);
};

/** A whole count inside bounds. */
export const counted = (low: number, high: number, what: string, things: string) =>
  bounded(low, high, what, things).int(`${what}: counted whole.`);

/** A key, in small letters as every database writes it: in capitals it is the same one. */
export const uuid = (says: string) => z.uuid(says).transform((key) => key.toLowerCase());
