/** How the wall and the floor of a test cut look, in the words of the page. */
export const WALLS = ['clean', 'scratched-left', 'scratched-right', 'torn', 'burnt'] as const;
export type Wall = (typeof WALLS)[number];
export const FLOORS = ['flat', 'ridged', 'stepped', 'slanting'] as const;
export type Floor = (typeof FLOORS)[number];
