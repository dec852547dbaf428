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

/** A plain line: one zone of even pitch and rake. */
export const evenZone = (teeth: number, pitchMm: number, rakeDeg: number): Zone => ({
  teeth,
  pitchFromMm: pitchMm,
  pitchToMm: pitchMm,
  rakeFromDeg: rakeDeg,
  rakeToDeg: rakeDeg,
});
