import type { Shortfall } from '@odontis/core/testcut/acceptable';
import type { WayId } from '@odontis/core/work/ways';

/** What could be done with a saw, as it heads its column. */
export const WAY_WORDS: Record<WayId, string> = {
  sharpen: 'Sharpen as it stands',
  set: 'Sharpen and set anew',
  joint: 'Joint the least',
  tune: 'Full tune',
  convert: 'Convert',
  retooth: 'New teeth',
  decline: 'Leave it be',
};

/** What a foretold cut falls short by. */
export const SHORTFALL_WORDS: Record<Shortfall, string> = {
  hops: 'hops',
  uneven: 'leaves the work to a few teeth',
  runs: 'runs off its line',
  binds: 'binds in its kerf',
};

export const UNKNOWN_WORDS: Record<'loads' | 'set', string> = {
  loads: 'the load on its teeth',
  set: 'its set',
};
