import type { PlateMarkKind } from '@odontis/core/saw/plate-marks';

/** Marks on the picture of the plate: word and what it means for the work. */
export const MARK_WORDS: Record<PlateMarkKind, { name: string; means: string }> = {
  bend: { name: 'Bend', means: 'comes out in minutes' },
  kink: { name: 'Kink', means: 'a sharp crease; an even chance at best' },
  twist: { name: 'Twist', means: 'may not come true' },
  rust: { name: 'Rust', means: 'off before setting; an hour only where it is heavy' },
  pitting: { name: 'Pitting', means: 'teeth crumble at the pits' },
  crack: { name: 'Crack', means: 'stop: not safe' },
  burn: { name: 'Burn', means: 'teeth may have gone soft; off the teeth, the plate has' },
  'missing-teeth': { name: 'Missing teeth', means: 'grow back over several visits' },
  'short-teeth': { name: 'Short teeth', means: 'come up to the line over several visits' },
  'bent-back': { name: 'Bent back', means: 'cannot be made straight' },
  'wavy-line': { name: 'Wavy line', means: 'plate has left its seat' },
  'loose-handle': { name: 'Loose handle', means: 'tighten before filing' },
  frame: { name: 'Frame or pin', means: 'put right first, or bring the blade alone' },
};

/** On a powered blade the same marks mean something else. */
export const POWERED_MEANS: Partial<Record<PlateMarkKind, string>> = {
  bend: 'does not go back to work',
  kink: 'does not go back to work',
  twist: 'does not go back to work',
  crack: 'stop: it can let go in the cut',
};
