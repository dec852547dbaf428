import type { SawFacts } from '@odontis/contract/saw';
import { describeSaw } from '@odontis/contract/saw';
import { newSaw } from '@odontis/contract/new-saw';
import type { Family } from '@odontis/core/saw/all-families';
import { pitchFromCounted } from '@odontis/core/saw/all-families';
import { countFromPitchMm, pitchMmFromCount } from '@odontis/core/saw/points';
import type { LengthUnit } from '@odontis/core/units/length';
import { parseLength } from '@odontis/core/units/length';
import type { ShopSpeech } from '@odontis/core/units/shop-speech';
import type { CounterDraft } from './counter-draft';
import type { CountedBy } from './questions';

/** Lengths of saws are typed in inches where the shop speaks thou. */
const unitOf = (speech: ShopSpeech): LengthUnit => (speech.lengthUnit === 'thou' ? 'inch' : 'mm');

/** mm of a field, NaN where it cannot be read; the contract then says what would be right. */
export function lengthMm(text: string, unit: LengthUnit): number {
  const read = parseLength(text, unit);
  return read.ok ? read.mm : NaN;
}

/** A plain number of a field, a decimal comma read as one; NaN where it is none. */
export const plain = (text: string | undefined): number => Number((text ?? '').replace(',', '.').trim() || NaN);

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
