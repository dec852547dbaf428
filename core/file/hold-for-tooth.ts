import { atanDeg, cosDeg, radians, tanDeg } from '../units/radians';
import type { FileSectionId } from './file-section';
import { cornerDeg } from './file-section';
import type { SlopedHold } from './slope-planes';
import { slopedTooth } from './slope-planes';

/** A tooth as it is wanted. Rake is signed: negative leans back. Degrees. */
export interface WantedTooth {
  readonly rakeDeg: number;
  readonly fleamDeg: number;
  readonly slopeDeg: number;
  readonly section: FileSectionId;
}

/** How the file is to be held so that it comes out. */
export interface FileSetting {
  readonly hold: SlopedHold;
  /** `along` the cutting direction or `against` it; `across` when fleam is 0. One word for push and pull saws. */
  readonly tipTowards: 'along' | 'against' | 'across';
  /** How far the handle's end lies below the file's middle, mm. */
  readonly handleLowMm: number;
  /** How far the handle's end lies beside the square line through the gullet, mm, to the other end than the tip. */
  readonly handleAsideMm: number;
}

/**
 * The inverse of {@link slopedTooth}: the roll a that leaves the wanted rake,
 *
 *     tan a = tan A cos f / (cos g + s tan A sin f sin g),   A = -rake
 *
 * which is tan A = tan a cos g / (cos f - s sin f sin g tan a) solved for a
 * (geometry section 2). Where the handle's end comes to: half a file's length
 * L down the axis, L/2 sin g low and L/2 cos g sin f aside. Throws RangeError when
 * no roll gives it or the back would lie past level. Pull saws are mirror
 * images, so the same numbers serve, said along and against the cut.
 */
export function holdForTooth(wanted: WantedTooth, tip: 1 | -1, fileLengthMm: number): FileSetting {
  const { rakeDeg, fleamDeg, slopeDeg, section } = wanted;
  if (!(Math.abs(rakeDeg) < 90)) throw new RangeError('Rake must lie between -90 and 90 degrees.');
  if (!(fleamDeg >= 0 && fleamDeg < 90)) throw new RangeError('Fleam must be from 0 to below 90 degrees.');
  if (!(slopeDeg >= 0 && slopeDeg < 90)) throw new RangeError('Slope must be from 0 to below 90 degrees.');
  const tanFace = tanDeg(0 - rakeDeg);
  const turn = tip * Math.sin(radians(fleamDeg)) * Math.sin(radians(slopeDeg));
  const below = cosDeg(slopeDeg) + turn * tanFace;
  if (!(below > 0)) throw new RangeError('No roll of the file leaves that rake at this slope.');
  const rollDeg = atanDeg((tanFace * cosDeg(fleamDeg)) / below);
  const hold: SlopedHold = { rollDeg, fleamDeg, slopeDeg, sectionDeg: cornerDeg(section), tip };
  if (!(hold.sectionDeg - rollDeg < 90)) throw new RangeError('The file’s other face would lie past level.');
  slopedTooth(hold);
  return {
    hold,
    tipTowards: fleamDeg === 0 ? 'across' : tip === 1 ? 'along' : 'against',
    handleLowMm: (fileLengthMm / 2) * Math.sin(radians(slopeDeg)),
    handleAsideMm: (fileLengthMm / 2) * cosDeg(slopeDeg) * Math.sin(radians(fleamDeg)),
  };
}
