import { z } from 'zod';
export { bounded, counted, requiredText, text } from '@odontis/core/units/fields';

export const recordId = z.coerce
  .number({ error: 'The number in the address is not one.' })
  .int()
  .positive()
  .max(2_147_483_647);
export const version = z.number({ error: 'The version that was edited is missing.' }).int().nonnegative();
/**
 * What is made carries a key that was made where it was typed: sent again after a lost answer it is the same one,
 * and is not made twice.
 */
export const keyed = <S extends z.ZodRawShape>(creation: z.ZodObject<S>) =>
  creation.extend({ key: z.uuid('What is made needs a key of its own.') });
/** A calendar day, such as 2026-05-04. */
export const isoDay = z.iso.date('The day must be written year-month-day, such as 2026-05-04.');
export const instant = z.string();
