import type * as z from 'zod';
import { fieldErrors } from '@odontis/contract/field-errors';
import type { FieldProblem } from '@odontis/contract/problem';
import { inParts } from '../beside/in-parts';
import { Problem } from './problem';

/** Most complaints sent back at once. */
export const MOST_ERRORS = 200;

/** Input against its contract, or a Problem naming every field that does not fit. */
export function parse<S extends z.ZodType>(schema: S, value: unknown): z.output<S> {
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  throw unfit(fieldErrors(result.error));
}

/** What does not fit, the first of it in words. */
function unfit(errors: readonly FieldProblem[]): Problem {
  const more = errors.length > 1 ? ` (and ${errors.length - 1} more)` : '';
  const says = errors[0] ? `${errors[0].message}${more}` : 'The input does not fit.';
  return new Problem('bad-input', says, errors.slice(0, MOST_ERRORS));
}

/** So many are read before others are answered between. */
const AT_ONCE = 500;

/**
 * Thousands of the same kind against their contract, others being answered between; `at` is where they stand in the
 * input. After the most complaints that are sent back no more is read.
 */
export async function parseMany<S extends z.ZodType>(
  schema: S,
  values: readonly unknown[],
  at: string,
): Promise<z.output<S>[]> {
  const read: z.output<S>[] = [];
  const errors: FieldProblem[] = [];
  let i = 0;
  for await (const part of inParts(values, AT_ONCE)) {
    for (const value of part) {
      const result = schema.safeParse(value);
      if (result.success) read.push(result.data);
      else errors.push(...fieldErrors(result.error).map((one) => ({ ...one, path: `${at}/${i}${one.path}` })));
      i++;
      if (errors.length >= MOST_ERRORS) break;
    }
    if (errors.length >= MOST_ERRORS) break;
  }
  if (errors.length > 0) throw unfit(errors);
  return read;
}
