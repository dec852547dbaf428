import type { Estimate } from '../evidence/estimate';
import { weightedMean } from '../evidence/estimate';
import type { TracedLine } from './traced-line';

/** The turn of a tooth's face, or of the gullet it stands in, off square in plan; degrees, signed as a file's. */
export interface SeenTurn {
  readonly tooth: number;
  readonly turnDeg: Estimate;
}

/** A plate's thickness is known to this share. No source. */
const PLATE_SHARE = 0.03;
/** A turn known worse than this is not told. Degrees. */
const MOST_ERROR_DEG = 4;

/**
 * Fleam and its side from the bevels that the light shows: a flank filed askew is seen from one side of the plate as
 * a strip of width T |tan f| along the line, and is hidden from the other. With z to the right and m = dx/dz, a file's
 * m above 0 shows the next tooth's back from the right, m below 0 this tooth's face; from the left it is the other way
 * about (docs/geometry.md section 3). `alone`: faces and backs are filed one by one, and only a face's own strip tells.
 */
export function turnsOfTrace(line: TracedLine, plateMm: number, alone: boolean): SeenTurn[] {
  const sign = line.sideSeen === 'right' ? 1 : -1;
  return line.teeth.flatMap((tooth, i): SeenTurn[] => {
    if (tooth.kind !== 'tooth' || tooth.raker) return [];
    const next = alone ? undefined : line.teeth[i + 1];
    const face = tooth.bevels?.face ?? null;
    const back = next?.kind === 'tooth' && !next.raker ? (next.bevels?.back ?? null) : null;
    const [onFace, onBack] = [face?.widthMm ?? 0, back?.widthMm ?? 0];
    // Both, or neither: the light says nothing of this gullet.
    if (onFace > 0 === onBack > 0) return [];
    const seen = (onFace > 0 ? face : back) as NonNullable<typeof face>;
    const tangent = (sign * (onBack - onFace)) / plateMm;
    const error = Math.hypot(seen.errorMm / plateMm, Math.abs(tangent) * PLATE_SHARE) / (1 + tangent * tangent);
    const turnDeg = { value: deg(Math.atan(tangent)), error: deg(error) };
    return turnDeg.error <= MOST_ERROR_DEG ? [{ tooth: tooth.tooth, turnDeg }] : [];
  });
}

const deg = (radians: number): number => (radians * 180) / Math.PI;

/** What the bevels of a line say together: fleam without a sign, and whether odd and even teeth have their points on either side. */
export interface FleamSeen {
  readonly fleamDeg: Estimate;
  readonly gullets: number;
  readonly alternate: boolean;
}

/** Of the turns of a line's gullets; null where no bevel is seen. */
export function fleamSeen(turns: readonly SeenTurn[]): FleamSeen | null {
  const fleamDeg = weightedMean(turns.map(({ turnDeg }) => ({ value: Math.abs(turnDeg.value), error: turnDeg.error })));
  if (!fleamDeg || turns.length < 3) return null;
  const pairs = turns.flatMap((turn, i) => {
    const next = turns[i + 1];
    return next && next.tooth === turn.tooth + 1 ? [turn.turnDeg.value * next.turnDeg.value < 0] : [];
  });
  const alternate = pairs.length > 0 && pairs.filter(Boolean).length >= 0.8 * pairs.length;
  return { fleamDeg, gullets: turns.length, alternate };
}
