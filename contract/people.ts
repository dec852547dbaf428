import * as z from 'zod';
import { calibrationReading } from '@odontis/core/calibration/hand';
import { placeKeeping, USUAL_PLACE_KEEPING } from '@odontis/core/work/place-keeping';
import { requiredText, uuid } from './fields';
import { role } from './roles';
import { newCode, newPassword, PASSWORD_SIGNS } from './secrets';

export const newPerson = z.object({
  name: requiredText(120, 'The name'),
  initials: requiredText(4, 'The initials'),
  role,
});
export type NewPerson = z.infer<typeof newPerson>;

/** Somebody of the shop, with everything measured of their hand: `handOf` says what it comes to. */
export const person = newPerson.extend({
  id: z.number().int(),
  calibrations: z.array(calibrationReading),
  /** How they keep the place at the vise. */
  place: placeKeeping.default(USUAL_PLACE_KEEPING),
  /** Somebody who left is let in nowhere; what they did keeps their name. */
  here: z.boolean(),
  hasPassword: z.boolean(),
  hasCode: z.boolean(),
});
export type Person = z.infer<typeof person>;

/** A reading of a hand; its key is made on the screen, so that one sent twice counts once. */
export const newCalibration = z.object({
  key: uuid('A reading needs a key of its own.'),
  reading: calibrationReading,
});
export type NewCalibration = z.infer<typeof newCalibration>;

/** What an owner says of somebody of the shop. */
export const personChange = newPerson.extend({ here: z.boolean() });
export type PersonChange = z.infer<typeof personChange>;

/** What one has now, to say that it is oneself who asks; empty of somebody of the demo, who has none. */
const ownPassword = z.string({ error: 'Your own password is missing.' }).max(PASSWORD_SIGNS.most);

/** A password chosen, by oneself or by an owner for somebody else. */
export const passwordChange = z.object({ password: newPassword, own: ownPassword });
export type PasswordChange = z.infer<typeof passwordChange>;

/** A code for changing over, chosen by oneself with one's password; null takes it away. */
export const codeChange = z.object({ code: newCode.nullable(), own: ownPassword });
export type CodeChange = z.infer<typeof codeChange>;
