/** A saw that hops by more than this is felt to jump; one that jumps within it jumps for another reason. Common practice, no source. mm. */
export const JUMPS_AT_MM = 0.05;
