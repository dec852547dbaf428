import type { AnyPattern } from '@odontis/core/saw/patterns';
import { countFromPitchMm } from '@odontis/core/saw/points';
import { formatNumber } from '@odontis/core/units/length';
import type { ShopSpeech } from '@odontis/core/units/shop-speech';
import { sayLong, sayPlate } from '@odontis/core/units/shop-speech';
import type { CounterDraft } from './counter-draft';

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
