import { cautionsFor } from '../cautions';
import type { Step, StepKind } from '../step';
import { WHOLE_SAW_STOP } from '../step';

/** A step of a saw whose teeth go round, of which nothing is said yet but its cautions: done to the whole of it unless more says otherwise. */
export const wholeStep = (kind: StepKind, more: Partial<Step>): Step => ({
  kind,
  unit: 'whole',
  side: null,
  tipTowards: null,
  tool: null,
  targetMm: null,
  passes: 0,
  minutes: 0,
  stops: WHOLE_SAW_STOP,
  cautions: cautionsFor(kind),
  reasons: [],
  ...more,
});
