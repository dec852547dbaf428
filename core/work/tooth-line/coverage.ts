import { lineStatistics } from '../../evidence/line-statistics';
import type { ToeFound } from '../../evidence/toe-finding';
import { findToe } from '../../evidence/toe-finding';
import type { ToothReading } from '../../evidence/tooth-reading';
import { standingTeeth } from '../../evidence/tooth-reading';
import type { Filing } from '../../saw/families';
import { countSlack, isReadInPart } from '../../saw/told-count';
import type { ToeZone } from '../../saw/zones';
import type { ToothRole } from '../../saw/tooth-pattern';
import { linedTeeth, placeInPitches, toeTeeth } from '../../saw/zones';

import { groupOn } from './cutters';

/** How what was measured stands to what the ticket says of the saw. */
export interface Coverage {
  readonly toldTeeth: number;
  readonly measuredTeeth: number;
  /** Teeth among those whose height nobody read: they are taken to lie between their neighbours. */
  readonly unread: number;
  /** Rakers nobody measured against their cutters. */
  readonly rakersUnread: number;
  /** The other edge of a two-edged saw, where nobody measured it. */
  readonly otherEdge: Filing | null;
  readonly toldPitchMm: number;
  /** Null where places were not measured: the pitch is then the ticket's own. */
  readonly measuredPitchMm: number | null;
  /** Teeth of the saw were left out. */
  readonly partial: boolean;
  /** More teeth were measured than the ticket knows. */
  readonly more: boolean;
  readonly otherPitch: boolean;
  /** Teeth at the toe as measured; null where the line has one pitch, or was measured in part. */
  readonly toe: ToeFound | null;
  /** Other teeth at the toe than were told: the plan would even them to the wrong pitch. */
  readonly otherToe: boolean;
}

/** A tooth may be counted to the one stretch or the other. */
const TOE_TEETH = 1;
/** A pitch this far from the ticket's is another pitch, not a reading's error: a tenth. No source. */
const PITCH_SHARE = 0.1;

/** What is known of the line beside its teeth. */
interface Known {
  readonly roles?: readonly ToothRole[] | null;
  readonly unread?: number;
  readonly rakersUnread?: number;
  readonly otherEdge?: Filing | null;
}

/** Measured against told: teeth, and pitch where places were read. Lengths mm. O(n). */
export function coverageOf(
  all: readonly ToothReading[],
  saw: { readonly teeth: number; readonly pitchMm: number; readonly toeZones?: readonly ToeZone[] | undefined },
  { roles = null, unread = 0, rakersUnread = 0, otherEdge = null }: Known = {},
): Coverage {
  // Rakers have no height of their own: the line is its cutters'.
  const readings = roles ? all.filter((r) => roles[r.tooth - 1] === 'cutter') : all;
  const place = placeInPitches(linedTeeth(all.length, saw.teeth), saw.pitchMm, saw.toeZones);
  const statistics = lineStatistics(readings, place, roles ? groupOn(roles) : undefined);
  const short = isReadInPart(all.length, saw.teeth);
  const partial = short || otherEdge !== null || unread > countSlack(readings.length);
  const toe = statistics?.placesMeasured && !partial && !roles ? findToe(readings) : null;
  const measuredPitchMm = statistics?.placesMeasured ? (toe?.restPitchMm ?? statistics.pitchMm) : null;
  const toldToe = toeTeeth(saw.toeZones ?? []);
  return {
    toldTeeth: saw.teeth,
    measuredTeeth: all.length - unread,
    unread,
    rakersUnread,
    otherEdge,
    toldPitchMm: saw.pitchMm,
    measuredPitchMm,
    partial,
    more: all.length > saw.teeth + countSlack(saw.teeth),
    otherPitch: measuredPitchMm !== null && Math.abs(measuredPitchMm - saw.pitchMm) > PITCH_SHARE * saw.pitchMm,
    toe,
    otherToe: measuredPitchMm !== null && !partial && Math.abs((toe?.teeth ?? 0) - toldToe) > TOE_TEETH,
  };
}

/**
 * The measured teeth, then as many more that they stand for: each at the next pitch, as far off
 * the line as the tooth it repeats, and marked `sample`. Broken and missing teeth are not
 * repeated: nobody saw one there. Throws RangeError on fewer than three standing teeth. mm. O(n).
 */
export function standForRest(
  readings: readonly ToothReading[],
  teeth: number,
  place: (tooth: number) => number = (tooth) => tooth,
): readonly ToothReading[] {
  const statistics = lineStatistics(readings, place);
  if (!statistics) throw new RangeError('A sample needs three standing teeth at least.');
  const sound = standingTeeth(readings).filter((r) => r.kind === 'tooth');
  const n = sound.length;
  const meanX = sound.reduce((s, r) => s + r.xMm, 0) / n;
  const meanY = sound.reduce((s, r) => s + r.yMm, 0) / n;
  const across = sound.reduce((s, r) => s + (r.xMm - meanX) ** 2, 0);
  const tilt = across > 0 ? sound.reduce((s, r) => s + (r.xMm - meanX) * (r.yMm - meanY), 0) / across : 0;
  const last = readings[readings.length - 1] as ToothReading;
  const rest = Array.from({ length: Math.max(0, teeth - readings.length) }, (_, k): ToothReading => {
    const as = sound[k % n] as ToothReading;
    const xMm = last.xMm + (place(last.tooth + k + 1) - place(last.tooth)) * statistics.pitchMm;
    const off = as.yMm - meanY - tilt * (as.xMm - meanX);
    return { tooth: last.tooth + k + 1, xMm, yMm: meanY + tilt * (xMm - meanX) + off, kind: 'tooth', sample: true };
  });
  return [...readings, ...rest];
}
