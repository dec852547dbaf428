import type { NewTicket } from '@odontis/contract/ticket';
import type { BackFixing, Filing, StraightFamily, Wood } from '@odontis/core/saw/families';
import type { SawPattern } from '@odontis/core/saw/families';
import type { PointConvention } from '@odontis/core/saw/points';
import type { HardenedAnswer, PlateMark } from '@odontis/core/triage/triage';
import type { LengthUnit } from '@odontis/core/units/length';
import { parseLength } from '@odontis/core/units/length';
import type { ShopSpeech } from '@odontis/core/units/shop-speech';
import { sayLong, sayPlate } from '@odontis/core/units/shop-speech';

/** What has been typed at the counter, as text where it was typed as text. Kept over a reload. */
export interface CounterDraft {
  readonly customerId: number | null;
  readonly customerName: string;
  readonly phone: string;
  readonly email: string;
  readonly sawId: number | null;
  readonly pattern: string;
  readonly sawName: string;
  readonly family: StraightFamily;
  readonly filing: Filing;
  readonly perInch: string;
  readonly convention: PointConvention;
  readonly toothLine: string;
  readonly thickness: string;
  readonly depthHeel: string;
  readonly depthToe: string;
  readonly backFixing: BackFixing;
  readonly marksOnIt: string;
  readonly wood: Wood;
  readonly useRate: 'daily' | 'weekly' | 'seldom';
  readonly complaint: string;
  readonly hardened: HardenedAnswer | '';
  readonly marks: readonly PlateMark[];
  readonly consent: boolean;
  readonly overrideReason: string;
  readonly promisedOn: string;
}

export const emptyDraft = (convention: PointConvention, promisedOn: string): CounterDraft => ({
  customerId: null,
  customerName: '',
  phone: '',
  email: '',
  sawId: null,
  pattern: '',
  sawName: '',
  family: 'back',
  filing: 'rip',
  perInch: '',
  convention,
  toothLine: '',
  thickness: '',
  depthHeel: '',
  depthToe: '',
  backFixing: 'folded',
  marksOnIt: '',
  wood: 'dry-soft',
  useRate: 'weekly',
  complaint: '',
  hardened: '',
  marks: [],
  consent: false,
  overrideReason: '',
  promisedOn,
});

/** A pattern's usual sizes as the first words in every field. */
export const fromPattern = (pattern: SawPattern, speech: ShopSpeech): Partial<CounterDraft> => ({
  sawId: null,
  pattern: pattern.id,
  sawName: pattern.name,
  family: pattern.family,
  filing: pattern.filing,
  perInch: String(speech.pointConvention === 'points' ? pattern.points : pattern.points - 1),
  convention: speech.pointConvention,
  toothLine: sayLong(pattern.toothLineMm, speech),
  thickness: sayPlate(pattern.plateThicknessMm, speech),
  depthHeel: sayLong(pattern.plateDepthHeelMm, speech),
  depthToe: sayLong(pattern.plateDepthToeMm, speech),
  backFixing: pattern.family === 'back' ? 'folded' : 'none',
});

/** mm of a field, NaN where it cannot be read; the contract then says what would be right. */
export function lengthMm(text: string, unit: LengthUnit): number {
  const read = parseLength(text, unit);
  return read.ok ? read.mm : NaN;
}

/** The draft as the contract wants it. Lengths of saws are typed in inches where the shop speaks thou. */
export function toNewTicket(draft: CounterDraft, speech: ShopSpeech, decision: NewTicket['decision']): unknown {
  const unit: LengthUnit = speech.lengthUnit === 'thou' ? 'inch' : 'mm';
  return {
    customer:
      draft.customerId !== null
        ? { id: draft.customerId }
        : { name: draft.customerName, phone: draft.phone, email: draft.email },
    saw:
      draft.sawId !== null
        ? { id: draft.sawId }
        : {
            name: draft.sawName,
            family: draft.family,
            filing: draft.filing,
            perInch: Number(draft.perInch.replace(',', '.').trim() || NaN),
            convention: draft.convention,
            toothLineMm: lengthMm(draft.toothLine, unit),
            plateThicknessMm: lengthMm(draft.thickness, unit),
            plateDepthHeelMm: lengthMm(draft.depthHeel, unit),
            plateDepthToeMm: lengthMm(draft.depthToe, unit),
            backFixing: draft.family === 'hand' ? 'none' : draft.backFixing,
            marksOnIt: draft.marksOnIt,
          },
    intake: {
      wood: draft.wood,
      useRate: draft.useRate,
      complaint: draft.complaint,
      hardened: draft.hardened === '' ? undefined : draft.hardened,
      marks: draft.marks,
      consent: draft.consent,
      overrideReason: draft.overrideReason,
      promisedOn: draft.promisedOn,
    },
    decision,
  };
}

const KEY = 'odontis.counter';

export function recallDraft(): CounterDraft | null {
  try {
    const text = sessionStorage.getItem(KEY);
    return text === null ? null : (JSON.parse(text) as CounterDraft);
  } catch {
    return null;
  }
}

export function keepDraft(draft: CounterDraft | null): void {
  try {
    if (draft === null) sessionStorage.removeItem(KEY);
    else sessionStorage.setItem(KEY, JSON.stringify(draft));
  } catch {
    // Without storage a reload begins anew.
  }
}
