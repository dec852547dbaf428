import { z } from 'zod';
import { GAUGES } from '@odontis/core/gauge/gauges';
import { LEANS, TOOTH_KINDS } from '@odontis/core/saw/tooth-reading';
import { bounded, text, version } from './fields';

/** More teeth than the longest saw of the finest pitch has. */
export const MOST_TEETH = 5000;

export const toothReading = z.object({
  tooth: bounded(1, MOST_TEETH, 'The tooth number', '').int('Teeth are counted whole.'),
  xMm: bounded(-100, 5000, 'The place along the line', 'mm'),
  yMm: bounded(-50, 50, 'The height', 'mm'),
  lean: z.enum(LEANS).nullish(),
  setMm: bounded(-5, 5, 'The set per side', 'mm').nullish(),
  kind: z.enum(TOOTH_KINDS),
  note: text(500, 'The note').nullish(),
});

/** A whole line of readings, heel first, teeth numbered 1, 2, 3 without a gap. */
export const toothReadings = z
  .array(toothReading)
  .max(MOST_TEETH, `A saw has at most ${MOST_TEETH} teeth here.`)
  .superRefine((readings, context) => {
    readings.forEach((reading, index) => {
      if (reading.tooth !== index + 1) {
        context.addIssue({
          code: 'custom',
          path: [index, 'tooth'],
          message: `Tooth ${index + 1} is expected here, heel first, but ${reading.tooth} came. Mark a lost tooth as missing instead of leaving it out.`,
        });
      } else if (index > 0 && reading.xMm <= (readings[index - 1]?.xMm ?? -Infinity)) {
        context.addIssue({
          code: 'custom',
          path: [index, 'xMm'],
          message: `Tooth ${reading.tooth} must stand further from the heel than tooth ${index}.`,
        });
      }
    });
  });

export const MEASURING_KINDS = ['before', 'after'] as const;
export const measuringKind = z.enum(MEASURING_KINDS);
export type MeasuringKind = z.infer<typeof measuringKind>;

export const readingsChange = z.object({
  /** Version of this measuring that was edited; 0 where there was none. */
  version,
  readings: toothReadings,
  /** True moves the ticket on: the line is measured. */
  finish: z.boolean(),
  /** What it was measured with. */
  gauge: z.enum(GAUGES, { error: `The gauge is one of ${GAUGES.join(', ')}.` }).default('straight-edge'),
  /** True begins another sitting: what was measured before stays as it was. */
  anew: z.boolean().default(false),
});
export type ReadingsChange = z.input<typeof readingsChange>;
export type KeptReadings = z.infer<typeof readingsChange>;

export const measuring = z.object({
  id: z.number().int(),
  kind: measuringKind,
  round: z.number().int(),
  sitting: z.number().int(),
  gauge: z.enum(GAUGES),
  version,
  by: z.string(),
  changedAt: z.string(),
  finished: z.boolean(),
  readings: z.array(toothReading),
  /** Values that a correction put out of force, oldest first. */
  was: z.array(toothReading.extend({ by: z.string(), at: z.string() })),
});
export type Measuring = z.infer<typeof measuring>;
