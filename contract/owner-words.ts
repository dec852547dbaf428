/** What the counter found, by its rule, as its owner reads it: no hint meant for who stands at the counter. */
const OWNER_SAYS: Readonly<Record<string, string>> = {
  hardened: 'Its teeth are hardened: no file cuts them.',
  'hardened-unsure': 'Whether a file cuts its teeth is tried with one light stroke at the heel.',
  crack: 'The plate is cracked, and a crack runs on in the cut: it is not safe to put back to work.',
  'bent-back': 'Its back is bent, and that cannot be made straight again.',
  'kink-toe': 'There is a kink near the toe; the saw would be shortened past it.',
  'kink-plate': 'There is a kink in the plate, with an even chance at best under the hammer.',
  'wavy-folded': 'The plate has left its seat in the back, and is seated again.',
  'wavy-fixed': 'The plate is wavy under a back that cannot be re-seated: it stays a little so.',
  pitting: 'There are pits at the tooth line: an edge there does not last long.',
  missing: 'Teeth are missing; they grow back over several sharpenings.',
  'short-teeth': 'Some teeth are short; they come up to the line over several sharpenings.',
  frame: 'The frame is out of square or a pin is worn.',
  twist: 'The plate is twisted, and may not come true.',
  bend: 'The plate is bent; a bend comes out and does the steel no harm.',
  rust: 'There is rust on the plate, which comes off first.',
  handle: 'The handle is loose.',
  carbide: 'Its tips are carbide, which is ground and not filed.',
  'powered-crack': 'It is cracked, and can let go in the cut: it does not go back to work.',
  'band-kink': 'It is kinked or twisted, and cracks at the crease: it does not go back to work.',
  'set-outer-refused': 'One of the outer blades is refused, and with it the set.',
  'set-part-refused': 'A part of the set is refused; the others make a narrower stack.',
  'powered-bent': 'It is bent, and does not go back to work. A licensed saw doctor may true it.',
  burnt: 'Some teeth are burnt and may have gone soft; that is tried with a file.',
  'overheated-plate': 'It was overheated, has lost its tension and may let go: it does not go back to work.',
  'no-speed-marking': 'No marked speed can be read on it.',
  'pull-soft': 'This shop does not file pull saws.',
  'pull-narrow': 'Its plate has grown too narrow to be filed again.',
  'no-plate-left': 'Hardly a sharpening is left in its plate.',
  'costs-more': 'Keeping it sharp costs more a year than replacing it.',
  etch: 'Taking the rust off may take the etch with it.',
  converting: 'Filing it the other way costs tooth height and is not undone.',
  collectible: 'It is a saw that somebody collects.',
};
/** Nothing stood against it: no news. */
const SOUND = 'sound';

interface ForCounter {
  readonly rule: string;
  readonly says: string;
  readonly part?: string | undefined;
}

/** What the counter found in its owner's words; a shop's own rules are told as the shop wrote them. */
export const ownerReasons = (reasons: readonly ForCounter[]): string[] =>
  reasons
    .filter(({ rule }) => rule !== SOUND)
    .map(({ rule, says, part }) => `${part ? `${part}: ` : ''}${OWNER_SAYS[rule] ?? says}`);
