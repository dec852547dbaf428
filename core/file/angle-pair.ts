/** Rake and fleam of a filing, degrees; signs as in docs/geometry.md section 2: rake is negative leaning back. */
export interface AnglePair {
  readonly rakeDeg: number;
  readonly fleamDeg: number;
}
