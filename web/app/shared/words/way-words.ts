import type { Shortfall } from '@odontis/core/testcut/acceptable';
import type { WayId } from '@odontis/core/work/ways';

/** What could be done with a saw, as it heads its column. */
export const WAY_WORDS: Record<WayId, string> = {
  sharpen: 'As it stands',
  set: 'Set anew',
  joint: 'Jointed the least',
  tune: 'Tuned in full',
  convert: 'Filed otherwise',
  retooth: 'New teeth',
  decline: 'Left be',
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
