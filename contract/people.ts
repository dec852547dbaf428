import { z } from 'zod';
import { bounded, requiredText } from './fields';

export const newPerson = z.object({
  name: requiredText(120, 'The name'),
  initials: requiredText(4, 'The initials'),
});
export type NewPerson = z.infer<typeof newPerson>;

/** What a person's counted strokes took off, as fitted by the core. */
export const strokeRate = z.object({
  rateMmPerStroke: z.number(),
  errorMmPerStroke: z.number(),
  readings: z.number().int(),
});

export const person = newPerson.extend({ id: z.number().int(), strokeRate });
export type Person = z.infer<typeof person>;

/** Strokes counted and the drop measured after them. */
export const newStrokeReading = z.object({
  strokes: bounded(1, 200, 'Strokes', 'strokes').int('Strokes come whole.'),
  dropMm: bounded(0.001, 5, 'The measured drop', 'mm'),
});
export type NewStrokeReading = z.infer<typeof newStrokeReading>;
