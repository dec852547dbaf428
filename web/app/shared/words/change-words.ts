import type { ChangeKind } from '@odontis/contract/changes';

/** What was changed, in words. */
export const CHANGE_WORDS: Readonly<Record<ChangeKind, string>> = {
  'person-added': 'somebody added',
  'person-changed': 'somebody’s part in the shop',
  'password-set': 'a password',
  'code-set': 'a code',
  'device-trusted': 'a screen let in',
  'device-ended': 'a screen let in no more',
  'book-changed': 'shop book',
  'customer-forgotten': 'a customer taken out',
  'customers-merged': 'two customers made one',
  'photograph-removed': 'a photograph removed',
  'readings-corrected': 'readings corrected',
  exported: 'data taken out',
  'copy-made': 'a copy of the shop',
};
