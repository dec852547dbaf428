import * as z from 'zod';
import type { Reason } from './reason';

/** The shape of a {@link Reason}, for orders that are kept and read again. */
export const reason: z.ZodType<Reason> = z.object({
  what: z.string(),
  formula: z.string(),
  inputs: z.array(
    z.object({
      name: z.string(),
      value: z.union([z.number(), z.string()]),
      unit: z.enum(['mm', 'deg', 'mm²', 'share', 'count', 'minutes', 'money', 'mm/stroke', 'text']),
    }),
  ),
  source: z.string(),
  otherwise: z.string().optional(),
});
