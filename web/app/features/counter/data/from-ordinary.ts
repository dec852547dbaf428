import type { OrdinarySaw } from '@odontis/core/saw/ordinary-saws';
import { countFromPitchMm } from '@odontis/core/units/points';
import type { Saw } from '@odontis/core/saw/saw';
import { teethOf } from '@odontis/core/saw/saw';
import { formatNumber } from '@odontis/core/units/length';
import type { ShopSpeech } from '@odontis/core/units/shop-speech';
import { sayLong, sayPlate } from '@odontis/core/units/shop-speech';
import type { CounterDraft } from './counter-draft';
import type { CountedBy } from './questions';

const plainNumber = (value: number, digits: number): string => formatNumber(value, digits).replace(/\.?0+$/, '');

/** An ordinary saw's sizes as the first words in every field. */
export const fromOrdinary = ({ id, saw }: OrdinarySaw, speech: ShopSpeech): Partial<CounterDraft> => ({
  sawId: null,
  pattern: id,
  family: saw.family,
  parts: partsIn(saw, speech),
  marks: [],
  consents: [],
  wantsFiling: 'as-it-is',
  hardened: '',
  told: wordsOf(saw, speech),
});

/** The words that a saw's measures are typed in, question by question. */
function wordsOf(saw: Saw, speech: ShopSpeech): Record<string, string> {
  const long = (mm: number): string => sayLong(mm, speech);
  const head = {
    sawName: saw.name,
    marksOnIt: saw.marksOnIt,
    thickness: sayPlate(saw.plateThicknessMm, speech),
    filing: saw.filing,
  };
  const counted = (by: CountedBy): Record<string, string> => ({
    countedBy: by,
    count:
      by === 'pitch'
        ? sayPlate(saw.pitchMm, speech)
        : plainNumber(countFromPitchMm(saw.pitchMm, by === 'counted' ? 'teeth' : by), 2),
  });
  const line = {
    toothLine: long(saw.toothLineMm),
    depthHeel: long(saw.plateDepthHeelMm),
    depthToe: long(saw.plateDepthToeMm),
  };
  switch (saw.family) {
    case 'hand':
    case 'back':
      return { ...head, ...line, ...counted(speech.pointConvention), backFixing: saw.backFixing };
    case 'pull':
      return {
        ...head,
        ...line,
        ...counted(speech.pointConvention),
        backFixing: saw.backFixing,
        edges: String(saw.edges),
        hardEdge: saw.hardEdge ?? 'none',
        ...(saw.ripPitchMm !== undefined && {
          ripCount: plainNumber(countFromPitchMm(saw.ripPitchMm, speech.pointConvention), 2),
        }),
      };
    case 'crosscut':
      return {
        ...head,
        ...line,
        ...counted('pitch'),
        kind: saw.kind,
        toothPattern: saw.pattern,
        patternOffset: String(saw.patternOffset ?? 0),
      };
    case 'band':
      return {
        ...head,
        ...counted('teeth'),
        loop: long(saw.toothLineMm),
        width: long(saw.plateDepthHeelMm),
        set: saw.set,
      };
    case 'circular':
    case 'dado':
      return {
        ...head,
        tipped: saw.tipped,
        diameter: long(saw.diameterMm),
        bore: sayPlate(saw.boreMm, speech),
        teeth: String(teethOf(saw)),
        speed: saw.markedLimitRpm === null ? '' : String(saw.markedLimitRpm),
        ...(saw.family === 'circular' && { toothPattern: saw.pattern ?? '' }),
      };
  }
}

const partsIn = (saw: Saw, speech: ShopSpeech): CounterDraft['parts'] =>
  saw.family === 'dado'
    ? saw.parts.map(({ id, kind, teeth, plateMm, cutMm }) => ({
        id,
        kind,
        teeth: String(teeth),
        plate: sayPlate(plateMm, speech),
        cut: sayPlate(cutMm, speech),
      }))
    : [];
