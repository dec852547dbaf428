import * as z from 'zod';

/**
 * Every way the server can say no, as application/problem+json (RFC 9457).
 * docs/errors.md lists the same codes; a test holds the two equal.
 */
export const PROBLEM_CODES = [
  'bad-input',
  'not-found',
  'not-ours',
  'not-signed-in',
  'locked',
  'not-allowed',
  'not-let-in',
  'too-often',
  'edited-elsewhere',
  'wrong-stage',
  'readings-unfit',
  'measured-in-part',
  'session-closed',
  'too-large',
  'saw-in-shop',
  'consent-missing',
  'price-not-agreed',
  'away',
  'printer-empty',
  'database-away',
  'disk-full',
  'busy',
  'copy-failed',
  'unexpected',
] as const;
export const problemCode = z.enum(PROBLEM_CODES);
export type ProblemCode = z.infer<typeof problemCode>;

export const fieldProblem = z.object({
  /** JSON pointer to the field, such as /saw/pitchMm. */
  path: z.string(),
  /** A sentence a person can act on. */
  message: z.string(),
});
export type FieldProblem = z.infer<typeof fieldProblem>;

export const problem = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  code: problemCode,
  detail: z.string(),
  errors: z.array(fieldProblem),
  /** The record as it now stands, where somebody else changed it first. */
  current: z.unknown().optional(),
});
export type ProblemBody = z.infer<typeof problem>;

export const PROBLEM_TYPE = 'application/problem+json';
