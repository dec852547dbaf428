import * as z from 'zod';

/** What a person of the shop does there; each may do all that those before it may. */
export const ROLES = ['counter', 'filer', 'owner'] as const;
export const role = z.enum(ROLES, { error: 'Somebody of the shop is at the counter, a filer or an owner.' });
export type Role = z.infer<typeof role>;

/** Whether somebody of this role may do what asks for that one. */
export const mayAs = (is: Role, asked: Role): boolean => ROLES.indexOf(is) >= ROLES.indexOf(asked);
