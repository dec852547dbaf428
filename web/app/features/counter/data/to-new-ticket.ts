import type { NewTicket } from '@odontis/contract/ticket';
import type { ShopSpeech } from '@odontis/core/units/shop-speech';
import type { CounterDraft } from './counter-draft';
import { answeredOf } from './counter-draft';
import { readSaw } from '../../../shared/saw/read-saw';

/** The draft as the contract wants it. */
export function toNewTicket(
  draft: CounterDraft,
  speech: ShopSpeech,
  decision: NewTicket['decision'],
  promisedOn: string,
): unknown {
  return {
    key: draft.key,
    ...(draft.arrival !== null && { arrival: draft.arrival }),
    customer:
      draft.customerId !== null
        ? { id: draft.customerId }
        : { name: draft.customerName, phone: draft.phone, email: draft.email },
    saw: draft.sawId !== null ? { id: draft.sawId } : readSaw(draft, speech),
    intake: {
      ...answeredOf(draft),
      hardened: draft.hardened === '' ? undefined : draft.hardened,
      wood: draft.wood,
      complaint: draft.complaint,
      consents: draft.consents,
      overrideReason: draft.overrideReason,
      promisedOn: draft.promisedOn === '' ? promisedOn : draft.promisedOn,
    },
    decision,
  };
}
