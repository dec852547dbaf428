import type { Cause } from '@odontis/core/cause/causes';
import type { Look } from '@odontis/core/cause/next-look';
import type { Shavings } from '@odontis/core/raker/shavings';
import type { Again, Floor, PlateLook, Wall } from '@odontis/core/testcut/cut-looks';

/** What a cut may be at fault for, in the trade's words. */
export const CAUSE_WORDS: Record<Cause, string> = {
  'set-left': 'more set on the left',
  'set-right': 'more set on the right',
  'set-thin': 'too little set',
  'set-wide': 'too much set',
  'burr-left': 'a burr on the left',
  'burr-right': 'a burr on the right',
  'load-left': 'the left teeth stand higher',
  'load-right': 'the right teeth stand higher',
  'dull-left': 'the left teeth are dull',
  'dull-right': 'the right teeth are dull',
  dull: 'dull all along',
  'line-uneven': 'teeth of unequal height',
  'tooth-left': 'a single tooth out on the left',
  'tooth-right': 'a single tooth out on the right',
  'rakers-high': 'rakers too high',
  'rakers-low': 'rakers too low',
  weld: 'the weld',
  'beat-tooth': 'a tooth that stands out',
  'plate-bent': 'a bent plate',
  hand: 'the hand, not the saw',
  wood: 'the wood, not the saw',
};

/** What to look at next. */
export const LOOK_WORDS: Record<Look, string> = {
  set: 'Read the set of a few teeth on either side',
  heights: 'Measure the heights again',
  kerf: 'Put a feeler in the kerf',
  'off-line': 'Measure how far it left its line, over a length',
  wall: 'Look at the walls of the kerf',
  floor: 'Look at its floor',
  shavings: 'Look at what it throws',
  plate: 'Look along the plate',
  rakers: 'Gauge a few rakers',
  beat: 'Find by chalk where it beats',
  'cut-again': 'Cut once more on the other side of the line, with nothing done between',
};

export const WALL_WORDS: Record<Wall, string> = {
  clean: 'clean',
  'scratched-left': 'scratched left',
  'scratched-right': 'scratched right',
  torn: 'torn',
  burnt: 'burnt',
};
export const FLOOR_WORDS: Record<Floor, string> = {
  flat: 'flat',
  ridged: 'a ridge',
  stepped: 'stepped',
  slanting: 'slanting',
};
export const PLATE_WORDS: Record<PlateLook, string> = { straight: 'straight', bent: 'bent' };
export const AGAIN_WORDS: Record<Again, string> = { same: 'ran the same way', other: 'another way' };
/** What a saw without rakers throws. */
export const DUST_WORDS: Record<Shavings, string> = {
  ribbons: 'even chips',
  whiskers: 'chips with whiskers',
  dust: 'dust',
};
export const RIBBON_WORDS: Record<Shavings, string> = {
  ribbons: 'long clean ribbons',
  whiskers: 'ribbons with whiskers',
  dust: 'dust or short chips',
};
