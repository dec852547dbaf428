import * as z from 'zod';
import { recordId, requiredText, uuid } from './fields';
import { role } from './roles';
import { newPassword, typedSecret } from './secrets';

/** The cookie that scripts can read, and the header they repeat it in: a page of others can do neither. */
export const CSRF_COOKIE = 'odontis-csrf';
export const CSRF_HEADER = 'x-odontis-csrf';
/** In whose sitting something was done that is sent later: presses and readings that waited. */
export const SITTING_HEADER = 'x-odontis-sitting';

/** How somebody is let in at a screen that is known: by a code, by the password, or (in the demo) by a press. */
const opensBy = z.enum(['code', 'password', 'press']);

/** Somebody to be chosen at the door. */
export const atTheDoor = z.object({
  id: z.int(),
  name: z.string(),
  initials: z.string(),
  role,
  opensBy,
});
export type AtTheDoor = z.infer<typeof atTheDoor>;

/** Who is in, at which screen, since when: what is done belongs to this sitting. */
export const sitting = z.object({
  key: z.uuid(),
  personId: z.int(),
  name: z.string(),
  role,
  device: z.object({ id: z.int(), name: z.string() }),
});
export type Sitting = z.infer<typeof sitting>;

/**
 * How the door stands for the browser that asks. `first`: nobody has a password yet, and this is the shop's own
 * computer; `stranger`: a screen that nobody was let in at; `locked`: a known one where somebody is to say who
 * they are; `open`: somebody is in.
 */
export const doorState = z.object({
  state: z.enum(['first', 'stranger', 'locked', 'open']),
  /** A made-up shop to look at: anybody is let in by a press. */
  demo: z.boolean(),
  /** Told to known screens and in the demo; strangers learn nobody's name. */
  people: atTheDoor.array(),
  here: sitting.nullable(),
  /** After so many minutes without a hand on it the screen locks; null, never. */
  lockAfterMinutes: z.number().nullable(),
  /** Whether this shop makes its certificates itself, and has a page by which a tablet comes to trust them. */
  trustPage: z.boolean(),
});
export type DoorState = z.infer<typeof doorState>;

const deviceName = requiredText(60, 'The screen’s name');

/** The first owner of a shop: somebody new, or one of a shop that is older than its door. */
export const firstOwner = z.object({
  name: requiredText(120, 'The name'),
  initials: requiredText(4, 'The initials'),
  password: newPassword,
  device: deviceName,
});
export type FirstOwner = z.infer<typeof firstOwner>;

/** Let in at a new screen. */
export const signIn = z.object({
  name: requiredText(120, 'The name'),
  password: typedSecret,
  device: deviceName,
});
export type SignIn = z.infer<typeof signIn>;

/** Let into the demo, or changed over in it. */
export const demoSignIn = z.object({ personId: recordId });
export type DemoSignIn = z.infer<typeof demoSignIn>;

/** Another person, or the same one again, at a screen that is known; by code or password, as they are let in. */
export const changeOver = z.object({ personId: recordId, secret: typedSecret });
export type ChangeOver = z.infer<typeof changeOver>;

/** A screen somebody let in. */
export const device = z.object({
  id: z.int(),
  name: z.string(),
  trustedBy: z.string(),
  trustedAt: z.string(),
  seenAt: z.string(),
  /** Who is in at it now. */
  person: z.string().nullable(),
  locked: z.boolean(),
  /** The one that asks. */
  own: z.boolean(),
});
export type Device = z.infer<typeof device>;
export const devices = device.array();

export const sittingKey = uuid('A sitting is named by its key.');
