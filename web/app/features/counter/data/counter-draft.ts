import type { Answered } from '@odontis/core/shop/judge-intake';
import type { Wood } from '@odontis/core/saw/families';
import type { PlateMark } from '@odontis/core/saw/plate-marks';
import type { Grain, HardenedAnswer, LineLook, WantedFiling } from '@odontis/core/judgement/triage';
import { plain } from '../../../shared/saw/plain-number';
import type { SawTold } from '../../../shared/saw/saw-told';

/** What has been typed at the counter, as text where it was typed as text. Kept over a reload and a closed window. */
export interface CounterDraft extends SawTold {
  /** This intake's own key: sent twice it opens one ticket. */
  readonly key: string;
  /** The visit it is part of, once a first saw of it is in the book. */
  readonly arrival: number | null;
  readonly customerId: number | null;
  readonly customerName: string;
  readonly phone: string;
  readonly email: string;
  readonly sawId: number | null;
  readonly pattern: string;
  readonly wood: Wood;
  readonly useRate: 'daily' | 'weekly' | 'seldom';
  readonly complaint: string;
  readonly hardened: HardenedAnswer | '';
  readonly marks: readonly PlateMark[];
  readonly lineLook: LineLook;
  readonly grain: Grain;
  readonly wantsFiling: WantedFiling;
  readonly etch: boolean;
  readonly collectible: boolean;
  readonly replacement: string;
  readonly consents: readonly string[];
  readonly overrideReason: string;
  /** Empty until a day was chosen by hand: then the earliest honest one is meant. */
  readonly promisedOn: string;
}

export const emptyDraft = (): CounterDraft => ({
  key: crypto.randomUUID(),
  arrival: null,
  customerId: null,
  customerName: '',
  phone: '',
  email: '',
  sawId: null,
  pattern: '',
  family: '',
  told: {},
  parts: [],
  wood: 'dry-soft',
  useRate: 'weekly',
  complaint: '',
  hardened: '',
  marks: [],
  lineLook: 'not-looked',
  grain: 'unsaid',
  wantsFiling: 'as-it-is',
  etch: false,
  collectible: false,
  replacement: '',
  consents: [],
  overrideReason: '',
  promisedOn: '',
});

/** Another saw of the same customer on the same visit. */
export const nextSaw = (draft: CounterDraft, arrival: number, customerId: number): CounterDraft => ({
  ...emptyDraft(),
  arrival,
  customerId,
  customerName: draft.customerName,
  phone: draft.phone,
  email: draft.email,
  wood: draft.wood,
  useRate: draft.useRate,
});

export const replacementOf = (draft: CounterDraft): number | null => {
  const value = plain(draft.replacement.replace(/[^\d.,]/g, ''));
  return value > 0 ? value : null;
};

/** What was answered, for the judgement. */
export const answeredOf = (draft: CounterDraft): Answered => ({
  wood: draft.wood,
  hardened: draft.hardened === '' ? 'unsure' : draft.hardened,
  marks: draft.marks,
  lineLook: draft.lineLook,
  grain: draft.grain,
  wantsFiling: draft.wantsFiling,
  etch: draft.etch,
  collectible: draft.collectible,
  useRate: draft.useRate,
  replacement: replacementOf(draft),
});
