/** Every family of trade section 1. Straight western saws (`hand`, `back`) are two of them. */
export const FAMILIES = ['hand', 'back', 'pull', 'crosscut', 'band', 'circular', 'dado'] as const;
export type Family = (typeof FAMILIES)[number];

/** How wet the wood is: green wood springs into the kerf. */
export const MOISTURES = ['dry', 'air-dry', 'green'] as const;
export type Moisture = (typeof MOISTURES)[number];

/** How the wood cuts. */
export const TIMBERS = ['hard', 'medium', 'soft'] as const;
export type Timber = (typeof TIMBERS)[number];
