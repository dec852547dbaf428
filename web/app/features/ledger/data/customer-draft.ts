import type { Contact, CustomerPage } from '@odontis/contract/customer';

/** A customer's details as they are being changed. */
export interface CustomerDraft {
  readonly name: string;
  readonly phone: string;
  readonly email: string;
  readonly business: boolean;
  readonly note: string;
  readonly contacts: readonly Contact[];
}

export const draftOf = ({ name, phone, email, business, note, contacts }: CustomerPage): CustomerDraft => ({
  name,
  phone,
  email,
  business,
  note,
  contacts,
});

const said = (draft: CustomerDraft): Record<string, string> => ({
  Name: draft.name,
  Telephone: draft.phone,
  'E-mail': draft.email,
  Business: draft.business ? 'yes' : 'no',
  Note: draft.note,
  Contacts: draft.contacts.map((c) => [c.name, c.phone, c.email].filter((t) => t !== '').join(' ')).join('; '),
});

/** What differs between two versions of one customer, in words. */
export function differencesOf(
  mine: CustomerDraft,
  theirs: CustomerDraft,
): { what: string; mine: string; theirs: string }[] {
  const [own, other] = [said(mine), said(theirs)];
  return Object.keys(own)
    .filter((what) => own[what] !== other[what])
    .map((what) => ({ what, mine: own[what] as string, theirs: other[what] as string }));
}
