import * as z from 'zod';
import { MOST_TEETH } from '@odontis/core/evidence/reading';
import { LEANS, TOOTH_KINDS } from '@odontis/core/evidence/tooth-reading';
import { bounded, counted, text } from './fields';

export const toothReading = z.object({
  tooth: counted(1, MOST_TEETH, 'The tooth number', ''),
  xMm: bounded(-100, 5000, 'The place along the line', 'mm'),
  yMm: bounded(-50, 50, 'The height', 'mm'),
  lean: z.enum(LEANS).nullish(),
  setMm: bounded(-5, 5, 'The set per side', 'mm').nullish(),
  kind: z.enum(TOOTH_KINDS),
  note: text(500, 'The note').nullish(),
});

/** A whole line of teeth as a file tells it: heel first, numbered 1, 2, 3 without a gap, places rising. */
export const toothLine = z
  .array(toothReading)
  .max(MOST_TEETH, `A saw has at most ${MOST_TEETH} teeth here.`)
  .superRefine((teeth, context) => {
    teeth.forEach((tooth, index) => {
      if (tooth.tooth !== index + 1) {
        context.addIssue({
          code: 'custom',
          path: [index, 'tooth'],
          message: `Tooth ${index + 1} is expected here, heel first, but ${tooth.tooth} came. Mark a lost tooth as missing instead of leaving it out.`,
        });
      } else if (index > 0 && tooth.xMm <= (teeth[index - 1]?.xMm ?? -Infinity)) {
        context.addIssue({
          code: 'custom',
          path: [index, 'xMm'],
          message: `Tooth ${tooth.tooth} must stand further from the heel than tooth ${index}.`,
        });
      }
    });
  });
