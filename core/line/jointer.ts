import type { Reason } from '../reason/reason';
import { because, input } from '../reason/reason';
import { sagittaMm } from './sagitta';

/** Shoe to shoe of a jointer nobody measured yet. Judgement, no source. mm. */
export const USUAL_SHOES_MM = 200;

/** How a jointer's file is bent to a breasted line. mm. */
export interface JointerBend {
  readonly shoesMm: number;
  /** At the middle, off the straight between the shoes: what a feeler there must fill. */
  readonly bendMm: number;
  readonly reason: Reason;
}

/**
 * Bend of the file over the jointer's own two shoes, s apart, for an arc of radius R: both shoes
 * ride the line, so the file between them must follow R - sqrt(R^2 - s^2 / 4) (geometry section 5,
 * the chord of a circle). Null radius: a straight line, no bend. mm. RangeError on shoes farther
 * apart than the arc is wide. Example: R 5000, s 200 -> 1.000 mm.
 */
export function jointerBend(radiusMm: number | null, shoesMm: number): JointerBend {
  const bendMm = radiusMm === null ? 0 : sagittaMm(shoesMm, radiusMm);
  return {
    shoesMm,
    bendMm,
    reason: because(
      'Bend of the jointer’s file',
      'R − √(R² − s² ÷ 4), s from shoe to shoe',
      [
        input('radius of the line', radiusMm ?? 'straight', radiusMm === null ? 'text' : 'mm'),
        input('shoe to shoe', shoesMm, 'mm'),
      ],
      'geometry section 5, the chord of a circle',
      'A straight file on a breasted line takes its middle down; one bent too far takes the ends.',
    ),
  };
}
