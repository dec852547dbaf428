/** A point of the sheet and the way the loop goes there, radians clockwise from the right. */
export interface LoopPoint {
  readonly x: number;
  readonly y: number;
  readonly wayRad: number;
}

/** The straight part below and above as a share of the whole loop; the rest are two half circles. */
const STRAIGHT_SHARE = 0.3;

/** Half width and height of a loop of this length, in the same unit. */
export const loopSize = (length: number): { readonly half: number; readonly radius: number } => {
  const radius = (length * (1 - 2 * STRAIGHT_SHARE)) / (2 * Math.PI);
  return { half: (length * STRAIGHT_SHARE) / 2 + radius, radius };
};

/**
 * A place on a loop of two straights joined by half circles, so far along it from the middle of its lower
 * straight, to the right first. The middle of the loop is 0, 0 and y runs down. O(1).
 */
export function loopPoint(along: number, length: number): LoopPoint {
  const straight = length * STRAIGHT_SHARE;
  const { radius } = loopSize(length);
  const bend = Math.PI * radius;
  const s = ((along % length) + length) % length;
  if (s <= straight / 2) return { x: s, y: radius, wayRad: 0 };
  if (s <= straight / 2 + bend) {
    const turn = (s - straight / 2) / radius;
    return { x: straight / 2 + radius * Math.sin(turn), y: radius * Math.cos(turn), wayRad: -turn };
  }
  if (s <= 1.5 * straight + bend) return { x: straight / 2 - (s - straight / 2 - bend), y: -radius, wayRad: -Math.PI };
  if (s <= 1.5 * straight + 2 * bend) {
    const turn = (s - 1.5 * straight - bend) / radius;
    return { x: -straight / 2 - radius * Math.sin(turn), y: -radius * Math.cos(turn), wayRad: -Math.PI - turn };
  }
  return { x: s - length, y: radius, wayRad: 0 };
}
