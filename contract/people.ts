import { z } from 'zod';
import { calibrationReading } from '@odontis/core/calibration/hand';
import { requiredText, uuid } from './fields';

export const newPerson = z.object({
  name: requiredText(120, 'The name'),
  initials: requiredText(4, 'The initials'),
});
export type NewPerson = z.infer<typeof newPerson>;

/** Somebody of the shop, with everything measured of their hand: `handOf` says what it comes to. */
export const person = newPerson.extend({ id: z.number().int(), calibrations: z.array(calibrationReading) });
export type Person = z.infer<typeof person>;

/** A reading of a hand; its key is made on the screen, so that one sent twice counts once. */
export const newCalibration = z.object({
  key: uuid('A reading needs a key of its own.'),
  reading: calibrationReading,
});
export type NewCalibration = z.infer<typeof newCalibration>;
