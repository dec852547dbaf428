/** What stands at a place of the tooth line. A missing tooth has no height. */
export const TOOTH_KINDS = ['tooth', 'broken', 'missing'] as const;
export type ToothKind = (typeof TOOTH_KINDS)[number];

export const LEANS = ['left', 'right'] as const;
/** The side a tooth leans to, seen from the handle looking to the toe. */
export type Lean = (typeof LEANS)[number];

/**
 * One measured tooth, heel first. `tooth` counts from 1. `xMm` is the tip's
 * place from the heel, `yMm` its height over the shop's straight edge.
 * `setMm` is per side, to the side of `lean`.
 */
export interface ToothReading {
  readonly tooth: number;
  readonly xMm: number;
  readonly yMm: number;
  readonly lean?: Lean | null;
  readonly setMm?: number | null;
  readonly kind: ToothKind;
  readonly note?: string | null;
  /** Not measured: teeth that were stand for it. */
  readonly sample?: boolean;
}

/** The teeth that are there, in order from heel to toe. */
export const standingTeeth = (readings: readonly ToothReading[]): ToothReading[] =>
  readings.filter((reading) => reading.kind !== 'missing');

/** The side a tooth leans to where teeth lean by turns and nobody looked: odd ones to the left. */
export const alternateLean = (tooth: number): Lean => (tooth % 2 === 1 ? 'left' : 'right');

/** Alternate lean where none was recorded. */
export const leanOf = (reading: ToothReading): Lean => reading.lean ?? alternateLean(reading.tooth);
