/** Degrees to radians. Angles are degrees everywhere outside a function's body. */
export const radians = (deg: number): number => (deg * Math.PI) / 180;

/** Radians to degrees. */
export const degrees = (rad: number): number => (rad * 180) / Math.PI;

/** tan of an angle given in degrees. */
export const tanDeg = (deg: number): number => Math.tan(radians(deg));

/** cos of an angle given in degrees. */
export const cosDeg = (deg: number): number => Math.cos(radians(deg));

/** atan in degrees. */
export const atanDeg = (value: number): number => degrees(Math.atan(value));
