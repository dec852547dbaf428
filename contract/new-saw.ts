import type { z } from 'zod';
import { impossible } from './saw-faults';
import { anySaw } from './told-saw';

/** A saw of any family as it is told at the counter. What can be worked out of it is not in it. */
export const newSaw = anySaw.superRefine((saw, context) => {
  for (const { path, message } of impossible(saw))
    context.addIssue({ code: 'custom', path: path.map((p) => (/^\d+$/.test(p) ? Number(p) : p)), message });
});
export type NewSaw = z.infer<typeof newSaw>;
