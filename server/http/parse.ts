import type { z } from 'zod';
import { fieldErrors } from '@odontis/contract/field-errors';
import { Problem } from './problem';

/** Most complaints sent back at once. */
const MOST_ERRORS = 200;

/** Input against its contract, or a Problem naming every field that does not fit. */
export function parse<S extends z.ZodType>(schema: S, value: unknown): z.output<S> {
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  const errors = fieldErrors(result.error);
  const first = errors[0];
  const more = errors.length > 1 ? ` (and ${errors.length - 1} more)` : '';
  throw new Problem(
    'bad-input',
    first ? `${first.message}${more}` : 'The input does not fit.',
    errors.slice(0, MOST_ERRORS),
  );
}
