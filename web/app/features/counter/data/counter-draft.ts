import type { SawFacts } from '@odontis/contract/saw';
import { describeSaw, newSaw } from '@odontis/contract/saw';
import type { NewTicket } from '@odontis/contract/ticket';
import type { Answered } from '@odontis/core/counter/judge-intake';
import type { Family } from '@odontis/core/saw/all-families';
import { pitchFromCounted } from '@odontis/core/saw/all-families';
import type { Wood } from '@odontis/core/saw/families';
import type { AnyPattern } from '@odontis/core/saw/patterns';
import { countFromPitchMm, pitchMmFromCount } from '@odontis/core/saw/points';
import type { PlateMark } from '@odontis/core/triage/plate-marks';
import type { Grain, HardenedAnswer, LineLook, WantedFiling } from '@odontis/core/triage/triage';
import { formatNumber, parseLength } from '@odontis/core/units/length';
import type { LengthUnit } from '@odontis/core/units/length';
import type { ShopSpeech } from '@odontis/core/units/shop-speech';
import { sayLong, sayPlate } from '@odontis/core/units/shop-speech';
import type { CountedBy } from './questions';

/** A part of a set as typed. */
export interface DraftPart {
  readonly id: string;
  readonly kind: 'outer' | 'chipper' | 'shim';
  readonly teeth: string;
  readonly plate: string;
  readonly cut: string;
}

