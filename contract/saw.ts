import * as z from 'zod';
import { saw, SAW_SHAPES } from '@odontis/core/saw/saw';
import type { Saw } from '@odontis/core/saw/saw';
import { sawFaults } from '@odontis/core/saw/saw-faults';

/** A saw as it comes over the counter: every measure in its bounds, and all of them together possible. */
export const newSaw = saw.superRefine((told, context) => {
  // A measure out of its own bounds is told alone: what it would come to with others says nothing.
  if (context.issues.length > 0) return;
  for (const { path, message } of sawFaults(told)) context.addIssue({ code: 'custom', path: [...path], message });
});

const id = { id: z.number().int() };
/** A saw in the book. */
export const keptSaw = z.discriminatedUnion('family', [
  SAW_SHAPES.hand.extend(id),
  SAW_SHAPES.back.extend(id),
  SAW_SHAPES.pull.extend(id),
  SAW_SHAPES.crosscut.extend(id),
  SAW_SHAPES.band.extend(id),
  SAW_SHAPES.circular.extend(id),
  SAW_SHAPES.dado.extend(id),
]);
export type KeptSaw = Saw & { readonly id: number };
