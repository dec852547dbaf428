import type { PointConvention } from './points';
import { countFromPitchMm } from './points';
import type { FleamSpeech, RakeSpeech } from './angle';
import { formatFleam, formatRake } from './angle';
import { formatLength, formatNumber } from './length';

/** How a shop says its numbers. */
export interface ShopSpeech {
  readonly lengthUnit: 'thou' | 'mm';
  readonly pointConvention: PointConvention;
  readonly rakeSpeech: RakeSpeech;
  readonly fleamSpeech: FleamSpeech;
}

/** Heights, set and depths: "4.0 thou" or "0.102 mm". */
export const sayFine = (mm: number, speech: ShopSpeech): string => formatLength(mm, speech.lengthUnit);

/** Lengths of saws and plates: "10.0 in" or "254 mm". */
export const sayLong = (mm: number, speech: ShopSpeech): string =>
  speech.lengthUnit === 'thou' ? formatLength(mm, 'inch', 1) : formatLength(mm, 'mm', 0);

/** Plate thickness: "0.025 in" or "0.64 mm". */
export const sayPlate = (mm: number, speech: ShopSpeech): string =>
  speech.lengthUnit === 'thou' ? formatLength(mm, 'inch', 3) : formatLength(mm, 'mm', 2);

/** "15 points" or "14 teeth to the inch". */
export const sayPitch = (pitchMm: number, speech: ShopSpeech): string => {
  const count = formatNumber(countFromPitchMm(pitchMm, speech.pointConvention), 1).replace(/\.0$/, '');
  return speech.pointConvention === 'points' ? `${count} points` : `${count} teeth to the inch`;
};

export const sayRake = (deg: number, speech: ShopSpeech): string => formatRake(deg, speech.rakeSpeech);
export const sayFleam = (deg: number, speech: ShopSpeech): string =>
  deg === 0 ? 'square across' : formatFleam(deg, speech.fleamSpeech);

/** Fleam said both ways at once: "25° off square, 65° to the plate". */
export const sayBothFleams = (deg: number): string =>
  Number(deg.toFixed(1)) === 0
    ? 'square across, 90° to the plate'
    : `${formatFleam(deg, 'off-square').replace(' fleam', '')} off square, ${formatFleam(deg, 'to-plate')}`;
