import { UNCALIBRATED_STONE } from '../calibration/hand';
import type { Evidence } from '../evidence/session';
import { UNCALIBRATED_STROKES } from '../line/strokes';
import type { Saw } from '../saw/saw';
import type { WorkFacts } from './family-work';
import { DEFAULT_HABITS } from './habits';

/** A saw and its readings with nothing else known: no shop, no hand, no counter, no earlier visit. */
export const plainFacts = (saw: Saw, sessions: Evidence, visit: Partial<WorkFacts['visit']> = {}): WorkFacts => ({
  saw,
  visit: {
    ...{ wood: 'dry-soft', marks: [], grain: 'unsaid', etch: false, wantsFiling: 'as-it-is' },
    ...{ replacement: null, useRate: 'weekly' },
    ...visit,
  },
  sessions,
  visits: [],
  habits: DEFAULT_HABITS,
  judgement: undefined,
  strokeRateOf: () => UNCALIBRATED_STROKES,
  stoning: UNCALIBRATED_STONE,
});
