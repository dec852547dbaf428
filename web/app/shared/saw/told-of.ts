import { countFromPitchMm } from '@odontis/core/units/points';
import type { Saw } from '@odontis/core/saw/saw';
import { teethOf } from '@odontis/core/saw/saw';
import type { ToeZone } from '@odontis/core/saw/zones';
import { formatNumber } from '@odontis/core/units/length';
import type { ShopSpeech } from '@odontis/core/units/shop-speech';
import { sayLong, sayPlate } from '@odontis/core/units/shop-speech';
import type { CountedBy } from './questions';
import type { SawTold } from './saw-told';

const plainNumber = (value: number, digits: number): string => formatNumber(value, digits).replace(/\.?0+$/, '');

/** A saw as somebody would have typed it; read again it is the same but for the last digits of its measures. */
export const toldOf = (saw: Saw, speech: ShopSpeech): SawTold => ({
  family: saw.family,
  told: wordsOf(saw, speech),
  parts: partsIn(saw, speech),
});

/** Starter teeth as they are typed; nothing where there are none. */
function toeWords(toe: ToeZone | undefined, speech: ShopSpeech): Record<string, string> {
  if (!toe) return {};
  const count = (pitchMm: number): string => plainNumber(countFromPitchMm(pitchMm, speech.pointConvention), 2);
  return {
    toeTeeth: String(toe.teeth),
    toeCount: count(toe.pitchFromMm),
    toeCountEnd: toe.pitchToMm === toe.pitchFromMm ? '' : count(toe.pitchToMm),
    toeRelax: toe.relaxFromDeg === 0 ? '' : plainNumber(toe.relaxFromDeg, 1),
  };
}

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
      return {
        ...head,
        ...line,
        ...counted(speech.pointConvention),
        backFixing: saw.backFixing,
        ...toeWords(saw.toeZones?.[0], speech),
      };
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

const partsIn = (saw: Saw, speech: ShopSpeech): SawTold['parts'] =>
  saw.family === 'dado'
    ? saw.parts.map(({ id, kind, teeth, plateMm, cutMm }) => ({
        id,
        kind,
        teeth: String(teeth),
        plate: sayPlate(plateMm, speech),
        cut: sayPlate(cutMm, speech),
      }))
    : [];
