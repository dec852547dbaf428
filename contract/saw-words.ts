import type { ShopSpeech } from '@odontis/core/units/shop-speech';
import { sayLong, sayPitch } from '@odontis/core/units/shop-speech';
import { toeTeeth } from '@odontis/core/saw/zones';
import type { Saw } from '@odontis/core/saw/saw';
import { teethOf, toeZonesOf } from '@odontis/core/saw/saw';

/** What a saw of each family is called on paper. */
export const FAMILY_WORDS: Readonly<Record<Saw['family'], string>> = {
  hand: 'hand saw',
  back: 'back saw',
  pull: 'pull saw',
  crosscut: 'crosscut saw',
  band: 'band',
  circular: 'circular blade',
  dado: 'dado set',
};

const starters = (saw: Saw): string => {
  const teeth = toeTeeth(toeZonesOf(saw));
  return teeth === 0 ? '' : `, ${teeth} starter teeth`;
};

/** A saw's kind and size in the shop's own words, for a head line, a tag or a report. */
export function sawInWords(saw: Saw, speech: ShopSpeech): string {
  const long = sayLong(saw.toothLineMm, speech);
  const pitch = sayPitch(saw.pitchMm, speech);
  switch (saw.family) {
    case 'hand':
    case 'back':
      return `${saw.filing}, ${pitch}, ${long}${starters(saw)}`;
    case 'pull':
      return `${saw.edges === 2 ? 'two-edged' : saw.filing}, ${pitch}, ${long}`;
    case 'crosscut':
      return `${saw.pattern === 'C' ? 'plain teeth' : saw.pattern}, ${long}`;
    case 'band':
      return `${long} round, ${sayLong(saw.plateDepthHeelMm, speech)} wide, ${teethOf(saw)} teeth`;
    case 'circular':
      return `${sayLong(saw.diameterMm, speech)}, ${teethOf(saw)} teeth, ${saw.tipped === 'carbide' ? 'carbide' : saw.filing}`;
    case 'dado':
      return `${sayLong(saw.diameterMm, speech)}, ${saw.parts.length} parts`;
  }
}
