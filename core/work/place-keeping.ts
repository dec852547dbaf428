import * as z from 'zod';

/** How a stop came to count as done: pressed at its gullet, with a window of them, heard, by a rhythm, or off a card. */
export const HOWS = ['gullet', 'window', 'ear', 'pace', 'card'] as const;
export type How = (typeof HOWS)[number];

/** Ways of keeping the place at the vise; a card is kept away from it. */
export const PLACE_WAYS = ['gullet', 'window', 'ear', 'pace'] as const;
export type PlaceWay = (typeof PLACE_WAYS)[number];

/** Gullets that are one window, and what a person has chosen. */
export const WINDOW_STOPS = { least: 2, most: 100, usual: 20 } as const;
export const placeKeeping = z
  .object({
    way: z.enum(PLACE_WAYS, { error: 'The place is kept by gullet, by window, by ear or by pace.' }),
    window: z
      .int({ error: 'A window holds a whole number of gullets.' })
      .min(WINDOW_STOPS.least, `A window holds ${WINDOW_STOPS.least} gullets at least.`)
      .max(WINDOW_STOPS.most, `A window holds ${WINDOW_STOPS.most} gullets at most.`),
  })
  .readonly();
export type PlaceKeeping = z.infer<typeof placeKeeping>;
export const USUAL_PLACE_KEEPING: PlaceKeeping = { way: 'gullet', window: WINDOW_STOPS.usual };

/** Whether the moment of a mark says how long the work took: by a rhythm it says what was reckoned, off a card when it was entered. */
export const isTimed = (how: How): boolean => how !== 'pace' && how !== 'card';
