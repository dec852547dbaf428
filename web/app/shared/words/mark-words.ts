import type { PlateMarkKind } from '@odontis/core/triage/triage';

/** Marks on the picture of the plate: word and what it means for the work. */
export const MARK_WORDS: Record<PlateMarkKind, { name: string; means: string }> = {
  bend: { name: 'Bend', means: 'comes out by hand in minutes' },
  kink: { name: 'Kink', means: 'a sharp crease; an even chance at best' },
  twist: { name: 'Twist', means: 'may not come true' },
  rust: { name: 'Rust', means: 'off before setting; up to an hour' },
  pitting: { name: 'Pitting', means: 'teeth crumble at the pits' },
  crack: { name: 'Crack', means: 'stop: not safe' },
  'missing-teeth': { name: 'Missing teeth', means: 'grow back over several visits' },
  'bent-back': { name: 'Bent back', means: 'cannot be made straight' },
  'wavy-line': { name: 'Wavy line', means: 'plate has left its seat' },
  'loose-handle': { name: 'Loose handle', means: 'tighten before filing' },
};
