/** How the wall and the floor of a test cut look, in the words of the page. */
export const WALLS = ['clean', 'scratched-left', 'scratched-right', 'torn', 'burnt'] as const;
export type Wall = (typeof WALLS)[number];
export const FLOORS = ['flat', 'ridged', 'stepped', 'slanting'] as const;
export type Floor = (typeof FLOORS)[number];
/** The plate looked along, and a second cut with nothing done between: it ran the same way or another. */
export const PLATES = ['straight', 'bent'] as const;
export type PlateLook = (typeof PLATES)[number];
export const AGAINS = ['same', 'other'] as const;
export type Again = (typeof AGAINS)[number];
