import { isReadInPart } from './told-count';

/**
 * A stretch of the tooth line with its own pitch and rake: starter teeth at the
 * toe, or a graded line where both change evenly from tooth to tooth.
 */
export interface Zone {
  /** Teeth in it. */
  readonly teeth: number;
  /** Pitch at its heel end and at its toe end, mm; alike when the pitch does not change. */
  readonly pitchFromMm: number;
  readonly pitchToMm: number;
  readonly rakeFromDeg: number;
  readonly rakeToDeg: number;
}

/** The line as its zones mean it to be, tooth by tooth. */
export interface NominalLine {
  /** Place of each tip from the first, mm. */
  readonly xMm: Float64Array;
  /** Pitch from each tooth to the next, mm; the last has its own zone's. */
  readonly pitchMm: Float64Array;
  readonly rakeDeg: Float64Array;
  /** Index of each tooth's zone. */
  readonly zone: Int32Array;
}

/**
 * Zones from heel to toe into nominal places. Inside a zone pitch and rake go
 * evenly from one end to the other; from a zone's last tooth to the next
 * zone's first the coarser of the two pitches stands, as a filer leaves it.
 * Throws RangeError on a zone without teeth or with a pitch not above zero. O(n).
 */
export function nominalLine(zones: readonly Zone[]): NominalLine {
  const n = zones.reduce((sum, zone) => sum + zone.teeth, 0);
  const xMm = new Float64Array(n);
  const pitchMm = new Float64Array(n);
  const rakeDeg = new Float64Array(n);
  const zoneOf = new Int32Array(n);
  let i = 0;
  zones.forEach((zone, number) => {
    if (!(Number.isInteger(zone.teeth) && zone.teeth > 0)) throw new RangeError('A zone has one tooth at least.');
    if (!(zone.pitchFromMm > 0 && zone.pitchToMm > 0)) throw new RangeError('Pitch must be above zero.');
    for (let k = 0; k < zone.teeth; k++) {
      const share = zone.teeth === 1 ? 0 : k / (zone.teeth - 1);
      pitchMm[i] = zone.pitchFromMm + share * (zone.pitchToMm - zone.pitchFromMm);
      rakeDeg[i] = zone.rakeFromDeg + share * (zone.rakeToDeg - zone.rakeFromDeg);
      zoneOf[i] = number;
      const next = zones[number + 1];
      if (k === zone.teeth - 1 && next) pitchMm[i] = Math.max(zone.pitchToMm, next.pitchFromMm);
      i++;
    }
  });
  for (let k = 1; k < n; k++) xMm[k] = (xMm[k - 1] as number) + (pitchMm[k - 1] as number);
  return { xMm, pitchMm, rakeDeg, zone: zoneOf };
}

/** Teeth at the toe unlike the rest of the line: starter teeth, or a graded stretch. The last zone ends at the toe. */
export interface ToeZone {
  readonly teeth: number;
  /** Pitch at the zone's heel end and at its toe end, mm. */
  readonly pitchFromMm: number;
  readonly pitchToMm: number;
  /** Degrees by which the rake is more relaxed than the rest of the line's, at both ends. */
  readonly relaxFromDeg: number;
  readonly relaxToDeg: number;
}

/** A line of `teeth` in all, its toe zones counted from the toe. RangeError when they leave less than two teeth. */
export function lineZones(teeth: number, pitchMm: number, rakeDeg: number, toe: readonly ToeZone[] = []): Zone[] {
  const body = teeth - toeTeeth(toe);
  if (body < 2) throw new RangeError('The teeth at the toe are as many as the line has.');
  return [
    evenZone(body, pitchMm, rakeDeg),
    ...toe.map((zone) => ({
      teeth: zone.teeth,
      pitchFromMm: zone.pitchFromMm,
      pitchToMm: zone.pitchToMm,
      rakeFromDeg: rakeDeg - zone.relaxFromDeg,
      rakeToDeg: rakeDeg - zone.relaxToDeg,
    })),
  ];
}

export const toeTeeth = (toe: readonly ToeZone[]): number => toe.reduce((sum, zone) => sum + zone.teeth, 0);

/** From the last tooth before the toe zones to the last tooth of the line, mm. Example: 4 teeth of 1 after 2 mm -> 2 + 3. */
export function toeLengthMm(pitchMm: number, toe: readonly ToeZone[]): number {
  if (toe.length === 0) return 0;
  const { xMm } = nominalLine(lineZones(2 + toeTeeth(toe), pitchMm, 0, toe));
  return (xMm[xMm.length - 1] as number) - (xMm[1] as number);
}

/**
 * Teeth of the line that some were read of: those read, or, where only a part was, those told. Its
 * toe is counted from there.
 */
export const linedTeeth = (read: number, told: number): number => (isReadInPart(read, told) ? told : read);

/**
 * Place of a tooth along the line, counted in pitches of its main stretch: the tooth's own number
 * where nothing changes at the toe. Beyond the line the last spacing goes on.
 */
export function placeInPitches(
  teeth: number,
  pitchMm: number,
  toe: readonly ToeZone[] = [],
): (tooth: number) => number {
  if (toe.length === 0) return (tooth) => tooth;
  const { xMm, pitchMm: spacing } = nominalLine(lineZones(teeth, pitchMm, 0, toe));
  const [last, step] = [xMm[teeth - 1] as number, spacing[teeth - 1] as number];
  return (tooth) => {
    if (tooth < 1) return tooth;
    const mm = tooth <= teeth ? (xMm[tooth - 1] as number) : last + (tooth - teeth) * step;
    return 1 + mm / pitchMm;
  };
}

/** A plain line: one zone of even pitch and rake. */
export const evenZone = (teeth: number, pitchMm: number, rakeDeg: number): Zone => ({
  teeth,
  pitchFromMm: pitchMm,
  pitchToMm: pitchMm,
  rakeFromDeg: rakeDeg,
  rakeToDeg: rakeDeg,
});
