import { cosDeg, radians } from '../units/radians';
import type { FileSectionId } from './file-section';
import { cornerDeg } from './file-section';

/**
 * A file's section where the middle of the plate cuts it, from its corner down in the gullet: along the face
 * (-F sin a / cos f, F cos a), along the back (F sin b / cos f, F cos b); a the roll, b the section less the roll,
 * f the fleam, which stretches it along the saw; 0 shows it square across the file. mm, x heel to toe, y up, the
 * corner first at 0. RangeError for a file without a corner.
 */
export function fileOutline(
  section: FileSectionId,
  { rollDeg, fleamDeg, faceMm }: { readonly rollDeg: number; readonly fleamDeg: number; readonly faceMm: number },
): readonly (readonly [xMm: number, yMm: number])[] {
  const side = (deg: number, way: 1 | -1): readonly [number, number] => [
    (way * faceMm * Math.sin(radians(deg))) / cosDeg(fleamDeg),
    faceMm * cosDeg(deg),
  ];
  const [onFace, onBack] = [side(rollDeg, -1), side(cornerDeg(section) - rollDeg, 1)];
  const far = [onFace[0] + onBack[0], onFace[1] + onBack[1]] as const;
  return section === 'taper' ? [[0, 0], onFace, onBack] : [[0, 0], onFace, far, onBack];
}
