import * as z from 'zod';

/**
 * Bounds of a password: twelve signs or more, any signs, no rules of composition (OWASP ASVS 4.0.3, 2.1.1, 2.1.2
 * and 2.1.9).
 */
export const PASSWORD_SIGNS = { least: 12, most: 128 } as const;
/** Digits of a code: short, for a screen that was let in with a password before. */
export const CODE_DIGITS = { least: 4, most: 8 } as const;

/** What people choose first, and what others try first; common practice, no source. */
const TRIED_FIRST = /^(.)\1*$|^(password|qwerty|letmein|welcome|odontis|sharpsaw|0?123456789)/i;

/** A password that is chosen. */
export const newPassword = z
  .string({ error: 'The password is missing.' })
  .min(PASSWORD_SIGNS.least, `A password has ${PASSWORD_SIGNS.least} signs at least; a few words in a row are good.`)
  .max(PASSWORD_SIGNS.most, `A password has ${PASSWORD_SIGNS.most} signs at most.`)
  .refine((typed) => !TRIED_FIRST.test(typed), { error: 'That is among the first that others try: choose another.' });

/** Digits that run up or down or stay: 1234, 9876, 0000. */
const runs = (code: string): boolean => {
  const steps = new Set(Array.from(code.slice(1), (digit, i) => Number(digit) - Number(code[i])));
  const [step = 2] = steps;
  return steps.size === 1 && Math.abs(step) <= 1;
};

/** A code that is chosen. */
export const newCode = z
  .string({ error: 'The code is missing.' })
  .regex(new RegExp(`^\\d{${CODE_DIGITS.least},${CODE_DIGITS.most}}$`), {
    error: `A code has ${CODE_DIGITS.least} to ${CODE_DIGITS.most} digits.`,
  })
  .refine((code) => !runs(code), { error: 'That code is among the first that others try: choose another.' });

/** A password or code as it is typed to be let in; what it should have been is not said. */
export const typedSecret = z
  .string({ error: 'The password or code is missing.' })
  .min(1, 'The password or code is missing.')
  .max(PASSWORD_SIGNS.most, `A password has ${PASSWORD_SIGNS.most} signs at most.`);
