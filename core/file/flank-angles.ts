import { atanDeg, cosDeg, tanDeg } from '../units/radians';

/** The file's section angle, degrees between its two working faces; 60 is the taper file. */
export const TAPER_SECTION_DEG = 60;

/**
 * How one file stands in a gullet. `rollDeg` (a) is the face-cutting side's
 * lean off upright in the plane square to the file.
 */
export interface FileHold {
  readonly rollDeg: number;
  readonly fleamDeg: number;
  readonly sectionDeg: number;
}

/** The tooth such a file leaves, slope 0. */
export interface FiledTooth {
  /** A: face off vertical in side view, degrees; rake r = -A. */
  readonly faceDeg: number;
  /** B: back off vertical in side view, degrees. */
  readonly backDeg: number;
  /** tan A. */
  readonly tanFace: number;
  /** tan B. */
  readonly tanBack: number;
  /** T = tan A + tan B: pitch = height x T. */
  readonly spread: number;
}

/**
 * Flank angles a file leaves (geometry section 2, slope 0):
 * tan A = tan a / cos f, tan B = tan(section - a) / cos f.
 * Throws RangeError when a flank would lie at or past level, or T is not positive.
 * Example: a 15, f 25, 60 section -> A 16.47, B 47.81, T 1.3990.
 */
export function filedTooth(hold: FileHold): FiledTooth {
  const { rollDeg, fleamDeg, sectionDeg } = hold;
  const backRollDeg = sectionDeg - rollDeg;
  if (!(fleamDeg >= 0 && fleamDeg < 90)) throw new RangeError('Fleam must be from 0 to below 90 degrees.');
  if (!(Math.abs(rollDeg) < 90 && Math.abs(backRollDeg) < 90)) {
    throw new RangeError('The file would lie past level: its roll and section do not leave a tooth.');
  }
  const stretch = cosDeg(fleamDeg);
  const tanFace = tanDeg(rollDeg) / stretch;
  const tanBack = tanDeg(backRollDeg) / stretch;
  const spread = tanFace + tanBack;
  if (!(spread > 0)) throw new RangeError('The two flanks never meet: no tooth has a point.');
  return { faceDeg: atanDeg(tanFace), backDeg: atanDeg(tanBack), tanFace, tanBack, spread };
}

/**
 * The roll that gives a wanted rake at a wanted fleam: tan a = tan(-r) cos f.
 * Inverse of {@link filedTooth}. Example: rake -16.47, fleam 25 -> a 15.
 */
export function rollForRake(rakeDeg: number, fleamDeg: number): number {
  return atanDeg(tanDeg(-rakeDeg) * cosDeg(fleamDeg));
}

/** Tooth with wanted rake and fleam under a file of given section. */
export function toothFor(rakeDeg: number, fleamDeg: number, sectionDeg = TAPER_SECTION_DEG): FiledTooth {
  return filedTooth({ rollDeg: rollForRake(rakeDeg, fleamDeg), fleamDeg, sectionDeg });
}

/**
 * A cutter pointed alike from both sides with a flat file: its section is twice the lean of one
 * side, so that face and back lean equally. Throws RangeError on a rake that leaves no point.
 * Example: rake -30 -> face and back 30 degrees off upright, a point of 60.
 */
export function pointedTooth(rakeDeg: number, fleamDeg: number): FiledTooth {
  if (!(rakeDeg < 0))
    throw new RangeError('A cutter pointed from both sides leans back on both: its rake is below zero.');
  return toothFor(rakeDeg, fleamDeg, 2 * rollForRake(rakeDeg, fleamDeg));
}

/** Height of a pointed tooth above the V's bottom: h = p / T (geometry section 2). mm from mm. */
export function toothHeightMm(pitchMm: number, tooth: FiledTooth): number {
  if (!(pitchMm > 0)) throw new RangeError('Pitch must be above zero.');
  return pitchMm / tooth.spread;
}

/**
 * How far the ridge falls from the point across the plate with alternating
 * gullets: drop = 2 t tan f / T (geometry section 3). mm.
 * Example: f 25, t 0.8, T 1.3990 -> 0.533 mm.
 */
export function ridgeDropMm(plateThicknessMm: number, fleamDeg: number, tooth: FiledTooth): number {
  return (2 * plateThicknessMm * tanDeg(fleamDeg)) / tooth.spread;
}
