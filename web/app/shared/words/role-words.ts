import type { Role } from '@odontis/contract/roles';

/** What somebody of the shop does there, in words. */
export const ROLE_WORDS: Readonly<Record<Role, string>> = { counter: 'counter', filer: 'filer', owner: 'owner' };