/** What has been typed at the counter, as text where it was typed as text. Kept over a reload and a closed window. */
export interface CounterDraft {
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
  readonly family: Family | '';
  /** A family's own answers by question; what is not a question of the family is not looked at. */
  readonly told: Readonly<Record<string, string>>;
  readonly parts: readonly DraftPart[];
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

/** Lengths of saws are typed in inches where the shop speaks thou. */
const unitOf = (speech: ShopSpeech): LengthUnit => (speech.lengthUnit === 'thou' ? 'inch' : 'mm');

const plainNumber = (value: number, digits: number): string => formatNumber(value, digits).replace(/\.?0+$/, '');

/** A pattern's usual sizes as the first words in every field. */
export function fromPattern(pattern: AnyPattern, speech: ShopSpeech): Partial<CounterDraft> {
  const long = (mm: number): string => sayLong(mm, speech);
  const plate = sayPlate(pattern.plateThicknessMm, speech);
  const common = {
    sawId: null,
    pattern: pattern.id,
    family: pattern.family,
    parts: [],
    marks: [],
    consents: [],
    wantsFiling: 'as-it-is' as const,
    hardened: '' as const,
  };
  const told: Record<string, string> = { sawName: pattern.name, marksOnIt: '', thickness: plate };
  if ('toothLineMm' in pattern) {
    told['toothLine'] = long(pattern.toothLineMm);
    told['depthHeel'] = long(pattern.plateDepthHeelMm);
    told['depthToe'] = long(pattern.plateDepthToeMm);
  }
  if ('points' in pattern) {
    told['countedBy'] = speech.pointConvention;
    told['count'] = String(speech.pointConvention === 'points' ? pattern.points : pattern.points - 1);
  } else if ('pitchMm' in pattern) {
    told['countedBy'] = pattern.family === 'band' ? 'teeth' : 'pitch';
    told['count'] =
      pattern.family === 'band'
        ? plainNumber(countFromPitchMm(pattern.pitchMm, 'teeth'), 2)
        : sayPlate(pattern.pitchMm, speech);
  }
  switch (pattern.family) {
    case 'hand':
      return { ...common, told: { ...told, filing: pattern.filing } };
    case 'back':
      return { ...common, told: { ...told, filing: pattern.filing, backFixing: 'folded' } };
    case 'pull':
      return {
        ...common,
        told: {
          ...told,
          filing: pattern.filing,
          edges: String(pattern.edges),
          backFixing: pattern.backed ? 'folded' : 'none',
        },
      };
    case 'crosscut':
      return { ...common, told: { ...told, filing: 'crosscut', kind: pattern.kind, toothPattern: pattern.pattern } };
    case 'band':
      return {
        ...common,
        told: { ...told, loop: long(pattern.loopMm), width: long(pattern.widthMm), set: 'alternate' },
      };
    case 'circular':
      return {
        ...common,
        ...(pattern.tipped === 'carbide' && { hardened: 'no' as const }),
        told: {
          ...told,
          filing: pattern.filing,
          tipped: pattern.tipped,
          diameter: long(pattern.diameterMm),
          bore: sayPlate(pattern.boreMm, speech),
          teeth: String(pattern.teeth),
          speed: '',
        },
      };
    case 'dado':
      return {
        ...common,
        told: {
          ...told,
          tipped: 'steel',
          diameter: long(pattern.diameterMm),
          bore: sayPlate(pattern.boreMm, speech),
          speed: '',
        },
        parts: pattern.parts.map(({ id, kind, teeth, plateMm, cutMm }) => ({
          id,
          kind,
          teeth: String(teeth),
          plate: sayPlate(plateMm, speech),
          cut: sayPlate(cutMm, speech),
        })),
      };
  }
}

/** mm of a field, NaN where it cannot be read; the contract then says what would be right. */
export function lengthMm(text: string, unit: LengthUnit): number {
  const read = parseLength(text, unit);
  return read.ok ? read.mm : NaN;
}

const plain = (text: string | undefined): number => Number((text ?? '').replace(',', '.').trim() || NaN);

/** Pitch of the teeth as counted, whichever way; NaN where that cannot be told yet. mm. */
function pitchOf(draft: CounterDraft, family: Family, lineMm: number, unit: LengthUnit): number {
  const { count = '', countedBy = 'points' } = draft.told;
  const by = countedBy as CountedBy;
  if (by === 'pitch') return lengthMm(count, unit);
  const value = plain(count);
  if (by === 'counted') return value >= 2 && lineMm > 0 ? pitchFromCounted(family, lineMm, value) : NaN;
  return value > (by === 'points' ? 1 : 0) ? pitchMmFromCount(value, by) : NaN;
}

/** The saw as the contract wants it told; numbers that cannot be read are NaN, which the contract refuses with a sentence. */
export function toldSaw(draft: CounterDraft, speech: ShopSpeech): unknown {
  if (draft.family === '') return undefined;
  const unit = unitOf(speech);
  const { told, family } = draft;
  const mm = (key: string): number => lengthMm(told[key] ?? '', unit);
  const head = { family, name: told['sawName'] ?? '', marksOnIt: told['marksOnIt'] ?? '' };
  const plate = {
    plateThicknessMm: mm('thickness'),
    plateDepthHeelMm: mm('depthHeel'),
    plateDepthToeMm: mm('depthToe'),
  };
  const speed = (told['speed'] ?? '').trim();
  const blade = {
    diameterMm: mm('diameter'),
    boreMm: mm('bore'),
    tipped: told['tipped'],
    markedLimitRpm: speed === '' ? null : plain(speed.replace(/[\s,.'’](?=\d{3}\b)/g, '')),
  };
  const pitch = (lineMm: number): number => pitchOf(draft, family, lineMm, unit);
  switch (family) {
    case 'hand':
    case 'back':
    case 'pull': {
      const toothLineMm = mm('toothLine');
      const asTyped = told['countedBy'] === 'points' || told['countedBy'] === 'teeth';
      const pitchMm = pitch(toothLineMm);
      return {
        ...head,
        ...plate,
        toothLineMm,
        filing: told['filing'],
        backFixing: family === 'hand' ? 'none' : told['backFixing'],
        convention: asTyped ? told['countedBy'] : speech.pointConvention,
        perInch: asTyped ? plain(told['count']) : pitchMm > 0 ? countFromPitchMm(pitchMm, speech.pointConvention) : NaN,
        ...(family === 'pull' && { edges: plain(told['edges']) }),
      };
    }
    case 'crosscut': {
      const toothLineMm = mm('toothLine');
      const pattern = (told['toothPattern'] ?? '').replace(/\s+/g, '').toUpperCase();
      return {
        ...head,
        ...plate,
        toothLineMm,
        filing: told['filing'],
        kind: told['kind'],
        pattern,
        pitchMm: pitch(toothLineMm),
      };
    }
    case 'band': {
      const loopMm = mm('loop');
      return {
        ...head,
        loopMm,
        widthMm: mm('width'),
        pitchMm: pitch(loopMm),
        set: told['set'],
        plateThicknessMm: plate.plateThicknessMm,
      };
    }
    case 'circular':
      return {
        ...head,
        ...blade,
        filing: told['filing'],
        teeth: plain(told['teeth']),
        plateThicknessMm: plate.plateThicknessMm,
      };
    case 'dado':
      return {
        ...head,
        ...blade,
        parts: draft.parts.map((part) => ({
          id: part.id,
          kind: part.kind,
          teeth: part.kind === 'shim' ? 0 : plain(part.teeth),
          plateMm: lengthMm(part.plate, unit),
          cutMm: part.kind === 'shim' ? lengthMm(part.plate, unit) : lengthMm(part.cut, unit),
        })),
      };
  }
}

/** The saw as it would be kept, when what was told of it holds together. */
export function sawTold(draft: CounterDraft, speech: ShopSpeech): SawFacts | null {
  const read = newSaw.safeParse(toldSaw(draft, speech));
  return read.success ? describeSaw(read.data) : null;
}

export const replacementOf = (draft: CounterDraft): number | null => {
  const value = plain(draft.replacement.replace(/[^\d.,]/g, ''));
  return value > 0 ? value : null;
};

/** What was answered, for the judgement. */
export const answeredOf = (draft: CounterDraft): Answered => ({
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
    saw: draft.sawId !== null ? { id: draft.sawId } : toldSaw(draft, speech),
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
