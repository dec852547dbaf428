import type { Reason } from '../reason/reason';
import { because, input, COMMON_PRACTICE } from '../reason/reason';
import type { JointLine, Tip } from './joint-line';
import { heightOn, lineForAll } from './joint-line';

/** A tooth that stays under the joint line, and what bringing it back would cost. */
export interface ChaseAdvice {
  readonly tooth: number;
  /** How far its tip is under the line; for a missing tooth its whole height. mm. */
  readonly shortMm: number;
  /** Metal the whole saw would lose for it, beyond this joint, mm³. */
  readonly metalMm3: number;
  /** Ordinary sharpenings of plate that is; and as many until it comes back by itself. */
  readonly sharpenings: number;
  /** How far a free line would tilt for it over the tooth line's length, mm; 0 where the line is held. */
  readonly tiltMm: number;
  readonly advice: 'blend' | 'chase';
  /** The tooth stands off the middle and the line is free: chasing it tilts the whole line. */
  readonly warnsOfTilt: boolean;
  readonly reason: Reason;
}

export interface ChaseWish {
  readonly plateThicknessMm: number;
  readonly pitchMm: number;
  readonly toothHeightMm: number;
  readonly perSharpeningMm: number;
  /** A loss of this many ordinary sharpenings is small enough to chase. The shop's habit. */
  readonly chaseWithin: number;
  /** Whether the line may tilt with the teeth or is held level or at an arc. */
  readonly line: 'free' | 'held';
}

/** A tilt this large shows over the saw: a thou. mm. */
const TILT_WORTH_SAYING_MM = 0.0254;
/** A tooth this little under the line is not short: a fifth of a thou. mm. */
const SHORT_MM = 0.005;

/**
 * Blend or chase, tooth by tooth under the line, the shortest first (geometry
 * section 4, broken or missing teeth). Bringing a tooth back lowers the line by
 * what it is short of, every gullet with it: length x depth x plate of metal.
 * It comes back by itself after short / metal of a sharpening filings, as
 * those lower its neighbours and not it. `missing` are places with no tooth.
 * O(n log n).
 */
export function chaseAdvice(
  tips: readonly (Tip & { readonly tooth: number })[],
  missing: readonly number[],
  line: JointLine,
  wish: ChaseWish,
): ChaseAdvice[] {
  if (!(wish.perSharpeningMm > 0)) throw new RangeError('A sharpening must take some metal.');
  const lengthMm = tips.length * wish.pitchMm;
  const reached = tips.filter((t) => t.yMm >= heightOn(line, t.xMm) - SHORT_MM);
  const advise = (tooth: number, shortMm: number, tiltMm: number): ChaseAdvice => {
    const sharpenings = shortMm / wish.perSharpeningMm;
    const advice = sharpenings <= wish.chaseWithin ? 'chase' : 'blend';
    return {
      tooth,
      shortMm,
      metalMm3: shortMm * lengthMm * wish.plateThicknessMm,
      sharpenings,
      tiltMm,
      advice,
      warnsOfTilt: Math.abs(tiltMm) > TILT_WORTH_SAYING_MM,
      reason: because(
        advice === 'chase' ? 'Chase it: the loss is small' : 'Blend it in, do not chase it',
        'short of the line ÷ metal of one sharpening',
        [
          input('short of the line', shortMm, 'mm'),
          input('metal of one sharpening', wish.perSharpeningMm, 'mm'),
          input('sharpenings it may cost', wish.chaseWithin, 'count'),
        ],
        COMMON_PRACTICE,
        `Left alone it comes back by itself in about ${Math.ceil(sharpenings - 1e-9)} sharpenings.`,
      ),
    };
  };
  const short = tips
    .filter((t) => t.yMm < heightOn(line, t.xMm) - SHORT_MM)
    .map((t) => {
      const tilt =
        wish.line === 'held' || reached.length < 2
          ? 0
          : (lineForAll([...reached, t].sort((p, q) => p.xMm - q.xMm)).beta - lineForAll(reached).beta) * lengthMm;
      return advise(t.tooth, heightOn(line, t.xMm) - t.yMm, tilt);
    });
  return [...short, ...missing.map((tooth) => advise(tooth, wish.toothHeightMm, 0))].sort(
    (p, q) => q.shortMm - p.shortMm || p.tooth - q.tooth,
  );
}
